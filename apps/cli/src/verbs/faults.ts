import { decimal, faults, synthesise, type FaultResult, secondsText } from "@dragonet/core";
import { printJson, type Verb } from "../world.ts";

function faultText(f: FaultResult): string {
  const opens = f.opens
    ? `${f.opens.words} opens at ${decimal(f.opens.currentA, 0)} A within ${f.opens.time.mostS === Infinity ? "perhaps no time" : secondsText(f.opens.time.mostS)}`
    : "no fuse opens";
  const parts = [
    opens,
    f.overheats === "" ? "" : `${f.overheats} may burn first`,
    f.dark.length > 0 ? `dark: ${f.dark.join(", ")}` : "",
    f.staysOn.length > 0 ? `cannot be turned off: ${f.staysOn.join(", ")}` : "",
    f.chafes.length > 0 ? `may chafe at ${f.chafes.join(", ")}` : "",
    f.ridesHome === "yes" ? "rides home" : f.ridesHome === "no" ? "ignition gone" : "lights gone",
  ];
  return `${f.words}\n      ${parts.filter((p) => p !== "").join("; ")}\n`;
}

export const faultsVerb: Verb = ({ job, json, world }) => {
  const results = faults(job, synthesise(job)) ?? [];
  if (json) printJson(world, results);
  else for (const f of results) world.out(faultText(f));
  return results.some((f) => f.ridesHome === "no") ? 1 : 0;
};
