/**
 * Branded ids. They are minted and narrowed here and nowhere else, so that a lamp's id
 * cannot be handed in where a run's is meant.
 */
declare const brand: unique symbol;
type Id<Kind extends string> = string & { readonly [brand]: Kind };

/** Id of a part of the shelf. */
export type PartId = Id<"part">;
/** Id of a lamp of a job. */
export type LampId = Id<"lamp">;
/** Id of a circuit. */
export type CircuitId = Id<"run">;
/** Id of a connector of the vehicle. */
export type ConnectorId = Id<"connector">;
/** Id of a wire in a connector of the vehicle. */
export type PinId = Id<"pin">;
/** Id of a converter, box, flasher or battery of the kit. */
export type SupplyId = Id<"supply">;
/** Id of a switch of the kit. */
export type KitSwitchId = Id<"control">;
/** Id of a vehicle's profile. */
export type ProfileId = Id<"profile">;
/** Id of a place of a vehicle's route map. */
export type PlaceId = Id<"place">;
/** Id of a stretch of a vehicle's route map. */
export type SegmentId = Id<"segment">;
/** Id of a step of taking apart. */
export type StepId = Id<"step">;
/** Id of a fastener. */
export type FastenerId = Id<"fastener">;
/** Id of a drilling template. */
export type TemplateId = Id<"template">;
/** Id of what a template is laid out from. */
export type LandmarkId = Id<"landmark">;
/** Id of a hole of a template. */
export type HoleId = Id<"hole">;
/** Id of something stuck on. */
export type BondId = Id<"bond">;
/** Id of a ready-made harness. */
export type HarnessId = Id<"harness">;
/** Id of a variant of a model. */
export type VariantId = Id<"variant">;
/** Id of what sits between two terminals of a circuit. */
export type ElementId = Id<"element">;
/** Id of a node of the network, which is a terminal. */
export type NodeId = Id<"node">;
/** Id of a unit. */
export type UnitId = Id<"unit">;

/**
 * Id of what sits between two terminals: by the circuit, supply or switch of the kit that it belongs to, and its
 * own name within that. No id of a document has a dot in it, so that both can be read from it again.
 */
export const elementIdOf = (ownerId: string, name: string): ElementId =>
  asId<ElementId>(`${ownerId}.${name}`);

/** What an element belongs to, by its id alone: for what is said of wires that are not laid out. */
export const ownerOfElement = (id: string): string => {
  const dot = id.indexOf(".");
  return dot < 0 ? id : id.slice(0, dot);
};

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
