/**
 * Takes a seeded sample of functions, and of statements in them, into a mutation run: what is left
 * out is left out whole, so that a folder of thousands of mutants is judged by some hundreds.
 */
import { PluginKind, declareValuePlugin } from "@stryker-mutator/api/plugin";

const share = Number(process.env.DRAGONET_MUTANT_SHARE ?? "1");
const seed = process.env.DRAGONET_MUTANT_SEED ?? "1";

/** FNV-1a, as a share of its range: the same place gives the same answer in every run. */
function chance(text) {
  let hash = 0x811c9dc5;
  for (const letter of text) {
    hash ^= letter.codePointAt(0);
    hash = Math.imul(hash, 0x01000193);
  }
  // The low bits of a short text hardly differ: mix them once more.
  hash ^= hash >>> 15;
  hash = Math.imul(hash, 0x2c1b3c6d);
  hash ^= hash >>> 12;
  return (hash >>> 0) / 2 ** 32;
}

/** What is taken or left whole: a statement, and what a decorator says (routes and their words). */
const STATEMENTS = new Set([
  "VariableDeclaration",
  "ReturnStatement",
  "ExpressionStatement",
  "Decorator",
]);

const FUNCTIONS = new Set(["ClassMethod", "FunctionDeclaration"]);

export const strykerPlugins = [
  declareValuePlugin(PluginKind.Ignore, "sample", {
    shouldIgnore(path) {
      const { node } = path;
      if (share >= 1 || !node.loc) return undefined;
      const { line, column } = node.loc.start;
      const here = `${seed}:${line}:${column}:${node.end - node.start}`;
      const condition = path.key === "test";
      if (!condition && !STATEMENTS.has(node.type) && !FUNCTIONS.has(node.type)) return undefined;
      // One in so many functions, and of each one in so many statements: together the share.
      return chance(here) < Math.sqrt(share) ? undefined : "not in the sample";
    },
  }),
];
