/** What packages offer to others says what it is, where it is declared. */
import { readFileSync } from "node:fs";
import { join, relative } from "node:path";
import ts from "typescript";

const ROOT = join(__dirname, "../..");
const FACES = [
  "packages/core/src/index.ts",
  "packages/core/src/demo/index.ts",
  "packages/contract/src/index.ts",
  "packages/loom/src/index.ts",
  "packages/template/src/index.ts",
];

const base = JSON.parse(readFileSync(join(ROOT, "tsconfig.base.json"), "utf8")) as {
  compilerOptions: Record<string, unknown>;
};
const { options } = ts.convertCompilerOptionsFromJson(
  { ...base.compilerOptions, types: [], lib: ["ES2023", "DOM"], noEmit: true },
  ROOT,
);
const program = ts.createProgram(
  FACES.map((face) => join(ROOT, face)),
  options,
);
const checker = program.getTypeChecker();

/** Where a thing that is offered is declared, and whether it says what it is. */
function offeredBy(face: string): { readonly where: string; readonly said: boolean }[] {
  const file = program.getSourceFile(join(ROOT, face));
  const module = file && checker.getSymbolAtLocation(file);
  if (!module) throw new Error(`${face} offers nothing`);
  return checker.getExportsOfModule(module).map((offered) => {
    const alias = (offered.flags & ts.SymbolFlags.Alias) !== 0;
    const symbol = alias ? checker.getAliasedSymbol(offered) : offered;
    const from = symbol.declarations?.[0]?.getSourceFile().fileName ?? face;
    const words =
      symbol.getDocumentationComment(checker).length + symbol.getJsDocTags(checker).length;
    return { where: `${relative(ROOT, from)}: ${symbol.name}`, said: words > 0 };
  });
}

describe("the packages' public exports", () => {
  it.each(FACES)("%s: each says what it is", (face) => {
    const offered = offeredBy(face);
    expect(offered.length).toBeGreaterThan(0);
    expect(offered.filter(({ said }) => !said).map(({ where }) => where)).toEqual([]);
  });
});
