import type { Lamp, LightingCircuit, Term } from "../../job/index.ts";
import type { LoadPart } from "../../part/index.ts";
import type { SaidFeed } from "../said.ts";
import type { AskedLoad } from "../word/shelfMatch.ts";

/** A circuit as far as it has been read. */
export interface Draft {
  readonly name: string;
  part: LoadPart;
  /** What was asked for; null where a part was called by its name on the shelf. */
  asked: AskedLoad | null;
  sorts: readonly string[];
  /** How its part differs from what was said, one a line. */
  told: readonly string[];
  /** null where nobody said how many. */
  count: number | null;
  readonly plural: boolean;
  place: Lamp["place"] | null;
  /** Turn lamps in front and behind: two a side. */
  bothEnds: boolean;
  groups: Term[][];
  always: boolean;
  feed: SaidFeed;
  relay: LightingCircuit["relay"];
  series: boolean;
  /** On the left and on the right, as one circuit a side where they turn. */
  bothSides: boolean;
  /** Its number is meant for each side. */
  eachSide: boolean;
  replaces: Lamp["joint"] | null;
  /** It is the dim level of the lamps of the circuit before it. */
  dim: boolean;
  /** Of what is sold by the metre, in m; 0 where nobody said. */
  lengthM: number;
}

/** What was read before a load and belongs to it. */
export interface Ahead {
  count: number | null;
  watts: number | null;
  volts: number | null;
  amps: number | null;
  kinds: string[];
  place: Lamp["place"] | null;
  bothEnds: boolean;
  bothSides: boolean;
  replaces: boolean;
  /** Sorts of the factory lamp that it takes the place of. */
  gone: readonly string[];
  /** First token of it. */
  from: number | null;
}

export const nothingAhead = (): Ahead => ({
  ...{ count: null, watts: null, volts: null, amps: null, kinds: [], place: null, from: null },
  ...{ bothEnds: false, bothSides: false, replaces: false, gone: [] },
});

/** Words for a lamp that flashes by itself. */
export const FLASHING: ReadonlySet<string> = new Set([
  ...["flashing", "flashes", "flasher", "strobe", "strobing", "blinking"],
]);

/** Whether two places are the two ends of a vehicle. */
export const isEnds = (a: Lamp["place"] | null, b: Lamp["place"]): boolean =>
  (a === "front" && b === "rear") || (a === "rear" && b === "front");

/** Whether two places are the two sides of one. */
export const isSides = (a: Lamp["place"] | null, b: Lamp["place"]): boolean =>
  (a === "left" && b === "right") || (a === "right" && b === "left");
