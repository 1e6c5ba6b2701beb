import { itemAt } from "../present/index.ts";
import type { Fault } from "../job/index.ts";

/** One value in a frame, as a DBC file describes it. */
export interface BusSignal {
  readonly name: string;
  readonly startBit: number;
  readonly length: number;
  /** Intel order (1) or Motorola (0). */
  readonly littleEndian: boolean;
  readonly signed: boolean;
  readonly factor: number;
  readonly offset: number;
  readonly unit: string;
}

/** A message of a bus, with the signals in it. */
export interface BusMessage {
  /** Identifier without the flag of extended frames. */
  readonly id: number;
  readonly extended: boolean;
  readonly name: string;
  readonly bytes: number;
  readonly signals: readonly BusSignal[];
}

/** What a DBC file describes. */
export interface Dbc {
  readonly messages: readonly BusMessage[];
}

/** A DBC file as it was read, or every line that is none. */
export type DbcResult =
  | { readonly ok: true; readonly value: Dbc }
  | { readonly ok: false; readonly faults: readonly Fault[] };

const MESSAGE = /^BO_\s+(\d+)\s+(\w+)\s*:\s*(\d+)\s+(\w+)/;
const SIGNAL =
  /^SG_\s+(\w+)\s*(?:m\d+M?|M)?\s*:\s*(\d+)\|(\d+)@([01])([+-])\s*\(([^,]+),([^)]+)\)\s*\[[^\]]*\]\s*"([^"]*)"/;
/** Frames of extended identifiers carry this bit in a DBC file. */
const EXTENDED = 0x80000000;
const MOST_FAULTS = 50;

/** Whether all bits of a signal lie within its frame. */
function fits(s: BusSignal, bytes: number): boolean {
  if (s.length < 1 || s.length > 64) return false;
  if (s.littleEndian) return s.startBit + s.length <= bytes * 8;
  // Motorola: from the most significant bit down, each byte from bit 7 to 0.
  const first = Math.floor(s.startBit / 8) * 8 + (7 - (s.startBit % 8));
  return first + s.length <= bytes * 8;
}

/**
 * Reads the messages and signals of a DBC file. Every fault with its line; lines of other
 * kinds (comments, attributes, values) are passed over.
 */
export function readDbc(text: string): DbcResult {
  const faults: Fault[] = [];
  const messages: { message: BusMessage; signals: BusSignal[] }[] = [];
  const seen = new Map<number, number>();
  let open: { message: BusMessage; signals: BusSignal[] } | null = null;
  text.split(/\r?\n/).forEach((raw, i) => {
    const line = raw.trim();
    const wrong = (message: string): void => {
      if (faults.length < MOST_FAULTS) faults.push({ path: `line ${i + 1}`, message });
    };
    if (line.startsWith("BO_ ")) {
      const found = MESSAGE.exec(line);
      if (!found) {
        wrong(`invalid message: "${line.slice(0, 60)}" (BO_ number name: bytes sender)`);
        open = null;
        return;
      }
      const number = Number(found[1]);
      const bytes = Number(found[3]);
      if (bytes > 64) wrong(`invalid length: ${bytes} bytes (0 to 64)`);
      const before = seen.get(number);
      if (before !== undefined) wrong(`message ${number} stands on line ${before} already`);
      seen.set(number, i + 1);
      const extended = number >= EXTENDED;
      const id = extended ? number - EXTENDED : number;
      open = { message: { id, extended, name: itemAt(found, 2), bytes, signals: [] }, signals: [] };
      messages.push(open);
      return;
    }
    if (!line.startsWith("SG_ ")) return;
    if (!open) {
      wrong("a signal before any message (BO_ first)");
      return;
    }
    const found = SIGNAL.exec(line);
    if (!found) {
      wrong(
        `invalid signal: "${line.slice(0, 60)}" (SG_ name : start|length@order± (factor,offset) …)`,
      );
      return;
    }
    const signal: BusSignal = {
      name: itemAt(found, 1),
      startBit: Number(found[2]),
      length: Number(found[3]),
      littleEndian: found[4] === "1",
      signed: found[5] === "-",
      factor: Number(found[6]),
      offset: Number(found[7]),
      unit: itemAt(found, 8),
    };
    if (!Number.isFinite(signal.factor) || !Number.isFinite(signal.offset)) {
      wrong(`invalid scale: (${found[6]},${found[7]}) (two numbers)`);
      return;
    }
    if (!fits(signal, open.message.bytes)) {
      wrong(
        `${signal.name} of ${signal.length} bits from bit ${signal.startBit} does not fit ${open.message.bytes} bytes`,
      );
      return;
    }
    open.signals.push(signal);
  });
  if (messages.length === 0 && faults.length === 0) {
    faults.push({
      path: "line 1",
      message: "no messages (a DBC file has lines that begin with BO_)",
    });
  }
  if (faults.length > 0) return { ok: false, faults };
  return {
    ok: true,
    value: { messages: messages.map(({ message, signals }) => ({ ...message, signals })) },
  };
}

/** The raw bits of a signal, most significant first. */
function rawOf(signal: BusSignal, data: Uint8Array): bigint {
  let raw = 0n;
  if (signal.littleEndian) {
    for (let k = signal.length - 1; k >= 0; k -= 1) {
      const bit = signal.startBit + k;
      raw = (raw << 1n) | BigInt(((data[bit >> 3] ?? 0) >> (bit & 7)) & 1);
    }
    return raw;
  }
  let bit = signal.startBit;
  for (let k = 0; k < signal.length; k += 1) {
    raw = (raw << 1n) | BigInt(((data[bit >> 3] ?? 0) >> (bit & 7)) & 1);
    bit = bit % 8 === 0 ? bit + 15 : bit - 1;
  }
  return raw;
}

/** A signal's value in its unit, from the bytes of a frame. */
export function decodeSignal(signal: BusSignal, data: Uint8Array): number {
  let raw = rawOf(signal, data);
  if (signal.signed && raw >> BigInt(signal.length - 1) === 1n) raw -= 1n << BigInt(signal.length);
  return Number(raw) * signal.factor + signal.offset;
}

/** Writes a value into the bytes of a frame; what does not fit is cut to its bits. */
export function encodeSignal(signal: BusSignal, value: number, data: Uint8Array): void {
  let raw = BigInt(Math.round((value - signal.offset) / signal.factor));
  if (raw < 0n) raw += 1n << BigInt(signal.length);
  const put = (bit: number, on: boolean): void => {
    const at = bit >> 3;
    const mask = 1 << (bit & 7);
    data[at] = on ? (data[at] ?? 0) | mask : (data[at] ?? 0) & ~mask;
  };
  if (signal.littleEndian) {
    for (let k = 0; k < signal.length; k += 1) {
      put(signal.startBit + k, ((raw >> BigInt(k)) & 1n) === 1n);
    }
    return;
  }
  let bit = signal.startBit;
  for (let k = signal.length - 1; k >= 0; k -= 1) {
    put(bit, ((raw >> BigInt(k)) & 1n) === 1n);
    bit = bit % 8 === 0 ? bit + 15 : bit - 1;
  }
}
