import { fixed, spiceNames, terminalVolts, workLevel } from "@dragonet/core";
import { solveJob } from "../solved.ts";
import { printJson, type Verb } from "../world.ts";

export const solveVerb: Verb = ({ job, controls, json, world }) => {
  const made = solveJob(job, controls, world);
  if (!made) return 1;
  const { circuit, solved } = made;
  const nodes = [...spiceNames(solved.network)].map(([node, name]) => ({
    name,
    volts: solved.result.volts.get(node) ?? 0,
  }));
  const branches = solved.network.branches.map((b) => ({
    id: b.id,
    words: b.words,
    amps: solved.result.amps.get(b.id) ?? 0,
  }));
  const lamps = [...circuit.elements.values()].flatMap((e) => {
    if (e.kind !== "load") return [];
    const at = solved.point.at.get(e.id);
    if (!at) return [];
    const volts = at.fromV - at.toV;
    return [
      {
        label: e.label,
        volts,
        amps: at.currentA,
        level: workLevel(e.part.load, volts, at.currentA),
      },
    ];
  });
  if (json) {
    const terminals = terminalVolts(circuit, solved.result.volts);
    printJson(world, { nodes, branches, lamps, terminals, health: solved.result.health });
    return 0;
  }
  for (const n of nodes) world.out(`${fixed(n.volts, 4).padStart(9)} V  ${n.name}\n`);
  for (const b of branches) world.out(`${fixed(b.amps, 4).padStart(9)} A  ${b.id}  ${b.words}\n`);
  for (const l of lamps) {
    world.out(
      `${fixed(l.level * 100, 1).padStart(7)} %    ${l.label}: ${fixed(l.volts, 3)} V, ${fixed(l.amps, 3)} A\n`,
    );
  }
  return 0;
};
