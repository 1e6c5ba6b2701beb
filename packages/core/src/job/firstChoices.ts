import type { BoxPart, LoadPart } from "../part/index.ts";
import { allOf, type Input } from "./condition.ts";
import { createCircuit, createSupply } from "./create.ts";
import { applyEdits, type Edit } from "./edit/edit.ts";
import { addLamps, adoptPart, append } from "./edit/edits.ts";
import { asId, type PartId, type PinId, type CircuitId, type SupplyId } from "./ids.ts";
import type { Job } from "./job.ts";
import type { Lamp, LightingCircuit } from "./record/wiring.ts";
import type { BaseLoad, ConnectorPin } from "../vehicle/index.ts";

/** What turns on a circuit that hangs on a factory wire: what makes the wire live. */
const follows = ({ liveWhen }: ConnectorPin) =>
  liveWhen === "always" || liveWhen === "unknown" || liveWhen === "ground"
    ? allOf("key")
    : allOf(liveWhen satisfies Input);

/** A circuit on a factory wire as it comes: no relay, no switch, no fuse beside the factory's. */
function circuitOn(
  job: Job,
  id: CircuitId,
  name: string,
  pin: ConnectorPin,
  rear: boolean,
): LightingCircuit {
  const run = createCircuit(id, name, job.vehicle, rear ? "rear" : "front", follows(pin));
  return { ...run, feed: { kind: "pin", pinId: pin.id }, relay: "no" };
}

/** Factory lamps that go, and what takes their place. */
export interface Replacement {
  readonly part: LoadPart;
  readonly count: number;
  readonly place: Lamp["place"];
  /** The wire that the factory lamp hangs on. */
  readonly pinId: PinId;
  /** The load of the vehicle that goes; "" where nobody has told it yet: it is written down with what such bulbs draw. */
  readonly replaces: string;
  readonly joint: Lamp["joint"];
  readonly name: string;
}

/** What a factory lamp draws, in W at 13.5 V: bulbs as vehicles have them, common practice. */
const USUAL_BULB_W: Readonly<
  Partial<Record<ConnectorPin["liveWhen"], readonly [number, number, number]>>
> = {
  ...{ low: [55, 30, 65], high: [60, 30, 65], park: [5, 3, 10], brake: [21, 10, 25] },
  ...{ left: [21, 10, 25], right: [21, 10, 25], reverse: [21, 10, 25] },
};
const BULB_V = 13.5;

/**
 * Lamps of the vehicle whose draw nobody has told, taken as bulbs of their kind: gone, so they
 * count for nothing in the budget, and what they drew is free on their wire.
 */
function untoldLoad(pin: ConnectorPin, count: number): BaseLoad {
  const [value, low, high] = USUAL_BULB_W[pin.liveWhen] ?? [0, 0, 0];
  const amps = (watts: number): number => Number(((count * watts) / BULB_V).toFixed(2));
  return {
    id: `factory-${pin.id}`,
    name: /lamp|light/i.test(pin.carries)
      ? `Factory ${pin.carries}`
      : `Factory lamp on ${pin.carries}`,
    kind: "lamp",
    at: "",
    currentA: { value: amps(value), low: amps(low), high: amps(high), provenance: "assumed" },
    ...{ parked: 0, engineOff: 0, idle: 0, town: 0, cruise: 0 },
  };
}

/**
 * A factory lamp that makes room for another: the old load leaves the budget, the new one takes
 * its place by its plug, by an adapter or by splices; factory fuse and wire stay. Empty where
 * the vehicle has no such wire.
 */
export function replaceLamp(job: Job, what: Replacement, mint: (prefix: string) => string): Edit[] {
  const pin = job.vehicle.pins.find((p) => p.id === what.pinId);
  if (!pin) return [];
  const run = circuitOn(job, asId<CircuitId>(mint("run")), what.name, pin, what.place === "rear");
  const untold = untoldLoad(pin, what.count);
  const replaces = what.replaces === "" ? untold.id : what.replaces;
  const isThere = job.vehicle.baseLoads.some((load) => load.id === replaces);
  const first = [...(isThere ? [] : [append(job, "baseLoad", untold)]), append(job, "run", run)];
  const made = applyEdits(job, first);
  const then = made.ok ? made.job : job;
  const lamps = addLamps(then, run, what.part, what.count, what.place, () => mint("lamp"));
  const joined = lamps.map((edit): Edit => {
    if (edit.kind !== "add" || edit.entity !== "lamp") return edit;
    return { ...edit, value: { ...edit.value, joint: what.joint, replaces } };
  });
  return [...first, ...joined];
}

/** A module that goes between a factory plug and its lamp. */
export interface PlugIn {
  /** A module of the shelf, or one that is in the job already by its supply. */
  readonly module: BoxPart | { readonly supplyId: SupplyId };
  readonly pinId: PinId;
  /** The factory load behind it; "" where nobody has told it yet: it is written down with what such bulbs draw. */
  readonly baseLoadId: string;
  readonly place: Lamp["place"];
  /** Channel of the module; 0 for the next free one. */
  readonly channel: number;
}

/** The colour of a factory lamp, by what its wire is live with and where it sits. */
function lightOf({ liveWhen }: ConnectorPin, place: Lamp["place"]): LoadPart["light"] {
  if (liveWhen === "left" || liveWhen === "right") return "amber";
  return liveWhen === "brake" || place === "rear" ? "red" : "warm white";
}

/** A factory lamp as a part, drawing what the vehicle's facts say of it. */
const factoryPart = (
  id: string,
  name: string,
  currentA: LoadPart["standbyA"],
  light: LoadPart["light"],
): LoadPart => ({
  ...{ id: asId<PartId>(id), kind: "load", family: "lamp", name, light },
  ...{
    note: "The vehicle's own.",
    price: 0,
    stock: 0,
    ingress: "",
    ratedV: 0,
    pigtail: "",
    dim: null,
  },
  ...{ lights: [], caseGround: false, behaviour: null },
  load: { kind: "constantCurrent", currentA },
  standbyA: { value: 0, low: 0, high: 0, provenance: "assumed" },
});

/**
 * A module between a factory plug and the factory lamp behind it: no fuse, no splice, no added
 * circuit but the lamp's own through the module. Empty where wire or load are not there.
 */
export function plugInModule(job: Job, what: PlugIn, mint: (prefix: string) => string): Edit[] {
  const pin = job.vehicle.pins.find((p) => p.id === what.pinId);
  if (!pin) return [];
  const untold = untoldLoad(pin, 1);
  const loadId = what.baseLoadId === "" ? untold.id : what.baseLoadId;
  const there = job.vehicle.baseLoads.find((l) => l.id === loadId);
  const load = there ?? (what.baseLoadId === "" ? untold : null);
  if (!load) return [];
  const edits: Edit[] = there ? [] : [append(job, "baseLoad", load)];
  let supplyId: SupplyId;
  if ("supplyId" in what.module) supplyId = what.module.supplyId;
  else {
    supplyId = asId<SupplyId>(mint("module"));
    const supply = createSupply(supplyId, what.module.name, what.module.id, job.vehicle);
    edits.push(...adoptPart(job, what.module), append(job, "supply", supply));
  }
  const id = asId<CircuitId>(mint("run"));
  const run: LightingCircuit = {
    ...circuitOn(job, id, load.name, pin, what.place === "rear"),
    ...{ throughId: supplyId, channel: what.channel },
  };
  const before = applyEdits(job, [...edits, append(job, "run", run)]);
  const then = before.ok ? before.job : job;
  const part = factoryPart(
    `factory-${load.id}`,
    load.name,
    load.currentA,
    lightOf(pin, what.place),
  );
  const [adopt, ...lamps] = addLamps(then, run, part, 1, what.place, () => mint("lamp"));
  const factory = [...(adopt ? [adopt] : []), ...lamps].map((edit): Edit => {
    if (edit.kind !== "add" || edit.entity !== "lamp") return edit;
    const value = { ...edit.value, factory: true, joint: "plug" as const, replaces: load.id };
    return { ...edit, value };
  });
  return [...edits, append(job, "run", run), ...factory];
}
