import { mkdirSync, writeFileSync } from "node:fs";
import { dirname } from "node:path";

/** Writes a file, with the folders it is to lie in where they are not there yet. */
export function writeFile(path: string, text: string): void {
  mkdirSync(dirname(path), { recursive: true });
  writeFileSync(path, text);
}
