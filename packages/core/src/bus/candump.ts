import { itemAt } from "../present/index.ts";
import type { Fault } from "../job/index.ts";

/** One frame of a candump log. */
export interface BusFrame {
  readonly atS: number;
  readonly id: number;
  readonly extended: boolean;
  readonly data: Uint8Array;
}

const FRAME = /^\((\d+\.\d+)\)\s+(\S+)\s+([0-9A-Fa-f]{3}|[0-9A-Fa-f]{8})#(R\d?|[0-9A-Fa-f]*)$/;
const MOST_FAULTS = 20;

/**
 * Reads a candump log piece by piece, so that a long one need not be held: `push` takes any
 * part of the text and answers the frames that it completes. Remote frames are passed over.
 */
export class CandumpReader {
  private rest = "";
  private line = 0;
  private startS: number | null = null;
  readonly faults: Fault[] = [];

  push(text: string): BusFrame[] {
    const lines = (this.rest + text).split("\n");
    this.rest = lines.pop() ?? "";
    return lines.flatMap((line) => this.frame(line));
  }

  /** What is left when the text has ended without a last newline. */
  end(): BusFrame[] {
    const last = this.rest;
    this.rest = "";
    return last === "" ? [] : this.frame(last);
  }

  private frame(raw: string): BusFrame[] {
    this.line += 1;
    const line = raw.trim();
    if (line === "") return [];
    const found = FRAME.exec(line);
    const hex = found?.[4] ?? "";
    if (!found || (!hex.startsWith("R") && hex.length % 2 !== 0)) {
      if (this.faults.length < MOST_FAULTS) {
        this.faults.push({
          path: `line ${this.line}`,
          message: `invalid frame: "${line.slice(0, 60)}" ((seconds) bus id#bytes)`,
        });
      }
      return [];
    }
    if (hex.startsWith("R")) return [];
    const time = Number(found[1]);
    this.startS ??= time;
    const data = new Uint8Array(hex.length / 2);
    for (let i = 0; i < data.length; i += 1) data[i] = parseInt(hex.slice(2 * i, 2 * i + 2), 16);
    return [
      {
        atS: time - this.startS,
        id: parseInt(itemAt(found, 3), 16),
        extended: itemAt(found, 3).length === 8,
        data,
      },
    ];
  }
}

const hexOf = (data: Uint8Array): string =>
  [...data].map((b) => b.toString(16).toUpperCase().padStart(2, "0")).join("");

/** Frames as a candump log on a bus called `can0`. */
export const printCandump = (frames: readonly BusFrame[], bus = "can0"): string =>
  frames
    .map(({ atS, id, extended, data }) => {
      const name = id
        .toString(16)
        .toUpperCase()
        .padStart(extended ? 8 : 3, "0");
      return `(${atS.toFixed(6)}) ${bus} ${name}#${hexOf(data)}\n`;
    })
    .join("");
