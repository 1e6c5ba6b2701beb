import { PLACE_WORDS, conditionText } from "../job/index.ts";
import type { SaidCircuit, SaidJob } from "./said.ts";

const REPLACES = {
  splice: ["in place of the factory lamps"],
  adapter: ["in place of the factory lamps", "by adapters"],
  plug: ["in place of the factory lamps", "by their plug"],
} as const;

function circuitText(circuit: SaidCircuit): string {
  const { count, part, place, bothSides, condition, relay, series, feed, replaces } = circuit;
  const where = bothSides ? "on the left and on the right" : PLACE_WORDS[place];
  const always = condition.anyOf.every((group) => group.length === 0);
  return [
    `${count} × ${part.name} ${where}`,
    always ? "always on" : `with ${conditionText(condition)}`,
    ...(feed.kind === "usual" || feed.kind === "pin" ? [] : [`from the ${feed.kind}`]),
    ...(relay === "auto" ? [] : [relay === "yes" ? "with a relay" : "without a relay"]),
    ...(series ? ["in series"] : []),
    ...(replaces ? REPLACES[replaces] : []),
  ].join(" ");
}

/** A circuit as it was understood, to be looked over: how many of what, where, with what, in whose place. */
export function understoodWords(circuit: SaidCircuit): string {
  const { count, part, place, bothSides, condition, series, feed, replaces } = circuit;
  return [
    `${count} × ${part.name} ${bothSides ? "left and right" : PLACE_WORDS[place]}`,
    `on with ${conditionText(condition) || "nothing: always"}`,
    ...(feed.kind === "usual" || feed.kind === "pin" ? [] : [`from the ${feed.kind}`]),
    ...(series ? ["in series"] : []),
    ...(replaces ? REPLACES[replaces] : []),
  ].join(", ");
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
