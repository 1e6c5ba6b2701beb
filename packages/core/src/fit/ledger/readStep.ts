import { DRIVES, LOCKERS, type Drive, type Fastener } from "../../job/index.ts";

/** Fasteners as they were said, not yet part of a job. */
export type SaidFastener = Pick<
  Fastener,
  "drive" | "size" | "lengthMm" | "count" | "where" | "torqueNm" | "locker"
>;

/** A step of the ledger as it was said in one breath. */
export interface SaidStep {
  readonly name: string;
  /** Names of what has to be off before it. */
  readonly after: readonly string[];
  /** Names of places that nobody reaches while it is on. */
  readonly covers: readonly string[];
  readonly fasteners: readonly SaidFastener[];
  readonly plugs: readonly { readonly name: string; readonly where: string }[];
  readonly catches: string;
  readonly forget: string;
  readonly hold: boolean;
  readonly paint: boolean;
  readonly estimateMin: number;
}

export type ReadStep =
  { readonly ok: true; readonly step: SaidStep } | { readonly ok: false; readonly message: string };

const NUMBERS: Readonly<Record<string, number>> = {
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  eleven: 11,
  twelve: 12,
};

/** Words that people say for a drive. */
const DRIVE_WORDS: readonly (readonly [RegExp, Drive])[] = [
  [/\bsix[- ]?lobe\b/i, "sixLobe"],
  [/\b(socket|allen|inside hex)\b/i, "socket"],
  [/\b(hex|bolts?)\b/i, "hex"],
  [/\b(cross|phillips)\b/i, "cross"],
  [/\b(slot|slotted)\b/i, "slot"],
  [/\b(push|rivets?|clips?)\b/i, "push"],
  [/\b(hand|wing|knob)s?\b/i, "hand"],
];

const SIZE = /\b(M\d+(?:\.\d+)?|\d+\/\d+-\d+|#\d+-\d+|\d+(?:\.\d+)? ?mm)\b/i;
const LENGTH = /(?:\s*(?:x|×|by)\s*)(\d+(?:\.\d+)?)(?: ?mm)?/i;
const TORQUE = /\b(\d+(?:\.\d+)?) ?n ?·?m\b/i;

const countOf = (word: string): number | null =>
  /^\d+$/.test(word) ? Number(word) : (NUMBERS[word.toLowerCase()] ?? null);

function readFastener(text: string): SaidFastener | string {
  const [first = "", ...rest] = text.trim().split(/\s+/);
  const count = countOf(first);
  if (count === null || count < 1 || count > 99) {
    return `“${text.trim()}”: a count comes first, 1 to 99 (2 hex M6 x 20 front)`;
  }
  let left = rest.join(" ");
  const take = (pattern: RegExp): string => {
    const found = pattern.exec(left);
    if (!found) return "";
    left = `${left.slice(0, found.index)} ${left.slice(found.index + found[0].length)}`;
    return found[1] ?? found[0];
  };
  const torque = take(TORQUE);
  const size = take(SIZE).replace(/^m/, "M");
  const length = size === "" ? "" : take(LENGTH);
  const drive = DRIVE_WORDS.find(([pattern]) => pattern.test(left));
  if (!drive) {
    return `“${text.trim()}”: no drive that is known (${DRIVES.join(", ")})`;
  }
  take(drive[0]);
  const locker = /\b(medium|strong)\b(?: locker)?/i.exec(left)?.[1]?.toLowerCase();
  const greased = /\bgreased?\b/i.test(left);
  left = left.replace(/\b(medium|strong)\b( locker)?|\bgreased?\b|\bsnug\b/gi, " ");
  return {
    count,
    drive: drive[1],
    size,
    lengthMm: length === "" ? 0 : Number(length),
    torqueNm: torque === "" ? 0 : Number(torque),
    locker: LOCKERS.find((l) => l === locker) ?? (greased ? "grease" : "none"),
    where: left.replace(/\s+/g, " ").trim(),
  };
}

/** What stands between commas. */
const listOf = (text: string): string[] =>
  text
    .split(",")
    .map((s) => s.trim())
    .filter((s) => s !== "");

const LONGEST = 500;

/**
 * Reads a step as it is dictated: the panel's name, then what holds it.
 * `left cover: 2 hex M6 x 20 front 10 Nm, one push rear; plug seat heater, under the hook;
 * after seat; covers battery; hold; paint; 6 min; catch slides forward; forget the spring`. Clauses are
 * parted by semicolons, fasteners by commas. The message says which clause and what is valid.
 */
export function readStep(text: string): ReadStep {
  const whole = text.trim();
  if (whole.length > LONGEST) {
    return { ok: false, message: `${whole.length} characters (needs ${LONGEST} or fewer)` };
  }
  const colon = whole.search(/[:;]/);
  const name = (colon < 0 ? whole : whole.slice(0, colon)).trim();
  if (name === "") {
    return { ok: false, message: "no panel named (seat: 2 hex M6 x 20; plug seat heater)" };
  }
  const [after, covers]: [string[], string[]] = [[], []];
  const fasteners: SaidFastener[] = [];
  const plugs: { name: string; where: string }[] = [];
  let [catches, forget, hold, paint, estimateMin] = ["", "", false, false, 0];
  const clauses = colon < 0 ? [] : whole.slice(colon + 1).split(";");
  for (const raw of clauses) {
    const clause = raw.trim();
    if (clause === "") continue;
    const [, word = "", rest = ""] = /^(\S+)\s*(.*)$/s.exec(clause) ?? [];
    const minutes = /^(\d+) ?min(?:utes?)?$/i.exec(clause);
    if (minutes) estimateMin = Number(minutes[1]);
    else if (/^(plugs?|part)$/i.test(word)) {
      const [plug = "", ...where] = rest.split(",");
      if (plug.trim() === "") return { ok: false, message: `“${clause}”: which plug?` };
      plugs.push({ name: plug.trim(), where: where.join(",").trim() });
    } else if (/^after$/i.test(word)) {
      after.push(...listOf(rest));
    } else if (/^covers$/i.test(word)) {
      covers.push(...listOf(rest));
    } else if (/^(catch|catches|slides|lifts)$/i.test(word)) {
      catches = /^catch/i.test(word) ? rest : clause;
    } else if (/^(forget|remember)$/i.test(word)) forget = rest;
    else if (/^(hold|heavy)$/i.test(word)) hold = true;
    else if (/^(paint|painted|cover)$/i.test(word)) paint = true;
    else {
      for (const part of clause.split(",")) {
        if (part.trim() === "") continue;
        const fastener = readFastener(part);
        if (typeof fastener === "string") return { ok: false, message: fastener };
        fasteners.push(fastener);
      }
    }
  }
  return {
    ok: true,
    step: { name, after, covers, fasteners, plugs, catches, forget, hold, paint, estimateMin },
  };
}
