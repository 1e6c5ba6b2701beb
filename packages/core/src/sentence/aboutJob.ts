import { parse } from "chrono-node/en";
import type { Vehicle, VehicleKind } from "../vehicle/index.ts";
import type { SentenceWorld } from "./said.ts";
import { matches, tokensOf, type Token } from "./word/token.ts";

/** A part of a sentence that is spoken for: tokens from `at` up to `end`. */
export interface Span<T> {
  readonly meaning: T;
  readonly at: number;
  readonly end: number;
}

const BEFORE_DATE: ReadonlySet<string> = new Set([
  ...["by", "until", "till", "before", "due", "ready", "promised", "on", "for"],
]);

const pad = (n: number | null): string => String(n ?? 0).padStart(2, "0");

/** The promised day: what a date library reads, where it is told as one. */
export function dateIn(text: string, tokens: readonly Token[], today: Date): Span<string> | null {
  for (const found of parse(text, today, { forwardDate: true })) {
    const { start, index } = found;
    const [from, to] = [index, index + found.text.length];
    const inside = tokens.flatMap((t, i) => (t.at < to && t.end > from ? [i] : []));
    const [first = 0, last = 0] = [inside[0], inside.at(-1)];
    const told = BEFORE_DATE.has(tokens[first - 1]?.word ?? "");
    const plain = /tomorrow|today|\d{4}-\d{2}-\d{2}|\bin \w+ (day|week)/i.test(found.text);
    // "…, 2 Dec": a number beside a month is a day, whatever stands before it.
    const inMonth = start.isCertain("day") && start.isCertain("month") && /\d/.test(found.text);
    // "40 W" is no Wednesday, and a sun lamp no Sunday.
    const words = /[a-z]{3,}|\d{4}-\d{2}/i.test(found.text);
    const day = start.isCertain("day") || start.isCertain("weekday");
    if (!day || !words || !(told || plain || inMonth)) continue;
    const date = `${start.get("year")}-${pad(start.get("month"))}-${pad(start.get("day"))}`;
    let begin = first;
    while (begin > 0 && BEFORE_DATE.has(tokens[begin - 1]?.word ?? "")) begin -= 1;
    return { meaning: date, at: begin, end: last + 1 };
  }
  return null;
}

/** Words for kinds, and the kinds that people mean by them: many call a scooter a bike. */
const KIND_NAMES: readonly (readonly [words: string, kinds: readonly VehicleKind[]])[] = [
  ...["quad", "atv", "four wheeler"].map((words) => [words, ["quad"]] as const),
  ...["side by side", "side-by-side", "utv"].map((words) => [words, ["sideBySide"]] as const),
  ...["motorcycle", "motorbike", "bike"].map((words) => [words, ["motorcycle"]] as const),
  ["scooter", ["scooter", "motorcycle"]],
  ...["e-bike", "e bike", "ebike"].map((words) => [words, ["eBike", "motorcycle"]] as const),
  ["trike", ["trike"]],
  ["buggy", ["buggy"]],
  ["snow machine", ["snowMachine"]],
  ["golf cart", ["cart"]],
  ["utility cart", ["utilityCart", "cart"]],
  ["cart", ["cart", "utilityCart"]],
  ["mower", ["mower"]],
  ["trailer", ["trailer"]],
];

/** The only vehicle that is of a kind, or of one that goes by its word where there is none of it. */
function onlyOf(vehicles: readonly Vehicle[], kinds: readonly VehicleKind[]): Vehicle | null {
  for (const kind of kinds) {
    const [first, ...others] = vehicles.filter((v) => v.kind === kind);
    if (first) return others.length === 0 ? first : null;
  }
  return null;
}

const BEFORE_VEHICLE: ReadonlySet<string> = new Set(
  "on to onto for the a an his her their our my of customer s".split(" "),
);

interface Named {
  readonly vehicle: Vehicle;
  readonly words: readonly string[];
}

/** Names by which a vehicle may be called: its model, the model without its maker, one word of it. */
function namesOf(vehicles: readonly Vehicle[]): Named[] {
  const wordsOf = (v: Vehicle): string[] => tokensOf(v.model).map((t) => t.word);
  const uses = (word: string): number => vehicles.filter((v) => wordsOf(v).includes(word)).length;
  return vehicles.flatMap((vehicle) => {
    const words = wordsOf(vehicle);
    const single = words.filter((w) => w.length >= 4 && !/^\d/.test(w) && uses(w) === 1);
    return [words, words.slice(1), ...single.map((w) => [w])]
      .filter((name) => name.length > 0)
      .map((name) => ({ vehicle, words: name }));
  });
}

/** The vehicle that is spoken of, by the longest of its names; by its kind where only one is of it. */
export function vehicleIn(
  tokens: readonly Token[],
  { vehicles }: SentenceWorld,
): Span<Vehicle> | null {
  const spanOf = (meaning: Vehicle, at: number, length: number): Span<Vehicle>[] =>
    length > 0 ? [{ meaning, at, end: at + length }] : [];
  const named = namesOf(vehicles).flatMap(({ vehicle, words }) =>
    tokens.flatMap((_, i) => spanOf(vehicle, i, matches(tokens, i, words))),
  );
  const byKind = KIND_NAMES.flatMap(([words, kinds]) => {
    const vehicle = onlyOf(vehicles, kinds);
    if (!vehicle) return [];
    return tokens.flatMap((_, i) => spanOf(vehicle, i, matches(tokens, i, words.split(" "))));
  });
  // The longest name wins; of as long ones, the first that stands there.
  const [found] = (named.length > 0 ? named : byKind).sort(
    (a, b) => b.end - b.at - (a.end - a.at) || a.at - b.at,
  );
  if (!found) return null;
  let { at, end } = found;
  while (at > 0 && BEFORE_VEHICLE.has(tokens[at - 1]?.word ?? "")) at -= 1;
  // "Fellrunner 420": the number goes with the name.
  const model = tokensOf(found.meaning.model).map((t) => t.word);
  while (/^\d/.test(tokens[end]?.word ?? "") && model.includes(tokens[end]?.word ?? "")) end += 1;
  return { meaning: found.meaning, at, end };
}

/** Which one of the model, right behind it: "the grey one", "(marshal 2)". */
export function machineIn(
  text: string,
  tokens: readonly Token[],
  after: number,
): Span<string> | null {
  let i = after;
  while (tokens[i]?.word === "," || tokens[i]?.word === "(") i += 1;
  const [the, colour, one] = [tokens[i], tokens[i + 1], tokens[i + 2]];
  if (the?.word === "the" && colour && one?.word === "one") {
    return { meaning: text.slice(the.at, one.end), at: after, end: i + 3 };
  }
  if (i > after && tokens[i - 1]?.word === "(") {
    const close = tokens.findIndex((t, k) => k >= i && t.word === ")");
    const [first, last] = [tokens[i], tokens[close - 1]];
    if (close > i && first && last) {
      return { meaning: text.slice(first.at, last.end), at: after, end: close + 1 };
    }
  }
  return null;
}
