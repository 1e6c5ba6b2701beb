import { endWords, terminalNode, toldUnits } from "@dragonet/core";
import { solveJob } from "../solved.ts";
import { printJson, type Verb } from "../world.ts";

/** Every unit with its terminals, and its inside in this state as SPICE lines. */
export const unitsVerb: Verb = ({ job, controls, json, world }) => {
  const made = solveJob(job, controls, world);
  if (!made) return 1;
  const { circuit, solved } = made;
  const units = toldUnits(circuit, solved.options, solved.result.volts);
  if (json) {
    printJson(world, units);
    return 0;
  }
  for (const unit of circuit.units.values()) {
    world.out(`${unit.id}  ${unit.kind}: ${unit.name}\n`);
    for (const { name } of unit.terminals) {
      world.out(`    ${endWords(circuit, terminalNode(unit.id, name))}\n`);
    }
  }
  return 0;
};
