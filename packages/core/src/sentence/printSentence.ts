import { decimal } from "../quantity/index.ts";
import { PLACE_WORDS, conditionText } from "../job/index.ts";
import type { SaidCircuit, SaidJob } from "./said.ts";

const REPLACES = {
  splice: ["in place of the factory lamps"],
  adapter: ["in place of the factory lamps", "by adapters"],
  plug: ["in place of the factory lamps", "by their plug"],
} as const;

/** "of 2 m in front and at the back" */
const whereWords = ({ place, second, lengthM }: SaidCircuit): string =>
  [
    ...(lengthM > 0 ? [`of ${decimal(lengthM, 2)} m`] : []),
    PLACE_WORDS[place],
    ...(second ? [`and ${PLACE_WORDS[second]}`] : []),
  ].join(" ");

function circuitText(circuit: SaidCircuit): string {
  const { count, part, condition, relay, series, feed, replaces } = circuit;
  const always = condition.anyOf.every((group) => group.length === 0);
  return [
    `${count} × ${part.name} ${whereWords(circuit)}`,
    ...(circuit.dim ? ["dim in the same housing"] : []),
    always ? "always on" : `with ${conditionText(condition)}`,
    ...(feed.kind === "usual" || feed.kind === "pin" ? [] : [`from the ${feed.kind}`]),
    ...(relay === "auto" ? [] : [relay === "yes" ? "with a relay" : "without a relay"]),
    ...(series ? ["in series"] : []),
    ...(replaces ? REPLACES[replaces] : []),
  ].join(" ");
}

/** A circuit as it was understood, to be looked over: how many of what, where, with what, in whose place. */
export function understoodWords(circuit: SaidCircuit): string {
  const { count, part, condition, series, feed, replaces } = circuit;
  return [
    `${count} × ${part.name} ${whereWords(circuit)}`,
    ...(circuit.dim ? ["dim in the same housing"] : []),
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
    [...said.circuits.map(circuitText), ...said.kits.map(({ name }) => name)].join("; "),
    ...(vehicle ? [`on the ${vehicle.model}${machine === "" ? "" : ` (${machine})`}`] : []),
    ...(customer === "" ? [] : [`for ${customer}`]),
    ...(promised === "" ? [] : [`by ${promised}`]),
  ].join(", ");
}
