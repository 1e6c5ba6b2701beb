import { spawnSync } from "node:child_process";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

/** Node voltages by name, as ngspice (Debian package) finds them for a deck that ends in `.op .end`. */
export function ngspice(deck: string): Map<string, number> {
  const folder = mkdtempSync(join(tmpdir(), "dragonet-spice-"));
  try {
    const file = join(folder, "deck.cir");
    const control = ".control\nset numdgt=12\nop\nprint all\n.endc\n.end\n";
    writeFileSync(file, deck.replace(/\.op\n\.end\n$/, control));
    const { stdout, stderr, error } = spawnSync("ngspice", ["-b", file], { encoding: "utf8" });
    if (error) throw error;
    const found = [...stdout.matchAll(/^([a-z0-9_#.]+) = (-?[\d.]+e[+-]\d+)$/gm)];
    if (found.length === 0) throw new Error(`ngspice said nothing:\n${stdout}\n${stderr}`);
    return new Map(found.map(([, name, value]) => [name!, Number(value)]));
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
