/** One word for one thing: what docs/glossary.md has settled is what screens, paper and answers say. */
import { readFileSync, readdirSync } from "node:fs";
import { join } from "node:path";
import ts from "typescript";

const ROOT = join(__dirname, "../..");

/** The glossary's table of words that are not used, each with how it is looked for. */
const NOT_USED: readonly (readonly [word: string, look: RegExp])[] = [
  ["run", /\b(a|an?other|the|this|that|each|no|new|one|two|several|second|which|of) runs?\b/i],
  ["run", /^runs?$|\bruns (are|have|share)\b|\brun’s\b/i],
  ["strip", /^strips?$|\bstrip (sheet|of|ledger)\b|\b(led|tail|time) strips?\b/i],
  [
    "way",
    /^ways?( \$\{|$)|\b(compare|four|two|its|several|which) ways?\b(?! up| a | back| it | round)/i,
  ],
  ["feed or control", /\bfeed or control\b/i],
  ["wired otherwise", /\bwired otherwise\b/i],
  ["in the way", /\bin the way\b|\bin its way\b/i],
  ["live with", /^live with\b|: live with\b/i],
  ["may give", /^may give\b|: may give\b/i],
  ["lets go above", /\blets go above\b/i],
  ["comes up within", /\bcomes up within\b/i],
  ["no start below", /\bno start below\b/i],
  ["on with all of", /\bon with all of\b/i],
  ["side by side", /^side by side$|lamps side by side/i],
  ["six-lobe", /\bsix-lobe (bits?|\d|M\d)/i],
  ["as needed", /\bas needed$/i],
  ["sundry", /\bsundr(y|ies)\b/i],
  ["helping relay", /\bhelping relays?\b/i],
  ["peukert exponent", /\bpeukert exponent\b/i],
];

/** Where such words stand that nobody is shown, or that are other people's. */
const NOT_SHOWN = /\/(dist|node_modules|test)\/|\/demo\/|\/sentence\//;

const files = [
  "apps/web/src",
  "apps/server/src",
  "apps/cli/src",
  "packages/core/src",
  "packages/loom/src",
]
  .flatMap((folder) =>
    readdirSync(join(ROOT, folder), { recursive: true, encoding: "utf8" }).map(
      (file) => `${folder}/${file}`,
    ),
  )
  .filter((file) => /\.tsx?$/.test(file) && !NOT_SHOWN.test(file));

/** Attributes and fields whose values are for the machine. */
const NO_WORDS = /^(className|d|id|name|key|path|to|kind|entity|field|value|type|look|rule)$/;

const isShown = (text: string): boolean => /\s|^\p{Lu}/u.test(text);

/** Every text of a file that somebody may read, with its line. */
function textsOf(file: string): { readonly line: number; readonly text: string }[] {
  const source = ts.createSourceFile(
    file,
    readFileSync(join(ROOT, file), "utf8"),
    ts.ScriptTarget.Latest,
    true,
    file.endsWith("x") ? ts.ScriptKind.TSX : ts.ScriptKind.TS,
  );
  const found: { line: number; text: string }[] = [];
  const take = (node: ts.Node, text: string): void => {
    const plain = text.trim().replace(/\s+/g, " ");
    if (!ts.isJsxText(node) && !isShown(plain)) return;
    found.push({
      line: source.getLineAndCharacterOfPosition(node.getStart()).line + 1,
      text: plain,
    });
  };
  const visit = (node: ts.Node): void => {
    if (ts.isImportDeclaration(node) || ts.isExportDeclaration(node) || ts.isTypeNode(node)) return;
    if (ts.isJsxAttribute(node) && NO_WORDS.test(node.name.getText())) return;
    if (ts.isPropertyAssignment(node) && NO_WORDS.test(node.name.getText())) return;
    if (
      ts.isJsxText(node) ||
      ts.isStringLiteral(node) ||
      ts.isNoSubstitutionTemplateLiteral(node)
    ) {
      take(node, node.text);
    } else if (ts.isTemplateExpression(node)) {
      take(node, node.getText().slice(1, -1));
      for (const { expression } of node.templateSpans) visit(expression);
      return;
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

describe("words", () => {
  it("that the glossary has done away with are nowhere shown", () => {
    expect(files.length).toBeGreaterThan(400);
    const shown = files.flatMap((file) =>
      textsOf(file).flatMap(({ line, text }) =>
        NOT_USED.filter(([, look]) => look.test(text)).map(
          ([word]) => `${file}:${line}: “${word}” in “${text}”`,
        ),
      ),
    );
    expect(shown).toEqual([]);
  });

  it("that are done away with stand in the glossary, each with what is said instead", () => {
    const glossary = readFileSync(join(ROOT, "docs/glossary.md"), "utf8");
    const table = glossary.slice(glossary.indexOf("## Words that are not used"));
    const rows = table
      .split("\n")
      .filter((line) => line.startsWith("| "))
      .map((line) => line.split("|").map((cell) => cell.trim()));
    const instead = new Map(rows.map(([, word = "", said = ""]) => [word.toLowerCase(), said]));
    const without = NOT_USED.filter(([word]) => (instead.get(word) ?? "") === "");
    expect(without).toEqual([]);
  });
});
