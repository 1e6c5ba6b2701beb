import {
  BOX_VOLTAGE_V,
  borneVolts,
  type LightColour,
  type LoadPart,
  type Part,
} from "../../part/index.ts";
import { COLOUR_WORDS, SORTS } from "./lexicon.ts";
import { longest, tokensOf, type Token } from "./token.ts";

/** A load as somebody asks for it. */
export interface AskedLoad {
  /** Sorts that were said: "work" and "lamp" of a work lamp. */
  readonly sorts: readonly string[];
  readonly colour: LightColour | null;
  readonly watts: number | null;
  /** Of the system that it is for. */
  readonly volts: number | null;
  readonly amps: number | null;
  /** It is to flash by itself. */
  readonly flashes: boolean;
  /** With a filament: a bulb, a halogen lamp. */
  readonly filament: boolean;
  /** With none. */
  readonly led: boolean;
  /** It is to share a string with others of its kind, which a driver does not. */
  readonly series: boolean;
}

/** A sort with the words that it was called by, as they are spelled. */
interface CalledSort {
  readonly sort: string;
  readonly words: string;
}

const SORT_PHRASES: readonly (readonly [string, CalledSort])[] = Object.entries(SORTS).flatMap(
  ([sort, phrases]) => phrases.map((words) => [words, { sort, words }] as const),
);

/** The sort of load that stands at a place, by its longest name. */
export const sortAt = (tokens: readonly Token[], at: number) => longest(tokens, at, SORT_PHRASES);

/** All sorts that words speak of, in their order. */
export function sortsIn(tokens: readonly Token[]): string[] {
  const found: string[] = [];
  for (let i = 0; i < tokens.length;) {
    const sort = sortAt(tokens, i);
    if (sort) found.push(sort.meaning.sort);
    i += sort?.length ?? 1;
  }
  return [...new Set(found)];
}

/** What a load draws, in W; amps by the volts that boxes speak of. */
export function wattsOf({ load }: LoadPart): number | null {
  if (load.kind === "constantCurrent") return load.currentA.value * BOX_VOLTAGE_V;
  return "powerW" in load ? load.powerW.value : null;
}

/** What is asked for, in W, where watts or amps were said. */
export const wattsAsked = ({ watts, amps }: Pick<AskedLoad, "watts" | "amps">): number | null =>
  watts ?? (amps === null ? null : amps * BOX_VOLTAGE_V);

const FAMILY: Readonly<Record<string, LoadPart["family"]>> = {
  ...{ horn: "horn", outlet: "outlet", grip: "heater", heater: "heater" },
};

export const familyOf = (sorts: readonly string[]): LoadPart["family"] =>
  FAMILY[sorts.find((s) => FAMILY[s] !== undefined) ?? ""] ?? "lamp";

/** Points for and against a part; what fits worse than this is not what was asked for. */
const LEAST = 3;
const [SORT_POINTS, HEAD_POINTS, COLOUR_POINTS, WATT_POINTS, LEVEL_POINTS] = [4, 2, 3, 5, 10];
/** For what nobody asked for: another sort beside, electronics inside, a body that is its ground. */
const [OTHER_SORT, ODD_LAMP] = [-0.5, -2];
/** Watts that differ by more than this share are another lamp. */
const WATT_SHARE = 0.15;

/** Whether a lamp has inside what nobody asked for: a driver in a string, none elsewhere. */
function isOdd({ load, family }: LoadPart, { series, filament }: AskedLoad): boolean {
  if (family !== "lamp" || filament) return false;
  return (load.kind === "drivenLed") === series;
}

function pointsOf(part: LoadPart, asked: AskedLoad): number {
  if (part.family !== familyOf(asked.sorts)) return -Infinity;
  const own = new Set(sortsIn(tokensOf(part.name)));
  // A bulb is the lamp's inside: nobody who asks for a lamp is given one.
  const bulb =
    /bulb/i.test(part.name) && !asked.filament && !asked.sorts.includes("headlight") ? -6 : 0;
  const isFilament = part.load.kind === "filament";
  if (part.family === "lamp" && (isFilament ? asked.led : asked.filament)) return -Infinity;
  const { lowV, highV } = borneVolts(part);
  if (asked.volts !== null && (asked.volts < lowV || asked.volts > highV)) return -Infinity;
  const wanted = asked.sorts.filter((s) => s !== "lamp" && s !== "bulb");
  const hits = wanted.filter((s) => own.has(s)).length;
  const misses = wanted.length - hits;
  const extra = [...own].filter((s) => s !== "lamp" && !wanted.includes(s)).length;
  const isOther = part.family === "lamp" || part.family === "heater";
  if (wanted.length > 0 && hits === 0 && isOther) return -Infinity;
  // The last word says what it is; those before say what for.
  const head = wanted.at(-1);
  const named = head !== undefined && own.has(head) ? HEAD_POINTS : 0;
  const light = asked.colour ?? usualColour(asked.sorts);
  const odd = [
    // Nobody asks for an amber lamp without saying so.
    light === null && part.family === "lamp" && !/white/.test(part.light),
    part.caseGround,
    isOdd(part, asked) && head !== "strip" && bulb === 0,
    (part.behaviour !== null) !== asked.flashes,
  ].filter(Boolean).length;
  const colour = light === null ? 0 : part.light === light ? COLOUR_POINTS : -2 * COLOUR_POINTS;
  // Tail and brake light in one housing are two levels of one lamp.
  const isBoth = wanted.includes("tail") && wanted.includes("brake");
  const levels = isBoth && part.dim !== null && own.has("tail") ? LEVEL_POINTS : 0;
  const watts = wattsOf(part);
  const wattsWanted = wattsAsked(asked);
  const power =
    wattsWanted === null || watts === null
      ? 0
      : Math.abs(watts / wattsWanted - 1) <= WATT_SHARE
        ? WATT_POINTS
        : -Infinity;
  return (
    SORT_POINTS * hits -
    2 * misses +
    named +
    OTHER_SORT * extra +
    ODD_LAMP * odd +
    colour +
    power +
    levels +
    bulb +
    LEAST
  );
}

/** How near two parts have to be for either to be what was meant. */
const AS_GOOD = 0.6;

/** A part that is meant, and another of the shelf that would do as well. */
export interface FoundPart {
  readonly part: LoadPart;
  readonly other: LoadPart | null;
}

/**
 * The part of a shelf that is meant; null where none is near enough. Of parts that are as near,
 * what is in stock goes first, then what costs least, however the shelf is ordered.
 */
export function partFor(asked: AskedLoad, shelf: readonly Part[]): FoundPart | null {
  const ranked = shelf
    .flatMap((part) => (part.kind === "load" ? [{ part, points: pointsOf(part, asked) }] : []))
    .filter(({ points }) => points >= LEAST)
    .sort(
      (a, b) =>
        b.points - a.points ||
        Math.sign(b.part.stock) - Math.sign(a.part.stock) ||
        a.part.price - b.part.price ||
        (a.part.id < b.part.id ? -1 : 1),
    );
  const [first, second] = ranked;
  if (!first) return null;
  const close = second !== undefined && first.points - second.points < AS_GOOD;
  return { part: first.part, other: close ? second.part : null };
}

/** The colour that law wants of a sort, where it wants one. */
export const usualColour = (sorts: readonly string[]): LightColour | null =>
  COLOUR_BY_SORT[sorts.find((s) => COLOUR_BY_SORT[s] !== undefined) ?? ""] ?? null;

const COLOUR_BY_SORT: Readonly<Record<string, LightColour>> = {
  ...{ turn: "amber", brake: "red", tail: "red" },
};

export const colourOf = (words: readonly string[]): LightColour | null =>
  COLOUR_WORDS[words.find((w) => COLOUR_WORDS[w] !== undefined) ?? ""] ?? null;
