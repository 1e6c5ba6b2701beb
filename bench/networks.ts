import { spawnSync } from "node:child_process";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import {
  printSpice,
  solveNetwork,
  spiceNames,
  type Network,
  type SolvedNetwork,
} from "@dragonet/core";
import { chanceOf, randomNetwork } from "@dragonet/core/demo";

const MANY = 10_000;
const COMPARED = 2000;

export interface NetworksBench {
  readonly networks: number;
  /** Without an answer, of any kind. */
  readonly unsolved: number;
  /** Drivers that share a voltage: more than one answer, and said so. */
  readonly shares: number;
  readonly seconds: number;
  /** Compared with ngspice node by node, and how many differ by over 1 mV and 0.1 %. */
  readonly compared: number;
  readonly differ: number;
  /** Decks that ngspice itself found no point for. */
  readonly spiceUnsolved: number;
}

/** A deck that begins at our answer, so that ngspice is asked whether it holds. */
function deckOf(
  network: Network,
  solved: SolvedNetwork,
  names: ReadonlyMap<string, string>,
): string {
  const start = [...names]
    .filter(([, name]) => name !== "0")
    .map(([node, name]) => `V(${name})=${solved.volts.get(node as never)!.toExponential(9)}`);
  const control = ".control\nset numdgt=12\nop\nprint all\n.endc\n.end\n";
  return printSpice(network, "by chance").replace(
    ".op\n.end\n",
    `.nodeset ${start.join(" ")}\n${control}`,
  );
}

function differs(file: string, network: Network, solved: SolvedNetwork): boolean | null {
  const names = spiceNames(network);
  writeFileSync(file, deckOf(network, solved, names));
  const { stdout } = spawnSync("ngspice", ["-b", file], { encoding: "utf8" });
  const theirs = new Map(
    [...stdout.matchAll(/^([a-z0-9_#]+) = (-?[\d.]+e[+-]\d+)$/gm)].map(
      ([, name, value]) => [name!, Number(value)] as const,
    ),
  );
  if (theirs.size === 0) return null;
  return [...names].some(([node, name]) => {
    if (name === "0") return false;
    const [mine, spice] = [solved.volts.get(node)!, theirs.get(name) ?? NaN];
    return !(Math.abs(mine - spice) <= Math.max(1e-3, 1e-3 * Math.abs(spice)));
  });
}

/** The solver on networks by chance: how many have no answer, and what ngspice says of the rest. */
export function benchNetworks(): NetworksBench {
  let [unsolved, shares] = [0, 0];
  const began = performance.now();
  for (let seed = 1; seed <= MANY; seed += 1) {
    const { kind } = solveNetwork(randomNetwork(chanceOf(seed)));
    if (kind === "unstableShare") shares += 1;
    else if (kind !== "solved") unsolved += 1;
  }
  const seconds = (performance.now() - began) / 1000;
  let [compared, differ, spiceUnsolved] = [0, 0, 0];
  const folder = mkdtempSync(join(tmpdir(), "dragonet-networks-"));
  try {
    for (let seed = MANY + 1; seed <= MANY + COMPARED; seed += 1) {
      const network = randomNetwork(chanceOf(seed));
      const solved = solveNetwork(network);
      if (solved.kind !== "solved") continue;
      const wrong = differs(join(folder, "deck.cir"), network, solved);
      if (wrong === null) spiceUnsolved += 1;
      else compared += 1;
      if (wrong) differ += 1;
    }
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
  return { networks: MANY, unsolved, shares, seconds, compared, differ, spiceUnsolved };
}
