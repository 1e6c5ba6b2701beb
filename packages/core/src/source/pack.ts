import { itemAt } from "../present/index.ts";
import type { PackFacts } from "../vehicle/index.ts";

type Table = readonly (readonly [soc: number, volts: number])[];

/**
 * Volts of one cell at rest against state of charge (0–1). Lead: a sixth of the 12 V
 * battery's table. Lithium (nickel manganese cobalt) and lithium iron: handbook curves, from
 * memory, flat in the middle.
 */
const CELL_V: Readonly<Record<PackFacts["chemistry"], Table>> = {
  leadBlocks: [
    [0, 11.8 / 6],
    [0.25, 12.0 / 6],
    [0.5, 12.2 / 6],
    [0.75, 12.4 / 6],
    [1, 12.7 / 6],
  ],
  lithium: [
    [0, 3.0],
    [0.1, 3.45],
    [0.3, 3.6],
    [0.5, 3.7],
    [0.7, 3.85],
    [0.9, 4.05],
    [1, 4.18],
  ],
  lithiumIron: [
    [0, 2.5],
    [0.1, 3.2],
    [0.3, 3.25],
    [0.7, 3.3],
    [0.95, 3.35],
    [1, 3.4],
  ],
};

/** Volts of one cell: what it is called by, off the charger, and empty under load (from memory). */
export const CELL_MARKS: Readonly<
  Record<
    PackFacts["chemistry"],
    { readonly nominalV: number; readonly topV: number; readonly emptyV: number }
  >
> = {
  leadBlocks: { nominalV: 2, topV: 2.4, emptyV: 1.75 },
  lithium: { nominalV: 3.65, topV: 4.2, emptyV: 3.0 },
  lithiumIron: { nominalV: 3.2, topV: 3.65, emptyV: 2.5 },
};

function interpolate(table: Table, x: number): number {
  const at = Math.max(
    1,
    table.findIndex(([s]) => s >= x),
  );
  const [s0, v0] = itemAt(table, at - 1);
  const [s1, v1] = itemAt(table, at);
  return v0 + ((v1 - v0) * (x - s0)) / (s1 - s0);
}

type Pack = Pick<PackFacts, "chemistry" | "cells">;

/** Volts of a whole pack at rest, at a state of charge clamped to 0–1. */
export const packRestV = (pack: Pack, soc: number): number =>
  pack.cells * interpolate(CELL_V[pack.chemistry], Math.min(1, Math.max(0, soc)));

/** Volts straight off the charger by chemistry and cells: 13 cells of lithium give 54.6 V. */
export const packTopV = (pack: Pack): number => pack.cells * CELL_MARKS[pack.chemistry].topV;

/** Volts under load at which a pack is called empty. */
export const packEmptyV = (pack: Pack): number => pack.cells * CELL_MARKS[pack.chemistry].emptyV;

/** From empty under load to what the charger holds, as measured or stated: what anything on it must bear. */
export function packRangeV(pack: PackFacts): { readonly lowV: number; readonly highV: number } {
  return { lowV: packEmptyV(pack), highV: pack.topOfChargeV.high };
}
