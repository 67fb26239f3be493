// @vitest-environment happy-dom
import { cleanup, fireEvent, render, screen, within } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { NotationField } from "./NotationField";
import { breaks } from "./notation/goods";
import { hours } from "./notation/hours";
import { setupPath } from "./paths";

const acts = { set: vi.fn(async () => true), try: vi.fn(), stopTrying: vi.fn() };
const marks = { setAt: vi.fn(), takeBack: vi.fn(), arrived: vi.fn() };
const document = {
  goods: { products: [{ id: "kite", breaks: [{ from: "10", price: "7.50" }] }] },
  pickup: { places: [{ id: "shed", hours: [{ days: ["saturday"], from: "10:00", to: "13:00" }] }] },
};

vi.mock("../desk/bench", () => ({
  useBench: () => ({ draft: { version: 1, document } }),
  useActs: () => acts,
  useMarks: () => marks,
  useSpotlight: () => ({ wanted: "", lit: new Set() }),
  useTroubles: () => ({ problems: [], refusals: {} }),
}));

beforeEach(() => vi.clearAllMocks());
afterEach(cleanup);

const field = () => screen.getByLabelText<HTMLInputElement>("Hours");
const showHours = () =>
  render(<NotationField path={setupPath("pickup", "places", "shed", "hours")} label="Hours" notation={hours} />);

describe("a field with a notation", () => {
  it("shows the value as a text and reads it back in a sentence", () => {
    showHours();
    expect(field().value).toBe("sat 10:00-13:00");
    expect(screen.getByText(/Saturday: 10:00 to 13:00\./)).toBeDefined();
  });

  it("keeps what is understood", () => {
    showHours();
    fireEvent.change(field(), { target: { value: "sat 9 to 5" } });
    const meant = [{ days: ["saturday"], from: "09:00", to: "17:00" }];
    expect(acts.try).toHaveBeenLastCalledWith("pickup/places/shed/hours", meant);
    fireEvent.blur(field());
    expect(acts.set).toHaveBeenCalledWith("pickup/places/shed/hours", meant);
  });

  it("leaves a text it cannot read where it is, says how to write it, and sends nothing", () => {
    showHours();
    fireEvent.change(field(), { target: { value: "whenever we like" } });
    expect(screen.queryByRole("alert")).toBeNull();
    fireEvent.blur(field());
    expect(screen.getByRole("alert").textContent).toContain("mon-fri 10:00-17:00; sat 10:00-13:00");
    expect(field().value).toBe("whenever we like");
    expect(acts.set).not.toHaveBeenCalled();
    expect(acts.try).not.toHaveBeenCalled();
    fireEvent.keyDown(field(), { key: "Escape" });
    expect(field().value).toBe("sat 10:00-13:00");
  });

  it("takes the same in fields, and a row more", () => {
    render(<NotationField path={setupPath("goods", "products", "kite", "breaks")} label="Breaks" notation={breaks} />);
    fireEvent.click(screen.getByRole("button", { name: "Breaks, in fields" }));
    const rows = within(screen.getByRole("table")).getAllByRole("row").slice(1);
    expect(rows).toHaveLength(2);
    const [from, price] = within(rows[1] as HTMLElement).getAllByRole("textbox");
    fireEvent.change(from as HTMLElement, { target: { value: "50" } });
    fireEvent.change(price as HTMLElement, { target: { value: "12 %" } });
    fireEvent.blur(price as HTMLElement);
    expect(acts.set).toHaveBeenLastCalledWith("goods/products/kite/breaks", [
      { from: "10", price: "7.50" },
      { from: "50", percent: "12" },
    ]);
  });
});
