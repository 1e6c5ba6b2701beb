import { PLACE_WORDS, conditionText } from "../job/index.ts";
import type { SaidCircuit, SaidJob } from "./said.ts";

function circuitText({ count, part, place, condition, relay, series, feed }: SaidCircuit): string {
  const always = condition.anyOf.every((group) => group.length === 0);
  return [
    `${count} × ${part.name} ${PLACE_WORDS[place]}`,
    always ? "always on" : `with ${conditionText(condition)}`,
    ...(feed.kind === "usual" || feed.kind === "pin" ? [] : [`from the ${feed.kind}`]),
    ...(relay === "auto" ? [] : [relay === "yes" ? "with a relay" : "without a relay"]),
    ...(series ? ["in series"] : []),
  ].join(" ");
}

/** A job in one sentence that reads back the same. */
export function printSentence(said: SaidJob): string {
  const { vehicle, machine, customer, promised } = said;
  return [
    said.circuits.map(circuitText).join("; "),
    ...(vehicle ? [`on the ${vehicle.model}${machine === "" ? "" : ` (${machine})`}`] : []),
    ...(customer === "" ? [] : [`for ${customer}`]),
    ...(promised === "" ? [] : [`by ${promised}`]),
  ].join(", ");
}
