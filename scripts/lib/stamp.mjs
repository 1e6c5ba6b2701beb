import { createHash } from "node:crypto";
import { existsSync, mkdirSync, readFileSync, readdirSync, statSync, writeFileSync } from "node:fs";
import { dirname, join, relative } from "node:path";
import { ROOT, fromRoot } from "./paths.mjs";

const SKIP = new Set(["node_modules", "dist", "test", ".git", "coverage"]);

function* filesBelow(path) {
  const info = statSync(path, { throwIfNoEntry: false });
  if (!info) return;
  if (info.isFile()) {
    yield path;
    return;
  }
  for (const name of readdirSync(path).sort()) {
    if (!SKIP.has(name) && !name.startsWith(".data")) yield* filesBelow(join(path, name));
  }
}

/** Hash of files and folders by their contents and their names below the root: a moved or copied project has the same. */
export function hashOf(paths) {
  const hash = createHash("sha256");
  for (const path of paths) {
    for (const file of filesBelow(fromRoot(path))) {
      hash.update(relative(ROOT, file)).update("\0").update(readFileSync(file));
    }
  }
  return hash.digest("hex");
}

/** Does work again only when the stamp in a file differs. */
export function whenStale(stampFile, stamp, work) {
  const file = fromRoot(stampFile);
  if (existsSync(file) && readFileSync(file, "utf8") === stamp) return;
  work();
  mkdirSync(dirname(file), { recursive: true });
  writeFileSync(file, stamp);
}
