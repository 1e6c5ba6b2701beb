import { readFileSync } from "node:fs";
import { gzipSync } from "node:zlib";
import { fromRoot } from "./paths.mjs";

/** Compressed script and style that the first page of the built application asks for, fonts apart, in kB. */
export function firstPageKb() {
  const dist = fromRoot("apps/web/dist");
  const manifest = JSON.parse(readFileSync(`${dist}/.vite/manifest.json`, "utf8"));
  const files = new Set();
  const seen = new Set();
  const take = (key) => {
    if (seen.has(key)) return;
    seen.add(key);
    const entry = manifest[key];
    files.add(entry.file);
    for (const css of entry.css ?? []) files.add(css);
    for (const next of entry.imports ?? []) take(next);
  };
  take("index.html");
  take("src/board/BoardPage.tsx");
  const bytes = [...files].reduce(
    (sum, f) => sum + gzipSync(readFileSync(`${dist}/${f}`)).length,
    0,
  );
  return bytes / 1000;
}
