import ts from "typescript";
import { describe, expect, it } from "vitest";
import english from "../../../catalogue/en/desk.json";

const files = import.meta.glob<string>(["../**/*.{ts,tsx}", "!../**/*.test.{ts,tsx}", "!../api/**"], {
  query: "?raw",
  import: "default",
  eager: true,
});
/** Two words, or one that begins a sentence or a label. Words alone in small letters are codes. */
const WORDED = /[A-Za-z]{2,} [a-z]{2,}|^[A-Z][a-z]{2,}/;
/** Formats of files, names of keys and of parts of HTTP and the page; and looks. */
const NOT_SAID =
  /^(Arrow(Up|Down)|Enter|Escape|Delete|Backspace|Tab|Content-Type|outside of the bench|paid in part|refunded in part|dispute lost|every day|Basket|Where|How|Pay|in part|counter of|IBAN)$|(^| )(btn|flex|grid|border|mt|mb|text|w|max|min|block|fixed|inplace|seg|font|px|py|ps|pe|ms|me|input|modal|quiet|figure|relative|absolute|hatch|progress|my|bg|h|lit|kbd|was)(-|$| )/;
/**
 * How prices, measures and times are written in files, which is a format and not a language; what a card service answers
 * with; what a country calls its postcodes; what people call countries and money when they type them.
 */
const FORMATS =
  /counter.(address|token)\.ts$|named\.ts$|notation\/\w+\.ts$|CellReading\.tsx$|RuleFields\.tsx$|WorkingDays\.tsx$/;

/** Sentences and labels written in a file instead of a catalogue. */
function written(path: string, text: string): string[] {
  const kind = path.endsWith(".tsx") ? ts.ScriptKind.TSX : ts.ScriptKind.TS;
  const source = ts.createSourceFile(path, text, ts.ScriptTarget.Latest, true, kind);
  const found: string[] = [];
  const visit = (node: ts.Node): void => {
    if (ts.isImportDeclaration(node)) return;
    if (ts.isJsxAttribute(node) && node.name.getText(source) === "className") return;
    if (ts.isJsxText(node) && /[A-Za-z]{2}/.test(node.text)) found.push(node.text.trim());
    const literal = ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node) ? node.text : undefined;
    if (literal && WORDED.test(literal) && !NOT_SAID.test(literal)) found.push(literal);
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found.filter((each) => !["PDF", "UBL", "IBAN"].includes(each));
}

/** Words that are chosen between inside of a sentence that is put together, as in `${name} ${inside ? "inside" : ""}`. */
function chosenWords(path: string, text: string): string[] {
  const kind = path.endsWith(".tsx") ? ts.ScriptKind.TSX : ts.ScriptKind.TS;
  const source = ts.createSourceFile(path, text, ts.ScriptTarget.Latest, true, kind);
  const found: string[] = [];
  const visit = (node: ts.Node): void => {
    if (ts.isJsxAttribute(node) && node.name.getText(source) === "className") return;
    if (ts.isTemplateSpan(node) && ts.isConditionalExpression(node.expression)) {
      const { whenTrue, whenFalse } = node.expression;
      const words = [whenTrue, whenFalse].filter(ts.isStringLiteral).map((each) => each.text.trim());
      if (words.length === 2 && words.every((each) => /^[a-z]{3,}$/.test(each))) found.push(words.join(" or "));
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

describe("what a screen says", () => {
  it("chooses no words inside of a sentence", () => {
    // biome-ignore lint/suspicious/noTemplateCurlyInString: it is the source that is read
    expect(chosenWords("planted.tsx", 'const a = `${name} ${inside ? "inside" : "added"}`;')).toEqual([
      "inside or added",
    ]);
    expect(Object.entries(files).flatMap(([path, text]) => chosenWords(path, text))).toEqual([]);
  });

  it("writes amounts and days as who sits at the desk reads them", () => {
    const found = Object.entries(files)
      .filter(([path]) => path.includes("/orders/"))
      .filter(([, text]) =>
        /(?:money|DateTimeFormat)\([^)]*(?<!readIn\([a-z.]*)shop\.language|\{ language[ ,]/.test(text),
      )
      .map(([path]) => path);
    expect(found).toEqual([]);
  });

  it("stands in the catalogues, and nowhere else", () => {
    expect(Object.keys(files).length).toBeGreaterThan(90);
    const found = Object.entries(files)
      .filter(([path]) => !FORMATS.test(path))
      .flatMap(([path, text]) => written(path, text).map((words) => `${path}: ${words}`));
    expect(found).toEqual([]);
  });

  it("has no phrase that nothing says", () => {
    const sources = Object.values(files).join("\n");
    const unsaid = Object.keys(english)
      .map((code) => code.replace(/^desk\./, ""))
      .filter((name) => !name.includes(".") && !sources.includes(`"${name}"`));
    expect(unsaid).toEqual([]);
  });

  it("is found where it is planted", () => {
    expect(written("planted.tsx", "const a = <p>Nothing yet</p>;")).toEqual(["Nothing yet"]);
    expect(written("planted.tsx", 'const a = <p title="Not yet sent" />;')).toEqual(["Not yet sent"]);
    expect(written("planted.tsx", 'const a = say("nothingYet");')).toEqual([]);
  });
});
