import { synthesise, toolsOf } from "@dragonet/core";
import { printJson, type Verb } from "../world.ts";

/** What to lay out before the first step. */
export const toolsVerb: Verb = ({ job, json, world }) => {
  const tools = toolsOf(job, synthesise(job));
  if (json) printJson(world, tools);
  else for (const { name, why } of tools) world.out(`${name.padEnd(44)} ${why}\n`);
  return 0;
};
