import { fastenersFrom, partFasteners, readFastener, type SaidFastener } from "./readFastener.ts";

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
  /** What was said and not understood, kept as it was. */
  readonly notes: readonly string[];
}

/** A step as a sentence said it, or why it was not understood. */
export type ReadStep =
  | { readonly ok: true; readonly step: SaidStep }
  | { readonly ok: false; readonly message: string };

const LONGEST = 500;
const NAMELESS = "panel";

const plain = (text: string): string => text.replace(/\s+/g, " ").replace(/^[ ,.]+|[ ,.]+$/g, "");
const withoutThe = (text: string): string => plain(text).replace(/^the /i, "");

type Open = "plug" | "after" | "covers" | "fastener" | "catches" | null;

/** Reads piece by piece what stands behind the panel's name. */
class Reading {
  private open: Open = null;
  readonly step = {
    ...{ after: [] as string[], covers: [] as string[], fasteners: [] as SaidFastener[] },
    plugs: [] as { name: string; where: string }[],
    ...{ catches: "", forget: "", hold: false, paint: false, estimateMin: 0 },
    notes: [] as string[],
  };

  /** A semicolon ends what was spoken of. */
  end(): void {
    this.open = null;
  }

  private joined(before: string, more: string): string {
    return before === "" ? more : `${before}, ${more}`;
  }

  private keyword(piece: string): boolean {
    const { step } = this;
    const [, word = "", rest = ""] = /^(\S+)\s*(.*)$/s.exec(piece) ?? [];
    const minutes = /^(?:about |takes |~)*(\d+) ?min(?:ute)?s?$/i.exec(piece)?.[1];
    if (minutes !== undefined) step.estimateMin = Number(minutes);
    else if (/^(plugs?|unplug|part)$/i.test(word) && rest !== "") {
      step.plugs.push({ name: withoutThe(rest), where: "" });
      this.open = "plug";
      return true;
    } else if (/^after$/i.test(word) && rest !== "") {
      step.after.push(withoutThe(rest));
      this.open = "after";
      return true;
    } else if (/^covers$/i.test(word) && rest !== "") {
      step.covers.push(withoutThe(rest));
      this.open = "covers";
      return true;
    } else if (/^(catch|catches|slides|lifts|hinges)$/i.test(word)) {
      step.catches = this.joined(step.catches, /^catch/i.test(word) && rest !== "" ? rest : piece);
      this.open = "catches";
      return true;
    } else if (/^(forget|remember)$/i.test(word) && rest !== "") {
      step.forget = this.joined(step.forget, rest);
    } else if (
      /^(use )?new (ones|bolts?|screws?|clips?|nuts?|rivets?|seals?|gaskets?)\b/i.test(piece)
    ) {
      // Old ones do not go back in.
      step.forget = this.joined(step.forget, piece.replace(/^use /i, ""));
    } else if (/^(hold|heavy)\b/i.test(piece)) {
      step.hold = true;
      if (!/^(hold|heavy)( it)?( up)?$/i.test(piece)) step.notes.push(piece);
    } else if (/^(paint|painted|cover the paint)$/i.test(piece)) step.paint = true;
    else return false;
    this.open = null;
    return true;
  }

  /** Says more of what was spoken of last, or is kept as a note. */
  private more(piece: string): void {
    const { after, covers, plugs, fasteners, notes } = this.step;
    const [plug, fastener] = [plugs.at(-1), fasteners.at(-1)];
    if (this.open === "after") after.push(withoutThe(piece));
    else if (this.open === "covers") covers.push(withoutThe(piece));
    else if (this.open === "catches") this.step.catches = this.joined(this.step.catches, piece);
    else if (this.open === "plug" && plug) {
      plugs[plugs.length - 1] = { ...plug, where: this.joined(plug.where, piece) };
    } else if (this.open === "fastener" && fastener) {
      const where = this.joined(fastener.where, piece);
      fasteners[fasteners.length - 1] = { ...fastener, where };
    } else notes.push(piece);
  }

  take(text: string): void {
    for (const said of partFasteners(text)) {
      const piece = plain(said);
      if (piece === "" || this.keyword(piece)) continue;
      const fastener = readFastener(piece);
      if (fastener) {
        this.step.fasteners.push(fastener);
        this.open = "fastener";
      } else this.more(piece);
    }
  }
}

/** The panel's name, and what is said of it: parted by a colon, or where the fasteners begin. */
function parted(whole: string): readonly [name: string, rest: string] {
  const colon = whole.search(/[:;]/);
  const head = colon < 0 ? whole : whole.slice(0, colon);
  const tail = colon < 0 ? "" : whole.slice(colon + 1);
  const from = fastenersFrom(head);
  if (from >= 0) return [head.slice(0, from), `${head.slice(from)};${tail}`];
  const comma = head.indexOf(",");
  return comma < 0 ? [head, tail] : [head.slice(0, comma), `${head.slice(comma + 1)};${tail}`];
}

/**
 * Reads a step as it is said: the panel's name, then what holds it.
 * "left cover: 2 hex M6 x 20 front 10 Nm, one push rear; plug seat heater, under the hook; after seat;
 * covers battery; hold; paint; 6 min; slides forward; forget the spring", and as easily "seat 8 star T25
 * very tight and 3 clips, plug heater". Pieces are parted by commas and semicolons; a piece that means
 * nothing by itself says more of the one before it, behind a semicolon it is a note. Nothing is thrown away.
 */
export function readStep(text: string): ReadStep {
  const whole = text.trim();
  if (whole.length > LONGEST) {
    return { ok: false, message: `${whole.length} characters (needs ${LONGEST} or fewer)` };
  }
  if (plain(whole) === "" || /^[:;,\s]*$/.test(whole)) {
    return { ok: false, message: "no panel named (seat: 2 hex M6 x 20; plug seat heater)" };
  }
  const [head, rest] = parted(whole);
  const reading = new Reading();
  for (const clause of rest.split(";")) {
    for (const piece of clause.split(",")) reading.take(piece);
    reading.end();
  }
  const name = plain(head).replace(/ ?\b(?:has|with|held by|by|comes off with)$/i, "");
  return { ok: true, step: { name: name === "" ? NAMELESS : name, ...reading.step } };
}

/** Where the next panel begins: "…; then the front cover 6 clips". */
const THEN = /[;,.]?\s+(?:and\s+)?then\s+(?:the\s+)?/gi;

/** Whether a panel of its own is told, with what holds it: "then slide forward" is none. */
const isOwn = (text: string): boolean => {
  const read = readStep(text);
  const held = read.ok && read.step.fasteners.length + read.step.plugs.length > 0;
  return held && read.step.name !== NAMELESS;
};

/** Steps that are told in one breath, parted by "then"; each comes after the one before it. */
export function readSteps(text: string): readonly ReadStep[] {
  const pieces: string[] = [];
  let from = 0;
  for (const then of text.matchAll(THEN)) {
    const end = then.index + then[0].length;
    if (!isOwn(text.slice(from, then.index)) || !isOwn(text.slice(end))) continue;
    pieces.push(text.slice(from, then.index));
    from = end;
  }
  let last = "";
  return [...pieces, text.slice(from)].map((piece) => {
    const read = readStep(piece);
    if (!read.ok) return read;
    const { step } = read;
    const follows = last !== "" && step.after.length === 0 ? [last] : step.after;
    last = step.name;
    return { ok: true, step: { ...step, after: follows } };
  });
}
