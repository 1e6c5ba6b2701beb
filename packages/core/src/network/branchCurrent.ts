import { OFF_S, SOFT_ON_V, TURN_ON_SHARE } from "../solve/defaults.ts";
import type { BranchModel } from "./network.ts";

/** Beyond this current, in A, a diode goes on as a straight line: Newton comes down it in one step. */
const DIODE_KNEE_A = 1000;
/** Width in V of the knee where a strip's dies begin to conduct. */
export const DIES_KNEE_V = 0.05;
/** Leak of a diode that blocks, in S. */
const DIODE_LEAK_S = 1e-12;

/** What the knee of dies leaves at no voltage at all, in V: taken off again everywhere. */
export const diesFootV = (forwardV: number): number =>
  Math.sqrt(forwardV * forwardV + DIES_KNEE_V * DIES_KNEE_V) - forwardV;

/** Current in A and its derivative in S at a voltage, written to `out[0]` and `out[1]`. */
export function branchCurrent(model: BranchModel, volts: number, out: Float64Array): void {
  switch (model.kind) {
    case "resistor":
      out[0] = volts / model.ohm;
      out[1] = 1 / model.ohm;
      return;
    case "power": {
      const { powerW, minV } = model;
      const start = minV * TURN_ON_SHARE;
      if (volts >= minV) {
        out[0] = powerW / volts;
        out[1] = -powerW / volts ** 2;
      } else if (volts > start) {
        const foot = OFF_S * start;
        const slope = (powerW / minV - foot) / (minV - start);
        out[0] = foot + slope * (volts - start);
        out[1] = slope;
      } else {
        out[0] = OFF_S * volts;
        out[1] = OFF_S;
      }
      return;
    }
    case "filament": {
      const { ratedA, ratedV, exponent } = model;
      // Below a hundredth of its rating it is as good as cold: a straight line to zero.
      const knee = ratedV / 100;
      const size = Math.abs(volts);
      if (size < knee) {
        const conductance = (ratedA * (knee / ratedV) ** exponent) / knee;
        out[0] = conductance * volts;
        out[1] = conductance;
        return;
      }
      const amps = ratedA * (size / ratedV) ** exponent;
      out[0] = Math.sign(volts) * amps;
      out[1] = (exponent * amps) / size;
      return;
    }
    case "current": {
      const share = volts / SOFT_ON_V;
      if (share >= 1) {
        out[0] = model.currentA;
        out[1] = 0;
      } else if (share > 0) {
        out[0] = model.currentA * share;
        out[1] = model.currentA / SOFT_ON_V;
      } else {
        out[0] = OFF_S * volts;
        out[1] = OFF_S;
      }
      return;
    }
    case "dies": {
      // A hyperbola with the two straight lines as its asymptotes, lowered to go through zero:
      // dies that gave a current at no voltage would drive a strip that is off below ground.
      const x = volts - model.forwardV;
      const root = Math.sqrt(x * x + DIES_KNEE_V * DIES_KNEE_V);
      out[0] = (x + root - diesFootV(model.forwardV)) / (2 * model.ohm) + OFF_S * volts;
      out[1] = (1 + x / root) / (2 * model.ohm) + OFF_S;
      return;
    }
    case "diode": {
      const { saturationA, thermalV } = model;
      const most = Math.log(DIODE_KNEE_A / saturationA);
      const x = Math.min(volts / thermalV, most);
      const e = Math.exp(x);
      const beyond = volts / thermalV - x;
      out[0] = saturationA * (e * (1 + beyond) - 1) + DIODE_LEAK_S * volts;
      out[1] = (saturationA * e) / thermalV + DIODE_LEAK_S;
      return;
    }
  }
}

/** A conductance in S to begin with: near what the branch will have, and never below zero. */
export function startConductance(model: BranchModel): number {
  switch (model.kind) {
    case "resistor":
      return 1 / model.ohm;
    case "power":
      return model.powerW / 12 ** 2;
    case "filament":
      return model.ratedA / model.ratedV;
    case "current":
      return model.currentA / 12;
    case "dies":
      return 1 / (4 * model.ohm);
    case "diode":
      return 1e-3;
  }
}
