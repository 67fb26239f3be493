// @vitest-environment happy-dom
import { cleanup, fireEvent, render, screen, waitFor } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import type { SetupPath } from "./paths";
import { Sheet } from "./Sheet";

const acts = { try: vi.fn(), set: vi.fn(), paste: vi.fn(), stopTrying: vi.fn() };
const marks = { setAt: vi.fn(), arrived: vi.fn() };
const spotlight = { at: "", lit: new Set<string>(), wanted: "" };

vi.mock("../desk/bench", () => ({
  useBench: () => ({ draft: { document: {} } }),
  useActs: () => acts,
  useMarks: () => marks,
  useSpotlight: () => spotlight,
  useTroubles: () => ({ problems: [], refusals: {} }),
}));

const texts: Record<string, string> = { "ireland/letter": "2.20", "ireland/tube": "6.90", "britain/letter": "3.40" };

const sheet = (openRow = vi.fn()) =>
  render(
    <Sheet
      label="Rates"
      corner="Zone"
      rows={["ireland", "britain"].map((id) => ({ id, name: id }))}
      columns={["letter", "tube"].map((id) => ({ id, name: id }))}
      pathOf={(row, column) => `${row.id}/${column.id}` as SetupPath}
      textOf={(row, column) => texts[`${row.id}/${column.id}`] ?? ""}
      empty="not offered"
      openRow={openRow}
    />,
  );

const cell = (name: string) => screen.getByRole("gridcell", { name });
const edits = () => acts.paste.mock.calls[0]?.[0] as { path: string; now: unknown }[];

describe("a sheet", () => {
  beforeEach(() => {
    vi.clearAllMocks();
    acts.set.mockResolvedValue(true);
  });
  afterEach(cleanup);

  it("moves with the arrows and stops at its edges", () => {
    sheet();
    fireEvent.focus(cell("ireland, letter"));
    fireEvent.keyDown(cell("ireland, letter"), { key: "ArrowRight" });
    expect(document.activeElement).toBe(cell("ireland, tube"));
    fireEvent.keyDown(cell("ireland, tube"), { key: "ArrowRight" });
    expect(document.activeElement).toBe(cell("ireland, tube"));
    fireEvent.keyDown(cell("ireland, tube"), { key: "ArrowDown" });
    expect(document.activeElement).toBe(cell("britain, tube"));
  });

  it("tries what is typed, keeps it with Enter and goes on below", async () => {
    sheet();
    fireEvent.keyDown(cell("ireland, tube"), { key: "7" });
    fireEvent.focus(cell("ireland, tube"));
    fireEvent.keyDown(cell("ireland, tube"), { key: "7" });
    const input = screen.getByRole("textbox");
    fireEvent.change(input, { target: { value: "7.77" } });
    expect(acts.try).toHaveBeenLastCalledWith("ireland/tube", "7.77");
    fireEvent.keyDown(input, { key: "Enter" });
    await waitFor(() => expect(document.activeElement).toBe(cell("britain, tube")));
    expect(acts.set).toHaveBeenCalledExactlyOnceWith("ireland/tube", "7.77");
  });

  it("stays in a cell that was refused, with what was typed", async () => {
    acts.set.mockResolvedValue(false);
    sheet();
    fireEvent.focus(cell("ireland, tube"));
    fireEvent.keyDown(cell("ireland, tube"), { key: "x" });
    fireEvent.keyDown(screen.getByRole("textbox"), { key: "Enter" });
    await waitFor(() => expect(acts.set).toHaveBeenCalled());
    expect(screen.getByRole("textbox")).toHaveProperty("value", "x");
    fireEvent.keyDown(screen.getByRole("textbox"), { key: "Escape" });
    expect(screen.queryByRole("textbox")).toBeNull();
    expect(cell("ireland, tube").textContent).toBe("6.90");
  });

  it("leaves the desk's own keys to the desk", () => {
    sheet();
    fireEvent.focus(cell("ireland, tube"));
    for (const key of ["/", "?", "[", "]"]) fireEvent.keyDown(cell("ireland, tube"), { key });
    expect(screen.queryByRole("textbox")).toBeNull();
  });

  it("fills what is marked down, and empties it, as one change", () => {
    sheet();
    fireEvent.focus(cell("ireland, letter"));
    fireEvent.keyDown(cell("ireland, letter"), { key: "ArrowDown", shiftKey: true });
    fireEvent.keyDown(cell("britain, letter"), { key: "d", ctrlKey: true });
    expect(edits()).toMatchObject([{ path: "britain/letter", now: "2.20" }]);
    acts.paste.mockClear();
    fireEvent.keyDown(cell("britain, letter"), { key: "Delete" });
    expect(edits().map((edit) => edit.path)).toEqual(["ireland/letter", "britain/letter"]);
  });

  it("takes a pasted block from the active cell on, and drops what falls outside", () => {
    sheet();
    fireEvent.focus(cell("ireland, tube"));
    fireEvent.paste(cell("ireland, tube"), { clipboardData: { getData: () => "1.00\t9.99\n2.00\t9.99" } });
    expect(edits()).toMatchObject([
      { path: "ireland/tube", now: "1.00" },
      { path: "britain/tube", now: "2.00" },
    ]);
  });

  it("unfolds the row of a cell with Space", () => {
    const open = vi.fn();
    sheet(open);
    fireEvent.focus(cell("britain, letter"));
    fireEvent.keyDown(cell("britain, letter"), { key: " " });
    expect(open).toHaveBeenCalledWith({ id: "britain", name: "britain" });
  });
});
