import { measured, stated } from "../../quantity/index.ts";
import {
  asId,
  type Condition,
  type Feed,
  type Job,
  type LightingCircuit,
  type CircuitId,
} from "../../job/index.ts";
import type { BatteryPart, LoadPart, LoadSpec, SwitchPart } from "../../part/index.ts";
import type { Vehicle } from "../../vehicle/index.ts";
import { make, type FitMaker } from "../job/fitMaker.ts";
import { when } from "../job/jobMaker.ts";
import { PETREL } from "../vehicles.ts";
import { adoptPart, append, createCircuit, createSupply, replaceLamp } from "../../job/index.ts";

/** What a master would accept for an ordinary situation: common practice, checked by arithmetic. */
export interface Reference {
  readonly situation: string;
  readonly job: Job;
  /** The circuit, supply or control that is judged. */
  readonly ownerId: CircuitId;
  /** Fuses in A; null for none of its own. */
  readonly fuses: readonly (number | null)[];
  /** Thinnest and thickest wire, by the nearest American gauge. */
  readonly thinnest: number;
  readonly thickest: number;
  readonly relay: boolean | null;
  /** What works its relay is judged, and not its power. */
  readonly coil: boolean;
}

const NONE = stated(0, 0, 0);
export const driven = (watts: number, minV = 9, maxV = 32): LoadSpec => ({
  ...{ kind: "drivenLed", powerW: measured(watts, watts, watts), minV, maxV },
});
export const bulb = (watts: number): LoadSpec => ({
  ...{ kind: "filament", powerW: measured(watts, watts, watts), ratedV: 12 },
});
export const heater = (watts: number): LoadSpec => ({
  ...{ kind: "resistive", powerW: measured(watts, watts, watts), ratedV: 12 },
});
export const steady = (amps: number): LoadSpec => ({
  ...{ kind: "constantCurrent", currentA: stated(amps, amps, amps * 1.1) },
});

export const load = (
  name: string,
  spec: LoadSpec,
  family: LoadPart["family"] = "lamp",
): LoadPart => ({
  id: asId(name.replace(/[^a-z0-9]+/gi, "-").toLowerCase()),
  ...{
    kind: "load",
    family,
    name,
    light: "white",
    note: "",
    price: 0,
    stock: 0,
    ingress: "",
    ratedV: 0,
  },
  ...{ load: spec, standbyA: NONE, pigtail: "", dim: null, lights: [], caseGround: false },
  behaviour: null,
});

export const knob = (amps: number): SwitchPart => ({
  id: asId(`switch-${amps}`),
  ...{
    kind: "switch",
    name: `${amps} A switch`,
    note: "",
    price: 0,
    stock: 0,
    ingress: "",
    ratedV: 0,
  },
  ...{ contactA: amps, tellTale: "none", tellTaleA: NONE },
});

export interface Asked {
  readonly on: Condition;
  readonly lamp: LoadPart;
  readonly count?: number;
  readonly oneWayM: number;
  readonly knob?: SwitchPart;
  readonly fields?: Partial<LightingCircuit>;
}

export const RUN = asId<CircuitId>("asked");
/** Says that the coil of the circuit is what is asked about. */
export const COIL = "coil";
export const exact = (m: number) => measured(m, m, m);

/** One circuit on a vehicle, its way parted as an installer would: a fifth before the switch or relay. */
export function circuit(maker: FitMaker, a: Asked): FitMaker {
  const { vehicle } = maker.job;
  const run = { ...createCircuit(RUN, "asked", vehicle, "front", a.on), ...a.fields };
  maker.do(...adoptPart(maker.job, a.lamp));
  if (a.knob) maker.do(...adoptPart(maker.job, a.knob));
  maker.do(
    append(maker.job, "run", {
      ...run,
      ...(a.knob ? { switchPartId: a.knob.id } : {}),
      ...{ feedM: exact(a.oneWayM * 0.2), loadM: exact(a.oneWayM * 0.8), branchM: exact(0.3) },
      ...{ controlM: exact(0), fuseAtM: exact(0.15) },
    }),
  );
  for (let n = 1; n <= (a.count ?? 1); n += 1) {
    maker.do(
      append(maker.job, "lamp", {
        ...{ id: asId<never>(`lamp-${n}`), label: `lamp ${n}`, partId: a.lamp.id, runId: RUN },
        ...{ place: "front", light: "main", housing: "", lengthM: 0, at: "", replaces: "" },
        ...{ joint: "splice", factory: false },
      }),
    );
  }
  return maker;
}

export const on = (vehicle: Vehicle): FitMaker => make("reference", "", vehicle, "");
export const pin = (id: string): Feed => ({ kind: "pin", pinId: asId<never>(id) });
export const battery: Feed = { kind: "battery" };
export const ALONE = when("switch");
export const KEYED = when("switch", "key");

/** The cart's converter, and something behind it. */
export const converter = (maker: FitMaker): FitMaker =>
  maker.supply("converter", "Converter", "converter-60-12", { gate: "always" });

export const withBattery = (maker: FitMaker, own: BatteryPart): FitMaker => {
  maker.do(...adoptPart(maker.job, own));
  const supply = createSupply(asId("own"), "Own battery", own.id, maker.job.vehicle);
  return maker.do(append(maker.job, "supply", supply));
};

export const packOf = (
  vehicle: Vehicle,
  nominalV: number,
  cells: number,
  topV: number,
): Vehicle => {
  const { system } = vehicle;
  if (system.kind === "engine") throw new Error("no pack");
  const topOfChargeV = measured(topV, topV, topV);
  const pack = { ...system.pack, chemistry: "leadBlocks" as const, nominalV, cells, topOfChargeV };
  return { ...vehicle, system: { ...system, pack: { ...pack, blocks: 1 } } };
};

export type Row = readonly [
  situation: string,
  made: FitMaker | Job,
  fuses: readonly (number | null)[],
  thinnest: number,
  thickest: number,
  relay: boolean | null,
  ownerId?: string,
];

export const POWER: Asked["fields"] = { feed: battery, return: "chassis" };
export const WIRED = { return: "wire" as const };

/** A pair of LED turn lamps in the factory's plugs. */
export function replacedTurns(): FitMaker {
  const maker = on(PETREL);
  const lamp = load("LED turn lamp", driven(1.7));
  const what = {
    part: lamp,
    count: 2,
    place: "rear" as const,
    replaces: "",
    joint: "plug" as const,
  };
  let n = 0;
  const mint = (prefix: string) => (prefix === "run" ? RUN : `${prefix}-${(n += 1)}`);
  return maker.do(
    ...replaceLamp(maker.job, { ...what, pinId: asId("left"), name: "Left turn" }, mint),
  );
}

export const metric = (maker: FitMaker): FitMaker =>
  maker.do({ kind: "setOnce", entity: "practices", field: "wireSystem", value: "metric" });
