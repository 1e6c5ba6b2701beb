import { METRES_PER_INCH, readLength } from "../../quantity/index.ts";
import { LOCKERS, type Drive, type Fastener } from "../../job/index.ts";

/** Fasteners as they were said, not yet part of a job. */
export type SaidFastener = Pick<
  Fastener,
  "drive" | "size" | "lengthMm" | "count" | "where" | "torqueNm" | "locker"
>;

const NUMBERS: Readonly<Record<string, number>> = {
  ...{ a: 1, an: 1, one: 1, two: 2, three: 3, four: 4, five: 5, six: 6, seven: 7, eight: 8 },
  ...{ nine: 9, ten: 10, eleven: 11, twelve: 12 },
};
const MOST = 99;

const NOUNS = "(?:bolts?|nuts?|screws?|pins?|rivets?|clips?|fasteners?)";

/** A word for a drive stands first, or before what it is of: a cross member and a left-hand side are none. */
const said = (words: string): RegExp =>
  new RegExp(String.raw`^\s*(?:${words})\b(?: head)?|\b(?:${words})(?: head)? ${NOUNS}\b`, "i");

/** Words that people say for a drive, and what is usual for a thing that they name. */
const DRIVE_WORDS: readonly (readonly [RegExp, Drive])[] = [
  [said("star|six[- ]?lobe"), "sixLobe"],
  [said("socket|allen|inside hex"), "socket"],
  [said("cross|phillips"), "cross"],
  [said("slot|slotted"), "slot"],
  [said("hand|wing"), "hand"],
  [said("push"), "push"],
  [said("hex"), "hex"],
  [/\bknobs?\b/i, "hand"],
  [/\b(?:rivets?|clips?|tabs?)\b/i, "push"],
  [/\b(?:bolts?|nuts?)\b/i, "hex"],
  [/\bscrews?\b/i, "cross"],
];
/** Says again what a drive's word has said. */
const FILLERS = new RegExp(String.raw`\b(?:${NOUNS}|head)\b`, "gi");

/** A drive's own size: T25, T40 (ISO 10664). */
const STAR_SIZE = /\bT(\d{1,3})\b/i;
const SIZE = /(?:^|\s)(M\d+(?:\.\d+)?|\d+\/\d+-\d+|#\d+-\d+)\b/i;
const DIAMETER = /\b(\d+(?:\.\d+)? ?mm)\b/i;
const NUMBER = String.raw`(\d+\/\d+|\d+(?:\.\d+)?(?:[ -]\d+\/\d+)?)`;
const BY = new RegExp(
  String.raw`(?:^|\s)(?:x|×|by) ?${NUMBER} ?(mm|in|inch|inches|")?(?=\s|$)`,
  "i",
);
const LONG = new RegExp(String.raw`(?:^|\s)${NUMBER} ?(mm|in|inch|inches|")? long\b`, "i");
const INCHES = new RegExp(String.raw`(?:^|\s)${NUMBER} ?(in|inch|inches|")(?=\s|$)`, "i");
const TORQUE = /\b(\d+(?:\.\d+)?) ?n ?·?m\b/i;

/** What is left of a text as pieces of it are taken. */
class Rest {
  constructor(public text: string) {}

  cut(found: RegExpExecArray): void {
    const end = found.index + found[0].length;
    this.text = `${this.text.slice(0, found.index)} ${this.text.slice(end)}`;
  }

  take(pattern: RegExp): RegExpExecArray | null {
    const found = pattern.exec(this.text);
    if (found) this.cut(found);
    return found;
  }
}

function lengthIn(rest: Rest): number {
  for (const pattern of [BY, LONG, INCHES]) {
    const [, number, unit = ""] = rest.take(pattern) ?? [];
    if (number === undefined) continue;
    // Nobody says fractions of a millimetre.
    const usualM = number.includes("/") ? METRES_PER_INCH : 0.001;
    const metres = readLength(`${number} ${unit}`, usualM);
    return Number((1000 * (metres ?? 0)).toFixed(2));
  }
  return 0;
}

const countOf = (word: string): number =>
  /^\d+$/.test(word) ? Number(word) : (NUMBERS[word.toLowerCase()] ?? 0);

/** The drive that is spoken of first; at one place the one that is said, not the one that is usual. */
function driveIn(text: string): { readonly drive: Drive; readonly found: RegExpExecArray } | null {
  let first: { drive: Drive; found: RegExpExecArray } | null = null;
  for (const [pattern, drive] of DRIVE_WORDS) {
    const found = pattern.exec(text);
    if (found && (!first || found.index < first.found.index)) first = { drive, found };
  }
  return first;
}

/** Words that may stand between "a" and what there is one of: "a long bolt", and no more. */
const BEFORE_ONE = 1;

/**
 * Fasteners as people say them: "8 star T25", "two M6 by 20 rear, very tight", "5 screws". A screw of which
 * nobody says more is a cross; what is not understood is where they sit. null where no count of something
 * that fastens is said.
 */
export function readFastener(text: string): SaidFastener | null {
  const [first = "", ...words] = text.trim().split(/\s+/);
  const count = countOf(first);
  if (count < 1 || count > MOST) return null;
  const rest = new Rest(words.join(" "));
  const torque = rest.take(TORQUE)?.[1];
  const star = rest.take(STAR_SIZE)?.[1];
  const thread = rest.take(SIZE)?.[1] ?? "";
  const lengthMm = lengthIn(rest);
  const size =
    star !== undefined ? `T${star}` : thread.replace(/^m/, "M") || (rest.take(DIAMETER)?.[1] ?? "");
  const named = driveIn(rest.text);
  if (!named && star === undefined) return null;
  const before = (named ? rest.text.slice(0, named.found.index) : "").trim().split(/\s+/);
  if (/^an?$/i.test(first) && before.length > BEFORE_ONE) return null;
  if (named) rest.cut(named.found);
  const locker = rest.take(/\b(medium|strong)\b(?: locker)?/i)?.[1]?.toLowerCase();
  const isGreased = rest.take(/\bgreased?\b/i) !== null;
  // A star's size says its drive, whatever is said to have it.
  const drive = star === undefined && named ? named.drive : "sixLobe";
  const where = rest.text.replace(FILLERS, " ").replace(/\bsnug\b/gi, " ");
  return {
    ...{ count, drive, size, lengthMm },
    torqueNm: torque === undefined ? 0 : Number(torque),
    locker: LOCKERS.find((l) => l === locker) ?? (isGreased ? "grease" : "none"),
    where: where.replace(/\s+/g, " ").replace(/^[ ,]+|[ ,]+$/g, ""),
  };
}

const COUNT = String.raw`(?:\d{1,2}|${Object.keys(NUMBERS).join("|")})`;
const AT_COUNT = new RegExp(String.raw`(?:^|[\s,])(?=${COUNT}\s)`, "gi");

/** Where in a text the first fasteners are said; -1 where none are. */
export function fastenersFrom(text: string): number {
  for (const { index, 0: before } of text.matchAll(AT_COUNT)) {
    const at = index + before.length;
    const piece = text.slice(at).split(/[,;]|\band\b/)[0] ?? "";
    if (readFastener(piece)) return at;
  }
  return -1;
}

const NEXT = new RegExp(String.raw`\s+(?:and|plus|with)\s+(?=${COUNT}\s)`, "i");

/** "8 star T25 and 3 clips" in two. */
export const partFasteners = (text: string): string[] => text.split(NEXT);
