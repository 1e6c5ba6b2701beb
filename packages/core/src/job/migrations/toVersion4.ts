import { eachWith, isPlain, withDefaults, type Plain } from "./plain.ts";

const auto = { kind: "auto" };

/** Kinds of part whose lights are told one by one. */
const LOAD = "load";

/** A shelf part of version 3 as one of version 4: further lights, ratings by way, cells. */
export function partTo4(part: unknown): unknown {
  if (!isPlain(part)) return part;
  const set = (behaviour: unknown): unknown => withDefaults(behaviour, { flashWith: [] });
  const own: Record<string, Plain> = {
    [LOAD]: { lights: [] },
    box: { wayRatings: [], mainBreakerA: 0 },
    battery: { cells: 0 },
  };
  return {
    ingress: "",
    ratedV: 0,
    ...own[String(part.kind)],
    ...part,
    ...(isPlain(part.behaviour) && { behaviour: set(part.behaviour) }),
    ...(Array.isArray(part.behaviours) && { behaviours: part.behaviours.map(set) }),
  };
}

/** Nobody was asked how many lamps it had. */
const UNCOUNTED = {
  ...{ headlight: null, rearPosition: null, stop: null },
  ...{ turnFront: null, turnRear: null },
};

/** A vehicle of version 3 as one of version 4: every wire is in every variant, and switches positive. */
export function vehicleTo4(vehicle: unknown): unknown {
  if (!isPlain(vehicle)) return vehicle;
  const { system } = vehicle;
  return {
    variants: [],
    variant: "",
    factoryLamps: UNCOUNTED,
    ...vehicle,
    pins: eachWith(vehicle.pins, { switches: "positive", variant: "" }),
    system:
      isPlain(system) && isPlain(system.battery)
        ? { ...system, battery: { cells: 0, ...system.battery } }
        : system,
  };
}

export const practicesTo4 = (practices: unknown): unknown =>
  withDefaults(practices, { colours: [] });

/**
 * A job document of version 3 as one of version 4: lamps say how they join, controls what they
 * switch and whose switch they sit in, circuits their channel, module and program; harnesses
 * and wires may be spoken of one by one. So far every lamp was spliced and every wire cut.
 */
export const toVersion4 = (document: Plain): Plain => ({
  harnesses: [],
  wireChoices: [],
  ...document,
  format: "dragonet-job/4",
  practices: practicesTo4(document.practices),
  vehicle: vehicleTo4(document.vehicle),
  parts: Array.isArray(document.parts) ? document.parts.map(partTo4) : document.parts,
  lamps: eachWith(document.lamps, { joint: "splice", factory: false }),
  supplies: eachWith(document.supplies, { switches: "part" }),
  controls: eachWith(document.controls, {
    ...{ fuse: auto, wire: null, housing: "", momentary: false, switches: "positive" },
  }),
  runs: eachWith(document.runs, { channel: 0, throughId: "", program: null }),
});
