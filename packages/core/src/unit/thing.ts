import type { Element, TerminalFormName, Unit } from "../circuit/index.ts";
import type { Job } from "../job/index.ts";

/** Terminals as a unit is laid out with: name, form, and why it may stay open where it may. */
export type TerminalList = readonly (readonly [
  name: string,
  form: TerminalFormName,
  spare?: string,
])[];

/** A piece that lies in hand for a unit. */
export interface Piece {
  readonly name: string;
  readonly detail: string;
}

/** Everything there is to know about one kind of thing that one can hold, in one place. */
export interface ThingSpec {
  /** One place for a tip, whichever of its terminals is meant. */
  readonly onePlace: boolean;
  /** To reach one of its terminals with a tip, min; null where there is no place for one. Common practice. */
  readonly reachMin: number | null;
  /** To put it in its place, min; 0 for what comes with its wires. Common practice. */
  readonly fitMin: number;
  /** What lies in hand for it: its part with what it is fitted in; nothing for a joint of wires. */
  pieces(unit: Unit, insides: readonly Element[], job: Job): readonly Piece[];
}

export const piece = (name: string, detail = ""): Piece => ({ name, detail });

/** Of what the vehicle has, and of what is only a joint of wires. */
export const NO_PIECES = (): readonly Piece[] => [];

/** Insides of which one tells what part their unit is. */
type WithPart = Extract<Element, { readonly part: { readonly name: string } }>["kind"];

/** The part of the inside of a kind, with what it is fitted in. */
export const partOf =
  (kind: WithPart, detail = "") =>
  (_unit: Unit, insides: readonly Element[]): readonly Piece[] => {
    const made = insideOfKind(insides, kind);
    return made ? [piece(made.part.name, detail)] : [];
  };

/** The first inside of a kind. */
export const insideOfKind = <K extends Element["kind"]>(
  insides: readonly Element[],
  kind: K,
): Extract<Element, { kind: K }> | undefined =>
  insides.find((e): e is Extract<Element, { kind: K }> => e.kind === kind);
