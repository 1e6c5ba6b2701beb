import { levelAngleFault, upAngleFault } from "./angles.ts";
import { MOST_ANGLES, MOST_CANDELA, type Photometry } from "./photometry.ts";

/** A file as it was read, or why it was not, with the line. */
export type PhotometryRead =
  | { readonly ok: true; readonly value: Photometry }
  | { readonly ok: false; readonly line: number; readonly message: string };

/** Longest text that is looked at, characters: some thousand numbers. */
export const MOST_CHARACTERS = 1_000_000;

class Refused extends Error {
  constructor(
    readonly line: number,
    message: string,
  ) {
    super(message);
  }
}

/** Numbers one after the other, over any lines, as LM-63 has them after the line of the tilt. */
class Numbers {
  private at = 0;
  private waiting: string[] = [];

  constructor(
    private readonly lines: readonly string[],
    private index: number,
  ) {}

  /** Line of the number that was last taken, from 1. */
  get line(): number {
    return Math.min(this.index, this.lines.length);
  }

  next(what: string): number {
    while (this.at >= this.waiting.length) {
      if (this.index >= this.lines.length) {
        throw new Refused(this.lines.length, `the file ends where ${what} should stand`);
      }
      this.waiting = (this.lines[this.index] ?? "").split(/[\s,]+/).filter((word) => word !== "");
      this.at = 0;
      this.index += 1;
    }
    const word = this.waiting[this.at] ?? "";
    this.at += 1;
    if (!/^[-+]?(\d+\.?\d*|\.\d+)([eE][-+]?\d{1,3})?$/.test(word)) {
      throw new Refused(this.index, `${what}: "${word.slice(0, 40)}" is no number`);
    }
    const value = Number(word);
    if (!Number.isFinite(value)) throw new Refused(this.index, `${what}: ${word} is too large`);
    return value;
  }

  count(what: string, most: number): number {
    const value = this.next(what);
    if (!Number.isInteger(value) || value < 1 || value > most) {
      throw new Refused(this.line, `${what}: ${value} must be a whole number from 1 to ${most}`);
    }
    return value;
  }

  list(count: number, what: string): number[] {
    return Array.from({ length: count }, () => this.next(what));
  }

  /** What stands after the last number that belongs to the file. */
  rest(): string | null {
    const more = [this.waiting.slice(this.at).join(" "), ...this.lines.slice(this.index)];
    const found = more.findIndex((line) => line.trim() !== "");
    if (found < 0) return null;
    this.index += found;
    return (more[found] ?? "").trim();
  }
}

const TYPES: Readonly<Record<number, Photometry["type"]>> = { 1: "C", 2: "B", 3: "A" };

function body(lines: readonly string[], tilt: number, said: Map<string, string>): Photometry {
  const numbers = new Numbers(lines, tilt + 1);
  const kind = (lines[tilt] ?? "").trim().slice(5).trim().toUpperCase();
  if (kind === "INCLUDE") {
    numbers.next("lamp geometry of the tilt");
    const pairs = numbers.count("tilt angles", MOST_ANGLES);
    numbers.list(2 * pairs, "tilt angles and factors");
  } else if (kind !== "NONE") {
    throw new Refused(tilt + 1, `TILT=${kind.slice(0, 40)}: give NONE or INCLUDE, no other file`);
  }
  const lamps = numbers.count("number of lamps", 1000);
  const lumens = numbers.next("lumens per lamp");
  const multiplier = numbers.next("candela multiplier");
  if (multiplier <= 0)
    throw new Refused(numbers.line, `candela multiplier: ${multiplier} is not above 0`);
  const ups = numbers.count("number of vertical angles", MOST_ANGLES);
  const levels = numbers.count("number of horizontal angles", MOST_ANGLES);
  if (ups * levels > MOST_CANDELA) {
    throw new Refused(numbers.line, `${ups} by ${levels} intensities: ${MOST_CANDELA} at most`);
  }
  const typed = numbers.next("photometric type");
  const type = TYPES[typed];
  if (!type)
    throw new Refused(numbers.line, `photometric type: ${typed} must be 1 (C), 2 (B) or 3 (A)`);
  const units = numbers.next("units type");
  if (units !== 1 && units !== 2) {
    throw new Refused(numbers.line, `units type: ${units} must be 1 (feet) or 2 (metres)`);
  }
  numbers.list(3, "width, length and height");
  const ballast = numbers.next("ballast factor");
  const future = numbers.next("second factor");
  if (ballast < 0 || future < 0) throw new Refused(numbers.line, "a factor is below 0");
  const watts = numbers.next("input watts");
  const vertical = numbers.list(ups, "vertical angles");
  const upFault = upAngleFault(type, vertical);
  if (upFault !== null) throw new Refused(numbers.line, upFault);
  const horizontal = numbers.list(levels, "horizontal angles");
  const levelFault = levelAngleFault(type, horizontal);
  if (levelFault !== null) throw new Refused(numbers.line, levelFault);
  const factor = multiplier * ballast * future;
  const candela = horizontal.flatMap((angle) =>
    Array.from({ length: ups }, () => {
      const value = numbers.next(`candela at ${angle}°`);
      if (value < 0) throw new Refused(numbers.line, `candela at ${angle}°: ${value} is below 0`);
      return value * factor;
    }),
  );
  const more = numbers.rest();
  if (more !== null) {
    throw new Refused(
      numbers.line,
      `more than ${ups} by ${levels} candela: "${more.slice(0, 40)}"`,
    );
  }
  return {
    name: said.get("LUMINAIRE") ?? said.get("LUMCAT") ?? "",
    by: said.get("TESTLAB") ?? said.get("MANUFAC") ?? "",
    source: "file",
    ...{ type, vertical, horizontal, candela, watts },
    // Minus one says absolute photometry: the intensities are those of the lamp as it is.
    lampLumens: lumens < 0 ? null : lumens * lamps,
  };
}

/**
 * Reads IES LM-63 (1986 to 2019), types A, B and C, absolute and relative. A broken file is
 * refused with its first wrong line. The tilt's factors are read and not applied: lamps of
 * vehicles burn as they were measured.
 */
export function readIes(text: string): PhotometryRead {
  if (text.length > MOST_CHARACTERS) {
    return { ok: false, line: 1, message: `longer than ${MOST_CHARACTERS} characters` };
  }
  const lines = text.split(/\r\n|\n|\r/);
  const tilt = lines.findIndex((line) => /^\s*TILT=/i.test(line));
  if (tilt < 0) return { ok: false, line: 1, message: "no line TILT=: this is no LM-63 file" };
  const said = new Map<string, string>();
  for (const line of lines.slice(0, tilt)) {
    const [, key, value] = /^\s*\[(\w{1,40})\]\s*(.{0,200})/.exec(line) ?? [];
    if (key !== undefined && value !== undefined && !said.has(key)) said.set(key, value.trim());
  }
  try {
    return { ok: true, value: body(lines, tilt, said) };
  } catch (error) {
    if (!(error instanceof Refused)) throw error;
    return { ok: false, line: error.line, message: error.message };
  }
}

const number = (value: number): string => String(Number(value.toPrecision(7)));

/** Numbers in lines that old readers take: 132 characters at most. */
function wrapped(list: readonly number[]): string {
  const lines: string[] = [];
  let line = "";
  for (const word of list.map(number)) {
    if (line.length + word.length > 100) {
      lines.push(line.trimEnd());
      line = "";
    }
    line += `${word} `;
  }
  return [...lines, line.trimEnd()].join("\r\n");
}

const oneLine = (text: string): string => text.replaceAll(/[\p{Cc}[\]]/gu, " ").trim();

/** Writes IES LM-63-2002. */
export function printIes(p: Photometry): string {
  const types = { C: 1, B: 2, A: 3 } as const;
  return `${[
    "IESNA:LM-63-2002",
    "[TEST] none",
    `[TESTLAB] ${oneLine(p.by)}`,
    "[ISSUEDATE] not stated",
    "[MANUFAC] not stated",
    `[LUMINAIRE] ${oneLine(p.name)}`,
    ...(p.source === "file"
      ? []
      : [`[OTHER] ${p.source === "invented" ? "invented data" : "estimate from five readings"}`]),
    "TILT=NONE",
    `1 ${p.lampLumens === null ? -1 : number(p.lampLumens)} 1 ${p.vertical.length} ${p.horizontal.length} ${types[p.type]} 2 0 0 0`,
    `1 1 ${number(p.watts)}`,
    wrapped(p.vertical),
    wrapped(p.horizontal),
    ...p.horizontal.map((_, j) =>
      wrapped(p.candela.slice(j * p.vertical.length, (j + 1) * p.vertical.length)),
    ),
  ].join("\r\n")}\r\n`;
}
