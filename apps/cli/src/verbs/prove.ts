import { provenJob } from "@dragonet/core";
import { printJson, type Verb } from "../world.ts";

export const proveVerb: Verb = ({ job, json, world }) => {
  const proof = provenJob(job);
  if (!proof) return 1;
  if (json) printJson(world, proof);
  else {
    world.out(`${proof.positions} positions, ${proof.lamps} lamps\n`);
    for (const d of proof.differences) {
      world.out(`${d.kind === "dim" ? "FIX " : "STOP"}  ${d.words}\n`);
      if (d.cause) world.out(`      because of ${d.cause.words} (${d.cause.remedy})\n`);
    }
  }
  return proof.differences.some((d) => d.kind !== "dim") ? 1 : 0;
};
