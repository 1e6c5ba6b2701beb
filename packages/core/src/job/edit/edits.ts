import type { Part } from "../../part/index.ts";
import { COLLECTIONS, type CollectionName, type Collections } from "../entities.ts";
import type { Edit } from "./edit.ts";
import { addAt, setIn } from "./makers.ts";
import {
  type KitSwitchId,
  type HarnessId,
  type LampId,
  type CircuitId,
  type SupplyId,
  ownerOfElement,
} from "../ids.ts";
import type { Job } from "../job.ts";
import type {
  KitSwitch,
  Feed,
  FusePin,
  Harness,
  LAMP_PLACES,
  LightingCircuit,
  Supply,
} from "../record/wiring.ts";
import { firstFeed } from "../create.ts";
import { asId } from "../ids.ts";

/** Sets one field of a run. */
export const setCircuit = <F extends keyof LightingCircuit>(
  id: CircuitId,
  field: F,
  value: LightingCircuit[F],
): Edit => setIn("run", id, field, value);

/** Holds a circuit's fuse to one, or leaves it to the plan. */
export const pinFuse = (run: CircuitId, fuse: FusePin): Edit => setCircuit(run, "fuse", fuse);
/** Holds a circuit's wire to one size; null leaves it to the plan. */
export const pinWire = (run: CircuitId, gaugeId: string | null): Edit =>
  setCircuit(run, "wire", gaugeId);
/** Says whether a circuit has a relay, or leaves it to the plan. */
export const pinRelay = (run: CircuitId, relay: LightingCircuit["relay"]): Edit =>
  setCircuit(run, "relay", relay);

/** Adds an entry at the end of its list. */
export function append<E extends CollectionName>(job: Job, entity: E, value: Collections[E]): Edit {
  const at = COLLECTIONS[entity].get(job)?.length ?? 0;
  return addAt(entity, value, at);
}

/**
 * Brings a shelf part into the job as its own copy. One that is there as it is on the shelf
 * stays; one that the shelf has changed since takes the place of the old copy.
 */
export function adoptPart(job: Job, part: Part): Edit[] {
  const at = job.parts.findIndex((p) => p.id === part.id);
  if (at < 0) return [append(job, "part", part)];
  if (JSON.stringify(job.parts[at]) === JSON.stringify(part)) return [];
  return [
    { kind: "remove", entity: "part", id: part.id },
    { kind: "add", entity: "part", value: part, at },
  ];
}

/** Adds lamps of one part to a run, labelled in order. `mint` hands in fresh ids. */
export function addLamps(
  job: Job,
  run: LightingCircuit,
  part: Part,
  count: number,
  place: (typeof LAMP_PLACES)[number],
  mint: () => string,
): Edit[] {
  const there = job.lamps.filter((l) => l.runId === run.id && l.partId === part.id).length;
  const total = there + count;
  const labels = Array.from({ length: count }, (_, i) =>
    total === 1 ? part.name : `${part.name} ${there + i + 1}`,
  );
  return [
    ...adoptPart(job, part),
    ...labels.map((label, i): Edit => ({
      kind: "add",
      entity: "lamp",
      value: {
        id: asId<LampId>(mint()),
        label,
        partId: part.id,
        runId: run.id,
        place,
        light: "main",
        housing: "",
        lengthM: part.kind === "load" && part.load.kind === "ledStrip" ? part.load.lengthM : 0,
        at: "",
        replaces: "",
        joint: "splice",
        factory: false,
      },
      at: job.lamps.length + i,
    })),
  ];
}

/** Removes a lamp in place with how it was aimed. */
export const removeMount = (job: Job, mountId: string): Edit[] => [
  ...job.aims
    .filter((aim) => aim.mountId === mountId)
    .map((aim): Edit => ({ kind: "remove", entity: "aim", id: aim.id })),
  { kind: "remove", entity: "mount", id: mountId },
];

/** Removes a lamp with where it was to sit. */
export const removeLamp = (job: Job, lampId: LampId): Edit[] => [
  ...job.mounts
    .filter((mount) => mount.lampId === lampId)
    .flatMap((mount) => removeMount(job, mount.id)),
  { kind: "remove", entity: "lamp", id: lampId },
];

/** Removes a run and the lamps on it. */
export function removeCircuit(job: Job, runId: CircuitId): Edit[] {
  return [
    ...job.deviations
      .filter((d) => d.runId === runId || d.otherRunId === runId)
      .map((d): Edit => ({ kind: "remove", entity: "deviation", id: d.id })),
    ...forgetWires(job, runId),
    ...job.lamps.filter((lamp) => lamp.runId === runId).flatMap((lamp) => removeLamp(job, lamp.id)),
    { kind: "remove", entity: "run", id: runId },
  ];
}

/** Removes a connector and its pins; runs that lean on a pin go back to choosing for themselves. */
export function removeConnector(job: Job, connectorId: string): Edit[] {
  const pins = job.vehicle.pins.filter((pin) => pin.connectorId === connectorId);
  const parted = job.harnesses.filter((h) => h.joints.some((j) => j.connectorId === connectorId));
  return [
    ...pins.flatMap((pin) => removePin(job, pin.id)),
    ...parted.map((harness) =>
      setHarness(
        harness.id,
        "joints",
        harness.joints.map((j) => (j.connectorId === connectorId ? { ...j, connectorId: "" } : j)),
      ),
    ),
    { kind: "remove", entity: "connector", id: connectorId },
  ];
}

/** Everything fed by something that goes is fed as it would be anew. */
function freeFeeds(job: Job, goes: (feed: Feed) => boolean): Edit[] {
  const feed = firstFeed(job.vehicle);
  return [
    ...job.runs.filter((run) => goes(run.feed)).map((run) => setCircuit(run.id, "feed", feed)),
    ...job.supplies.filter((s) => goes(s.feed)).map((s) => setSupply(s.id, "feed", feed)),
    ...job.controls.filter((c) => goes(c.feed)).map((c) => setKitSwitch(c.id, "feed", feed)),
  ];
}

/** Takes a factory wire off, and frees what hung on it. */
export function removePin(job: Job, pinId: string): Edit[] {
  const freed = job.runs.flatMap((run): Edit[] =>
    run.tapPinId === pinId ? [setCircuit(run.id, "tapPinId", null)] : [],
  );
  return [
    ...freeFeeds(job, (feed) => feed.kind === "pin" && feed.pinId === pinId),
    ...freed,
    { kind: "remove", entity: "pin", id: pinId },
  ];
}

/** Sets one field of a supply. */
export const setSupply = <F extends keyof Supply>(id: SupplyId, field: F, value: Supply[F]): Edit =>
  setIn("supply", id, field, value);

/** Sets one field of a control of the kit. */
export const setKitSwitch = <F extends keyof KitSwitch>(
  id: KitSwitchId,
  field: F,
  value: KitSwitch[F],
): Edit => setIn("control", id, field, value);

/** Removes a supply; what it fed goes back to the vehicle's own source. */
export const removeSupply = (job: Job, supplyId: SupplyId): Edit[] => [
  ...freeFeeds(
    { ...job, supplies: job.supplies.filter((s) => s.id !== supplyId) },
    (feed) => feed.kind === "supply" && feed.supplyId === supplyId,
  ),
  ...job.runs
    .filter((run) => run.throughId === supplyId)
    .map((run) => setCircuit(run.id, "throughId", "")),
  ...forgetWires(job, supplyId),
  { kind: "remove", entity: "supply", id: supplyId },
];

/** What was said about the wires of something that goes is forgotten with it. */
const forgetWires = (job: Job, ownerId: string): Edit[] =>
  job.wireChoices
    .filter((choice) => ownerOfElement(choice.wire) === ownerId)
    .map((choice): Edit => ({ kind: "remove", entity: "wireChoice", id: choice.id }));

/** Removes a control of the kit; what sat in its switch gets one of its own. */
export const removeKitSwitch = (job: Job, controlId: KitSwitchId): Edit[] => [
  ...job.controls
    .filter((c) => c.housing === controlId)
    .map((c) => setKitSwitch(c.id, "housing", "")),
  ...forgetWires(job, controlId),
  { kind: "remove", entity: "control", id: controlId },
];

/** Sets one field of a harness. */
export const setHarness = <F extends keyof Harness>(
  id: HarnessId,
  field: F,
  value: Harness[F],
): Edit => setIn("harness", id, field, value);

/** Removes a harness; its wires are cut here. */
export const removeHarness = (job: Job, harnessId: string): Edit[] => [
  ...job.wireChoices
    .filter((choice) => choice.harnessId === harnessId)
    .map((choice): Edit => ({ kind: "remove", entity: "wireChoice", id: choice.id })),
  { kind: "remove", entity: "harness", id: harnessId },
];

/** Removes a load that the vehicle had; lamps that were to take its place are added ones then. */
export const removeBaseLoad = (job: Job, id: string): Edit[] => [
  ...job.lamps
    .filter((lamp) => lamp.replaces === id)
    .map((lamp): Edit => ({
      kind: "set",
      entity: "lamp",
      id: lamp.id,
      field: "replaces",
      value: "",
    })),
  { kind: "remove", entity: "baseLoad", id },
];
