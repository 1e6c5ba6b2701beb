import { METRES_PER_FOOT, METRES_PER_INCH, decimal, type UnitSystem } from "./format.ts";

/** Metres of what may stand behind a number. */
const UNITS: readonly (readonly [words: RegExp, metres: number])[] = [
  [/^(mm|millimet(?:er|re)s?)$/, 0.001],
  [/^(cm|centimet(?:er|re)s?)$/, 0.01],
  [/^(m|met(?:er|re)s?)$/, 1],
  [/^(in|inch|inches|"|″|”|'')$/, METRES_PER_INCH],
  [/^(ft|foot|feet|'|′|’)$/, METRES_PER_FOOT],
];

const FRACTIONS: Readonly<Record<string, number>> = {
  ...{ "½": 1 / 2, "¼": 1 / 4, "¾": 3 / 4, "⅛": 1 / 8, "⅜": 3 / 8, "⅝": 5 / 8, "⅞": 7 / 8 },
};

/** A number, a fraction or both, and what stands behind: "17 1/2", "1.5 in", "3'". */
const PIECE =
  /^\s*(?:(\d+)\s*\/\s*(\d+)|(\d+(?:[.,]\d+)?)(?:[\s-]+(\d+)\s*\/\s*(\d+)|\s*([½¼¾⅛⅜⅝⅞]))?|([½¼¾⅛⅜⅝⅞]))\s*(mm|cm|m(?:et(?:er|re)s?)?|millimet(?:er|re)s?|centimet(?:er|re)s?|inch(?:es)?|in|ft|foot|feet|''|["″”'′’])?/i;

function valueOf(found: RegExpExecArray): number | null {
  const [, top, bottom, whole, over, under, sign, alone] = found;
  const part = (a: string | undefined, b: string | undefined): number | null => {
    if (a === undefined || b === undefined) return 0;
    return Number(b) === 0 ? null : Number(a) / Number(b);
  };
  const fraction = part(over ?? top, under ?? bottom);
  if (fraction === null) return null;
  return (
    Number((whole ?? "0").replace(",", ".")) + fraction + (FRACTIONS[sign ?? alone ?? ""] ?? 0)
  );
}

/**
 * A length as people write it, in metres: "1.5 in", "17 1/2", `18"`, `3' 6"`, "40 mm". Without a
 * unit it is in `usualM` metres. null where it is none.
 */
export function readLength(text: string, usualM: number): number | null {
  let rest = text.trim();
  const negative = /^[-−]/.test(rest);
  if (negative) rest = rest.slice(1);
  if (rest === "") return null;
  let metres = 0;
  let last = Infinity;
  while (rest.trim() !== "") {
    const found = PIECE.exec(rest);
    const value = found && valueOf(found);
    if (!found || value === null) return null;
    const word = (found[8] ?? "").toLowerCase();
    const unit = word === "" ? usualM : (UNITS.find(([words]) => words.test(word))?.[1] ?? usualM);
    // "3 ft 6 in": each piece is of a smaller unit than the one before it.
    if (unit >= last) return null;
    metres += value * unit;
    last = unit;
    rest = rest.slice(found[0].length);
  }
  return negative ? -metres : metres;
}

/** Sixteenths, as a tape has them. */
const TAPE = 16;
/** Inch twist drills come by sixty-fourths, step drills and hole saws by sixteenths: common practice. */
const DRILL_PARTS = { twist: 64, step: 16 } as const;

/** How far off a sixteenth may be, in inches. */
const ROUGH_IN = 0.005;
/** Inches from which feet are told, and so many of a foot. */
const [FEET_FROM, PER_FOOT] = [120, 12];

/** A fraction of an inch in its lowest terms: "5/16"; "" for none. */
function fractionText(parts: number, of: number): string {
  if (parts === 0) return "";
  let [top, bottom] = [parts, of];
  while (top % 2 === 0) [top, bottom] = [top / 2, bottom / 2];
  return `${top}/${bottom}`;
}

/** Inches with the fraction that a tape has: "17 1/2", "3/8", "−2 1/16". */
export function inchesText(metres: number, of = TAPE): string {
  const parts = Math.round((Math.abs(metres) / METRES_PER_INCH) * of);
  const words = [String(Math.floor(parts / of)), fractionText(parts % of, of)].filter(
    (word, i) => word !== "" && (word !== "0" || (i === 0 && parts % of === 0)),
  );
  return `${metres < 0 && parts > 0 ? "−" : ""}${words.join(" ")}`;
}

/** A length as it is written in a field of inches: feet beside them where it is long. */
export function inchField(metres: number): string {
  const inches = Math.abs(metres) / METRES_PER_INCH;
  if (inches < FEET_FROM) {
    // What a tape's sixteenths would tell too roughly, such as a hole in millimetres, is told in sixty-fourths.
    const rough = Math.abs(Math.round(inches * TAPE) / TAPE - inches) > ROUGH_IN;
    return inchesText(metres, rough ? DRILL_PARTS.twist : TAPE);
  }
  const sixteenths = Math.round(inches * TAPE);
  const feet = Math.floor(sixteenths / (PER_FOOT * TAPE));
  const rest = inchesText(((sixteenths - feet * PER_FOOT * TAPE) / TAPE) * METRES_PER_INCH);
  return `${metres < 0 ? "−" : ""}${feet}' ${rest}"`;
}

/** A place on a panel or a bolt's length: millimetres to a tenth, or inches as a tape has them. */
export const fineText = (mm: number, units: UnitSystem): string =>
  units === "us" ? `${inchesText(mm / 1000)} in` : `${decimal(mm, 1)} mm`;

/** Two sides of a cut-out or a panel: "21 × 37 mm". */
export const sizeText = (wideMm: number, highMm: number, units: UnitSystem): string =>
  `${fineText(wideMm, units).replace(/ \w+$/, "")} × ${fineText(highMm, units)}`;

/** A drill in both systems, the person's own first: of the other the nearest that a set has. */
export function drillText(
  mm: number,
  units: UnitSystem,
  kind: keyof typeof DRILL_PARTS = "twist",
): string {
  const [metric, inch] = [`${decimal(mm, 1)} mm`, `${inchesText(mm / 1000, DRILL_PARTS[kind])} in`];
  return units === "us" ? `${inch} (${metric})` : `${metric} (${inch})`;
}
