import {
  GROUND,
  type BatteryElement,
  type ConverterElement,
  type FlasherElement,
  type TapElement,
} from "../circuit/index.ts";
import { asId, isOn, type ElementId, type Input } from "../job/index.ts";
import type { BranchModel } from "../network/network.ts";
import type { Position } from "../network/position.ts";
import { decimal } from "../quantity/index.ts";
import { BATTERY_LEAK_OHM, LEAK_OHM, OPEN_OHM } from "../solve/defaults.ts";
import { batteryOhm, openCircuitV } from "../source/index.ts";
import type { ConnectorPin } from "../vehicle/index.ts";
import { OPEN, branchOf, faultOf, resistor, type InsideSpec } from "./spec.ts";
import { boxLook, look, mark, ring } from "./symbol.ts";

/** A factory circuit from its feed to its tap, fuse and contacts in it, in Ω: assumed. */
const FACTORY_OHM = 0.005;
/** A flasher's closed contact with its heater or shunt, in Ω: assumed. */
const FLASHER_OHM = 0.02;
/** Output resistance of a regulated converter up to its limit, in Ω: assumed. */
const CONVERTER_OHM = 0.005;

/**
 * Input of a converter that is off, in Ω: the divider that watches its volts, assumed. Without it
 * the leak of an open switch would be enough to wake it, and its load to put it out again.
 */
const ASLEEP_OHM = 1e5;

/** Whether a factory wire is live in a position. */
function isLive(pin: ConnectorPin, { inputs }: Position): boolean {
  if (pin.liveWhen === "always") return true;
  if (pin.liveWhen === "ground" || pin.liveWhen === "unknown") return false;
  return isOn(pin.liveWhen satisfies Input, inputs);
}

/** A factory wire that a run is fed or triggered from. */
export const tap: InsideSpec<TapElement> = {
  branches: (e, o) => [
    branchOf(e, isLive(e.pin, o.position) ? resistor(FACTORY_OHM) : OPEN, e.pin.carries),
  ],
  moves: true,
  words: (e) => e.pin.carries,
  name: (e) => e.pin.carries,
  detail: (e) => [e.pin.colour, e.pin.certainty].filter((t) => t !== "").join(", "),
  choice: "tap",
  faults: () => [],
  look: look(3, 104, 16, [mark("M8 11h8M8 3v16"), ring(8, 11, 3.5, 0)], "right"),
  ratedA: () => null,
};

export const flasher: InsideSpec<FlasherElement> = {
  branches: (e, o) => [
    branchOf(e, o.position.phase === "off" ? OPEN : resistor(FLASHER_OHM), e.part.name),
  ],
  moves: true,
  words: (e) => e.part.name,
  name: (e) => e.part.name,
  detail: (e) => `${decimal(e.part.ratePerMin.value, 0)} a minute`,
  choice: null,
  faults: (e) => [faultOf("deadUnit", `${e.part.name} stuck open`, e.id, OPEN_OHM)],
  look: boxLook(2, 96, [3, 16], "M6 14h5V8h6v6h6V8h5"),
  ratedA: (e) => e.part.contactA,
};

const leakOf = (id: ElementId): ElementId => asId<ElementId>(`${id}.leak`);

/** A battery of its own. Its negative floats: only a leak gives it a voltage against the vehicle's. */
export const battery: InsideSpec<BatteryElement> = {
  branches: (e) => {
    const ohm = batteryOhm(e.part);
    const volts = -openCircuitV(e.part.chemistry, 1, e.part.cells);
    const leak: BranchModel = { kind: "resistor", ohm: BATTERY_LEAK_OHM };
    return [
      branchOf(e, { kind: "source", volts, ohm }, e.part.name),
      { id: leakOf(e.id), from: e.from, to: GROUND, model: leak, words: `leak of ${e.part.name}` },
    ];
  },
  moves: false,
  words: (e) => e.part.name,
  name: (e) => e.part.name,
  detail: (e) => `${decimal(e.part.capacityAh.value, 0)} Ah`,
  choice: null,
  faults: (e) => [faultOf("deadUnit", `${e.part.name} flat`, e.id, OPEN_OHM)],
  look: look(2, 96, 22, [mark("M0 11h8M14 11h8"), mark("M8 6v10", 3), mark("M14 2v18")]),
  ratedA: () => null,
};

/** Branch of a converter's input: a load of constant power. */
export const inputOf = (id: ElementId): ElementId => asId<ElementId>(`${id}.input`);

/** Makes one voltage of another; isolated, its output floats but for a leak. */
export const converter: InsideSpec<ConverterElement> = {
  branches: (e, o) => {
    const state = o.converters?.get(e.id);
    const on = state !== undefined && state.outV > 0;
    const words = e.part.name;
    return [
      {
        id: inputOf(e.id),
        from: e.from,
        to: e.inNeg,
        model: on
          ? { kind: "power", powerW: state.inputW, minV: e.part.cutOffV }
          : resistor(ASLEEP_OHM),
        words: `input of ${words}`,
      },
      {
        id: e.id,
        from: e.outNeg,
        to: e.to,
        model: on ? { kind: "source", volts: -state.outV, ohm: CONVERTER_OHM } : OPEN,
        words,
      },
      ...(e.part.isolated
        ? [
            {
              id: leakOf(e.id),
              from: e.outNeg,
              to: GROUND,
              model: { kind: "resistor", ohm: LEAK_OHM } as const,
              words: `leak of ${words}`,
            },
          ]
        : []),
    ];
  },
  moves: true,
  words: (e) => e.part.name,
  name: (e) => e.part.name,
  detail: (e) =>
    `${decimal(e.part.inMinV, 0)}–${decimal(e.part.inMaxV, 0)} V to ${decimal(e.part.outV.value)} V`,
  choice: null,
  faults: (e) => [faultOf("deadUnit", `${e.part.name} dead`, e.id, OPEN_OHM)],
  look: boxLook(3, 120, [3, 16], "M1 19L33 3"),
  ratedA: () => null,
};
