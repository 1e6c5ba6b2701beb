/**
 * Branded ids. They are minted and narrowed here and nowhere else, so that a lamp's id
 * cannot be handed in where a run's is meant.
 */
declare const brand: unique symbol;
type Id<Kind extends string> = string & { readonly [brand]: Kind };

export type PartId = Id<"part">;
export type LampId = Id<"lamp">;
export type CircuitId = Id<"run">;
export type ConnectorId = Id<"connector">;
export type PinId = Id<"pin">;
export type SupplyId = Id<"supply">;
export type KitSwitchId = Id<"control">;
export type ProfileId = Id<"profile">;
export type PlaceId = Id<"place">;
export type SegmentId = Id<"segment">;
export type StepId = Id<"step">;
export type FastenerId = Id<"fastener">;
export type TemplateId = Id<"template">;
export type LandmarkId = Id<"landmark">;
export type HoleId = Id<"hole">;
export type BondId = Id<"bond">;
export type HarnessId = Id<"harness">;
export type VariantId = Id<"variant">;
export type ElementId = Id<"element">;
export type NodeId = Id<"node">;
export type UnitId = Id<"unit">;

/** What an id in a document may look like: short, printable, safe in a path or a netlist. */
export const ID_PATTERN = /^[A-Za-z0-9][A-Za-z0-9_-]{0,63}$/;

/** Narrows a string that the border has validated (or that code spells out) to a branded id. */
export const asId = <T extends Id<string>>(text: string): T => text as T;

/** The first free id of the form `prefix-n`: deterministic, so that a replay mints the same. */
export function nextId<T extends Id<string>>(prefix: string, taken: Iterable<string>): T {
  const used = new Set(taken);
  let n = used.size + 1;
  while (used.has(`${prefix}-${n}`)) n += 1;
  return asId<T>(`${prefix}-${n}`);
}
