import type { Condition, Lamp, PinId, LightingCircuit } from "../job/index.ts";
import type { KitPart, LoadPart, Part } from "../part/index.ts";
import type { Vehicle } from "../vehicle/index.ts";

/** Where a circuit is said to be fed from; `usual` where nobody said. */
export type SaidFeed =
  | { readonly kind: "usual" }
  | { readonly kind: "battery" }
  | { readonly kind: "pack" }
  | { readonly kind: "converter" }
  | { readonly kind: "pin"; readonly pinId: PinId };

/** A circuit as a sentence said it. */
export interface SaidCircuit {
  readonly name: string;
  readonly part: LoadPart;
  readonly count: number;
  readonly place: Lamp["place"];
  /** Where the other half of them sits: left and right, front and rear; null where all are at one place. */
  readonly second: Lamp["place"] | null;
  /** Of what is sold by the metre, in m; 0 as it comes. */
  readonly lengthM: number;
  readonly condition: Condition;
  readonly feed: SaidFeed;
  readonly relay: LightingCircuit["relay"];
  readonly series: boolean;
  /** How it joins the wires of the factory lamp that it comes in the place of; null for an added one. */
  readonly replaces: Lamp["joint"] | null;
  /** It is the dim level of the lamps of the circuit before it, in their housings. */
  readonly dim: boolean;
}

/** What a sentence says of a job, and what of it was not understood. */
export interface SaidJob {
  /** The whole of it, as it was said. */
  readonly words: string;
  readonly vehicle: Vehicle | null;
  /** Which one of the model: "the grey one"; "" where nobody said. */
  readonly machine: string;
  readonly customer: string;
  /** Promised day as ISO date, or "". */
  readonly promised: string;
  readonly circuits: readonly SaidCircuit[];
  /** Kits of the shelf that are unboxed into it, with all their circuits. */
  readonly kits: readonly KitPart[];
  /** Words that were passed over, as they were written. */
  readonly notUnderstood: readonly string[];
  /** What nobody said and was taken as usual, one a line. */
  readonly assumed: readonly string[];
}

/** What a sentence may speak of. */
export interface SentenceWorld {
  readonly vehicles: readonly Vehicle[];
  readonly shelf: readonly Part[];
  readonly customers: readonly string[];
  /** The day that "Friday" is counted from. */
  readonly today: Date;
  /** The vehicle where the sentence names none; null where it has to. */
  readonly vehicle: Vehicle | null;
}
