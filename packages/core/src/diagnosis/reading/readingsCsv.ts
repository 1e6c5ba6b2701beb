import Papa from "papaparse";
import { OPEN_WAY_OHM, ohmText, readOhms } from "../expect/ohms.ts";
import { SENSE_WORDS, seenLevel, seenWord } from "./seen.ts";
import type { TakenReading } from "./taken.ts";
import type { ScriptStep } from "../script/script.ts";
import { readStepId, type ReadingKind } from "../../job/index.ts";

const COLUMNS = [
  "step",
  "controls",
  "what",
  "expected",
  "low",
  "high",
  "unit",
  "when",
  "reading",
] as const;

const number = (value: number): string => String(Number(value.toFixed(2)));

/** A step's expected value as it is read: volts, amps, or a word for the eye. */
export function expectedText({ probe, expected }: ScriptStep): string {
  switch (probe.at.kind) {
    case "look":
      return seenWord(expected.value, probe.at.sense);
    case "ohms":
      return ohmText(expected.value);
    default:
      return number(expected.value);
  }
}

/** The script as CSV with an empty column for what was read: to be filled in and read back. */
export function printScriptCsv(steps: readonly ScriptStep[]): string {
  const rows = steps.map((step) => {
    const { probe, low, high } = step;
    const look = probe.at.kind === "look";
    return [
      probe.id,
      probe.state.words,
      probe.words,
      expectedText(step),
      look ? "" : number(low),
      // An open way has no upper bound: "OL" is as right as any figure above the lower one.
      look || (probe.at.kind === "ohms" && high >= OPEN_WAY_OHM) ? "" : number(high),
      probe.unit,
      probe.beforePanels ? "before panels" : "after panels",
      "",
    ];
  });
  return `${Papa.unparse({ fields: [...COLUMNS], data: rows }, { escapeFormulae: true, newline: "\n" })}\n`;
}

export type ReadingsCsv =
  | { readonly ok: true; readonly value: readonly TakenReading[] }
  | {
      readonly ok: false;
      readonly faults: readonly { readonly line: number; readonly message: string }[];
    };

/** Unit of a step, another that people write, and what that one is worth in it. */
const VOLTS = ["V", "mV", 1 / 1000] as const;
const UNITS: Readonly<Partial<Record<ReadingKind, readonly [string, string, number]>>> = {
  amps: ["A", "mA", 1 / 1000],
  milliamps: ["mA", "A", 1000],
};

/** "12,4 V" and "12.4" are the same; what is seen is a word. */
function valueOf(step: string, text: string): number | string {
  const { kind } = readStepId(step);
  if (kind === "look") {
    return seenLevel(text) ?? `invalid reading: "${text}" (${SENSE_WORDS.eye.join(", ")})`;
  }
  if (kind === "ohms") {
    return readOhms(text) ?? `invalid reading: "${text}" (ohms, such as 0.4, or OL)`;
  }
  const [unit, other, factor] = (kind && UNITS[kind]) ?? VOLTS;
  const [, digits, said = ""] = /^([-+]?\d+(?:[.,]\d+)?)\s*(m?[VA])?$/.exec(text) ?? [];
  if (digits === undefined) return `invalid reading: "${text}" (a number, such as 12.4)`;
  const value = Number(digits.replace(",", "."));
  if (said === "" || said === unit) return value;
  if (said === other) return value * factor;
  return `invalid unit: "${said}" (this step is read in ${unit})`;
}

/** Readings from CSV: the columns `step` and `reading`; lines without a reading are left out. */
export function readReadingsCsv(text: string): ReadingsCsv {
  const parsed = Papa.parse<Record<string, string>>(text.trim(), {
    header: true,
    skipEmptyLines: true,
  });
  const fields = parsed.meta.fields ?? [];
  const missing = ["step", "reading"].filter((name) => !fields.includes(name));
  if (missing.length > 0) {
    return { ok: false, faults: [{ line: 1, message: `no column "${missing[0]}"` }] };
  }
  const faults = parsed.errors.map(({ row = 0, message }) => ({ line: row + 2, message }));
  const value: TakenReading[] = [];
  parsed.data.forEach((row, i) => {
    const { step = "", reading = "" } = row;
    if (reading.trim() === "") return;
    // A guarded cell begins with an apostrophe, so that no spreadsheet runs it.
    const plain = step.replace(/^'/, "");
    const read = valueOf(plain, reading.trim().replace(/^'/, ""));
    if (typeof read === "string") faults.push({ line: i + 2, message: read });
    else value.push({ step: plain, value: read });
  });
  return faults.length > 0 ? { ok: false, faults } : { ok: true, value };
}
