import { dateIn, machineIn, vehicleIn, type Span } from "./aboutJob.ts";
import { customerIn } from "./customerIn.ts";
import { circuitsOf, distinct } from "./finish.ts";
import { kitsIn } from "./kitsIn.ts";
import { hungOn } from "./hungOn.ts";
import { Reader } from "./read/reader.ts";
import { pinText } from "../synthesis/index.ts";
import type { Vehicle } from "../vehicle/index.ts";
import type { SaidCircuit, SaidJob, SentenceWorld } from "./said.ts";
import { tokensOf, type Token } from "./word/token.ts";

const COMMA: Token = { word: ",", raw: ",", at: 0, end: 0 };

/** What a lamp that comes in another's place is taken to hang on, and how it joins that wire. */
function replacedWords(vehicle: Vehicle, circuit: SaidCircuit): string[] {
  const { name, replaces } = circuit;
  if (replaces === null) return [];
  const pin = hungOn(vehicle, circuit);
  if (!pin) {
    return [
      `${name}: planned as added, for the wire that the old one hangs on is not in the connector map`,
    ];
  }
  const joined = replaces === "splice" ? "spliced to" : "on";
  return [`${name}: ${joined} ${pinText(vehicle, pin)}, taken for the wire of what goes`];
}

/**
 * Reads what is wanted out of one sentence, forgiving typing; whatever is not understood is told,
 * never dropped silently.
 */
export function readSentence(text: string, world: SentenceWorld): SaidJob {
  const tokens = tokensOf(text);
  const taken = new Array<boolean>(tokens.length).fill(false);
  const take = <T>(span: Span<T> | null): T | null => {
    if (!span) return null;
    taken.fill(true, span.at, span.end);
    return span.meaning;
  };
  const promised = take(dateIn(text, tokens, world.today)) ?? "";
  const vehicleSpan = vehicleIn(tokens, world);
  const vehicle = take(vehicleSpan) ?? world.vehicle;
  const machine = take(vehicleSpan && machineIn(text, tokens, vehicleSpan.end)) ?? "";
  const customer = take(customerIn(text, tokens, world, (i) => taken[i] === true)) ?? "";
  const spans = kitsIn(tokens, world.shelf, (i) => taken[i] === true);
  const kits = spans.flatMap((span) => take(span) ?? []);
  // What is spoken for leaves a pause: the words around it are no neighbours.
  const rest = tokens.map((token, i) => (taken[i] === true ? COMMA : token));
  const reader = new Reader(rest, world, vehicle);
  reader.read();
  const assumed: string[] = [];
  const circuits = distinct(reader.drafts.flatMap((draft) => circuitsOf(draft, assumed)));
  if (vehicle) assumed.push(...circuits.flatMap((circuit) => replacedWords(vehicle, circuit)));
  return {
    words: text.trim(),
    ...{ vehicle, machine, customer, promised, circuits, kits, assumed },
    notUnderstood: reader.unknown
      .sort(([a], [b]) => a - b)
      .map(([from, to]) => text.slice(tokens[from]?.at ?? 0, tokens[to - 1]?.end ?? text.length)),
  };
}
