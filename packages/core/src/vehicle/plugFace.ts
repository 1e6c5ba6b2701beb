import type { Connector, ConnectorPin, Vehicle } from "./vehicle.ts";

/** From where a plug is looked at: onto the face that meets the other half, or onto its wires. */
export const PLUG_SIDES = ["mating", "wires"] as const;
/** From where a plug is seen: its wires, or its mouth. */
export type PlugSide = (typeof PLUG_SIDES)[number];

/** One cavity of a plug as it is seen. */
export interface PlugCavity {
  /** As it is marked; its number where nobody wrote a wire of it down. */
  readonly cavity: string;
  /** From the top and from the left, 0 first. */
  readonly row: number;
  readonly column: number;
  /** What is in it; null for an empty one, or one that nobody looked into. */
  readonly pin: ConnectorPin | null;
}

/** A plug as it is seen, cavity by cavity. */
export interface PlugFace {
  readonly rows: number;
  readonly columns: number;
  readonly cavities: readonly PlugCavity[];
}

/** More cavities than this stand in two rows where nobody said in how many: common practice. */
const ONE_ROW = 4;

/** The number that a cavity's mark stands for: 3 for "3" and for "C"; none for "+" or "L2". */
function numberOf(cavity: string): number | null {
  const mark = cavity.trim();
  if (/^\d{1,3}$/.test(mark)) return Number(mark) > 0 ? Number(mark) : null;
  return /^[A-Za-z]$/.test(mark) ? mark.toUpperCase().charCodeAt(0) - 64 : null;
}

/** A connector's wires that this vehicle has, each cavity's own variant before what all have. */
function pinsIn({ pins, variant }: Vehicle, { id }: Connector): ConnectorPin[] {
  const own = pins.filter(
    (p) => p.connectorId === id && (p.variant === "" || p.variant === variant),
  );
  return [...own].sort((a, b) => Number(b.variant !== "") - Number(a.variant !== ""));
}

/**
 * A plug as it is seen: its cavities counted from the top left of the mating face, row by row, as
 * most makers count (common practice: the number that is moulded on it has the last word). From
 * the wires left and right change sides.
 */
export function plugFace(vehicle: Vehicle, connector: Connector, side: PlugSide): PlugFace {
  const at = new Map<number, ConnectorPin>();
  const unnumbered: ConnectorPin[] = [];
  for (const pin of pinsIn(vehicle, connector)) {
    const n = numberOf(pin.cavity);
    const there = n === null ? undefined : at.get(n);
    if (n !== null && !there) at.set(n, pin);
    // "1" and "A" in one plug are two cavities; variants of one mark are one.
    else if (there?.cavity !== pin.cavity) unnumbered.push(pin);
  }
  let next = 1;
  const placed = new Set<string>();
  for (const pin of unnumbered) {
    // Variants of one mark are one cavity.
    if (placed.has(pin.cavity)) continue;
    placed.add(pin.cavity);
    while (at.has(next)) next += 1;
    at.set(next, pin);
  }
  const count = Math.max(connector.cavities, 1, ...at.keys());
  const rows = Math.min(count, connector.rows > 0 ? connector.rows : count > ONE_ROW ? 2 : 1);
  const columns = Math.ceil(count / rows);
  const cavities = Array.from({ length: count }, (_, i): PlugCavity => {
    const pin = at.get(i + 1) ?? null;
    const column = i % columns;
    return {
      cavity: pin?.cavity ?? String(i + 1),
      row: Math.floor(i / columns),
      column: side === "mating" ? column : columns - 1 - column,
      pin,
    };
  });
  return { rows, columns, cavities };
}
