import {
  decimal,
  faults,
  homeWords,
  secondsText,
  synthesise,
  type FaultResult,
} from "@dragonet/core";
import { printJson, type Verb } from "../world.ts";

function faultText(f: FaultResult): string {
  if (f.outcome !== "solved") return `${f.words}\n      ${homeWords(f)}\n`;
  const opens = f.opens
    ? `${f.opens.words} opens at ${decimal(f.opens.currentA, 0)} A within ${f.opens.time.mostS === Infinity ? "perhaps no time" : secondsText(f.opens.time.mostS)}`
    : "no fuse opens";
  const parts = [
    opens,
    f.overheats === null ? "" : `${f.overheats} may burn first`,
    f.dark.length > 0 ? `dark: ${f.dark.join(", ")}` : "",
    f.staysOn.length > 0 ? `cannot be turned off: ${f.staysOn.join(", ")}` : "",
    f.chafes.length > 0 ? `may chafe at ${f.chafes.join(", ")}` : "",
    homeWords(f),
  ];
  return `${f.words}\n      ${parts.filter((p) => p !== "").join("; ")}\n`;
}

/** As it is read by other programs: whether it was solved in a word of its own. */
const printed = ({ outcome, overheats, ...rest }: FaultResult) => ({
  ...rest,
  overheats: overheats ?? "",
  solved: outcome === "solved",
  chatters: outcome === "chatters",
});

export const faultsVerb: Verb = ({ job, json, world }) => {
  const found = faults(job, synthesise(job)) ?? [];
  // What has no solution is told first: nothing is known of it.
  const unsolved = found.filter((f) => f.outcome !== "solved");
  const results = [...unsolved, ...found.filter((f) => f.outcome === "solved")];
  if (json) printJson(world, results.map(printed));
  else for (const f of results) world.out(faultText(f));
  return results.some((f) => f.ridesHome === "no") || unsolved.length > 0 ? 1 : 0;
};
