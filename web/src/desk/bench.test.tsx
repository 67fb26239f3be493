// @vitest-environment happy-dom
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { act, cleanup, render, screen } from "@testing-library/react";
import { MemoryRouter } from "react-router";
import { afterEach, describe, expect, it } from "vitest";
import { setupPath } from "../shared/paths";
import { type Acts, BenchProvider, type Marks, useActs, useBench, useMarks, useSpotlight, useTyped } from "./bench";

const draft = { version: 1, document: { shop: { name: "A shop" } }, findings: [], stations: [], texts: {} };

/** How often each part of the desk was drawn. */
const drawn = { name: 0, typed: 0, spotlight: 0 };
let acts: Acts;
let marks: Marks;

function Name() {
  drawn.name++;
  acts = useActs();
  marks = useMarks();
  return <h1>{useBench().setup.shop.name}</h1>;
}

function Typing() {
  drawn.typed++;
  return (
    <p>
      {useTyped()
        .trying.map((edit) => String(edit.now))
        .join()}
    </p>
  );
}

function Pointed() {
  drawn.spotlight++;
  return <p>{useSpotlight().at}</p>;
}

function desk() {
  const client = new QueryClient({ defaultOptions: { queries: { staleTime: Number.POSITIVE_INFINITY } } });
  client.setQueryData(["draft", "a-shop"], draft);
  render(
    <QueryClientProvider client={client}>
      <MemoryRouter>
        <BenchProvider shop="a-shop">
          <Name />
          <Typing />
          <Pointed />
        </BenchProvider>
      </MemoryRouter>
    </QueryClientProvider>,
  );
  return { ...drawn };
}

afterEach(cleanup);

describe("the bench", () => {
  it("draws again only what shows the text being typed", () => {
    const before = desk();
    act(() => acts.try(setupPath("shop", "name"), "Another"));
    act(() => acts.try(setupPath("shop", "name"), "Another name"));
    expect(screen.getByText("Another name")).toBeDefined();
    expect(drawn).toEqual({ ...before, typed: before.typed + 2 });
  });

  it("draws again only what shows where the cursor is", () => {
    const before = desk();
    act(() => marks.setAt("shop/name"));
    expect(screen.getByText("shop/name")).toBeDefined();
    expect(drawn).toEqual({ ...before, spotlight: before.spotlight + 1 });
  });

  it("says what is tried as an edit of what stands there now", () => {
    desk();
    act(() => acts.try(setupPath("shop", "name"), "Another"));
    expect(screen.getByText("Another")).toBeDefined();
    act(() => acts.stopTrying());
    expect(screen.queryByText("Another")).toBeNull();
  });
});
