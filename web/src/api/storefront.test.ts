import ts from "typescript";
import { expect, it } from "vitest";

const example = new URL("../../../docs/formats/examples/tern-and-tether.store.jsonld", import.meta.url).pathname;
const file = new URL("./storefront.checked.ts", import.meta.url).pathname;

/** What the compiler says of a value that claims to be of a schema.org type. */
function complaints(value: string): string[] {
  const source = `import type { OnlineStore, WithContext } from "schema-dts";\nexport const store: WithContext<OnlineStore> = ${value};\n`;
  const options: ts.CompilerOptions = {
    strict: true,
    noEmit: true,
    skipLibCheck: true,
    module: ts.ModuleKind.ESNext,
    moduleResolution: ts.ModuleResolutionKind.Bundler,
    target: ts.ScriptTarget.ES2022,
    types: [],
  };
  const host = ts.createCompilerHost(options);
  const { getSourceFile, fileExists, readFile } = host;
  host.getSourceFile = (name, version) =>
    name === file ? ts.createSourceFile(name, source, version) : getSourceFile.call(host, name, version);
  host.fileExists = (name) => name === file || fileExists.call(host, name);
  host.readFile = (name) => (name === file ? source : readFile.call(host, name));
  const program = ts.createProgram([file], options, host);
  return ts
    .getPreEmitDiagnostics(program)
    .map((diagnostic) => ts.flattenDiagnosticMessageText(diagnostic.messageText, " "));
}

// Source: schema.org's published vocabulary, as the npm package schema-dts has it in types: types, properties and what they may hold.
it("the shop's data is what schema.org publishes", { timeout: 60_000 }, () => {
  const text = ts.sys.readFile(example) ?? "";
  expect(complaints(text)).toEqual([]);
  expect(complaints(text.replace("MerchantReturnFiniteReturnWindow", "SomeReturnWindow"))).not.toEqual([]);
  expect(complaints(text.replace('"merchantReturnDays"', '"daysToReturn"'))).not.toEqual([]);
});
