import { describe, expect, it } from "vitest";
import type { Finding } from "../api/client";
import { causesOf } from "./Findings";

const finding = (id: string, severity: Finding["severity"], path: string) =>
  ({ id, severity, path, station: "tax", sentence: path, remedy: "" }) as Finding;

describe("findings", () => {
  it("stand together by their cause, what blocks first, and none is lost", () => {
    const all = [
      finding("rows-end", "look-at-this", "a"),
      finding("no-rate", "blocks-opening", "b"),
      finding("rows-end", "look-at-this", "c"),
      finding("rows-end", "note", "d"),
    ];
    const causes = causesOf(all);
    expect(causes.map((cause) => [cause.id, cause.findings.map((each) => each.path)])).toEqual([
      ["no-rate", ["b"]],
      ["rows-end", ["a", "c"]],
      ["rows-end", ["d"]],
    ]);
    expect(causes.flatMap((cause) => cause.findings)).toHaveLength(all.length);
  });
});
