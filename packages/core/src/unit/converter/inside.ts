import { GROUND, type ConverterElement } from "../../circuit/index.ts";
import { asId, type ElementId } from "../../job/index.ts";
import { isApart } from "../../part/index.ts";
import { decimal } from "../../quantity/index.ts";
import { LEAK_OHM, OPEN_OHM } from "../../solve/defaults.ts";
import { faultOf, leakOf, resistor, type InsideSpec } from "../inside.ts";
import { boxLook } from "../symbol.ts";

/** Output resistance of a regulated converter up to its limit, in Ω: assumed. */
const CONVERTER_OHM = 0.005;

/**
 * Input of a converter that is off, in Ω: the divider that watches its volts, assumed. Without it
 * the leak of an open switch would be enough to wake it, and its load to put it out again.
 */
const ASLEEP_OHM = 1e5;

/**
 * Output of a converter that is off, in Ω: the divider that sets its volts, assumed. What blocked diodes leak onto
 * a rail that is off has a way home by it.
 */
const OFF_OHM = 1e5;

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
        model: on ? { kind: "source", volts: -state.outV, ohm: CONVERTER_OHM } : resistor(OFF_OHM),
        words,
      },
      ...(isApart(e.part)
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
