/* oxlint-disable typescript/no-non-null-assertion -- each index comes from the compiled network, and a law is asked at every step of Newton */
import { OFF_S, SOFT_ON_V, TURN_ON_SHARE } from "../../solve/defaults.ts";
import type { BranchModel } from "../network.ts";

/** Beyond this current, in A, a diode goes on as a straight line: Newton comes down it in one step. */
const DIODE_KNEE_A = 1000;
/** Width in V of the knee where a tape's dies begin to conduct. */
export const DIES_KNEE_V = 0.05;
/** Leak of a diode that blocks, in S. */
export const DIODE_LEAK_S = 1e-12;

/** What the knee of dies leaves at no voltage at all, in V: taken off again everywhere. */
export const diesFootV = (forwardV: number): number =>
  Math.sqrt(forwardV * forwardV + DIES_KNEE_V * DIES_KNEE_V) - forwardV;

/** Numbers a branch takes in the solver's flat arrays. */
export const LAW_WIDTH = 4;

const CODES = {
  resistor: 0,
  power: 1,
  filament: 2,
  current: 3,
  dies: 4,
  diode: 5,
  source: 6,
} as const satisfies Readonly<Record<BranchModel["kind"], number>>;

/** The most of all: a number, whatever the voltage. */
export const RESISTOR = CODES.resistor;
/** Constant-power loads: the only ones whose current falls as their voltage rises. */
export const POWER = CODES.power;
/** Voltages behind a resistance. */
export const SOURCE = CODES.source;

/**
 * Writes a branch's law as numbers, `LAW_WIDTH` of them from `at` on, and answers its code.
 * What costs a root or a logarithm is worked out here, once, and not at every step.
 */
export function writeLaw(model: BranchModel, numbers: Float64Array, at: number): number {
  switch (model.kind) {
    case "resistor":
      numbers[at] = 1 / model.ohm;
      return CODES.resistor;
    case "power": {
      const { powerW, minV } = model;
      const start = minV * TURN_ON_SHARE;
      numbers[at] = powerW;
      numbers[at + 1] = minV;
      numbers[at + 2] = start;
      numbers[at + 3] = (powerW / minV - OFF_S * start) / (minV - start);
      return CODES.power;
    }
    case "filament":
      numbers[at] = model.ratedA;
      numbers[at + 1] = model.ratedV;
      numbers[at + 2] = model.exponent;
      return CODES.filament;
    case "current":
      numbers[at] = model.currentA;
      return CODES.current;
    case "dies":
      numbers[at] = model.forwardV;
      numbers[at + 1] = model.ohm;
      numbers[at + 2] = diesFootV(model.forwardV);
      return CODES.dies;
    case "diode":
      numbers[at] = model.saturationA;
      numbers[at + 1] = model.thermalV;
      numbers[at + 2] = Math.log(DIODE_KNEE_A / model.saturationA);
      return CODES.diode;
    case "source":
      numbers[at] = 1 / model.ohm;
      numbers[at + 1] = model.volts;
      return CODES.source;
  }
}

/**
 * The one law of every branch: current in A and its derivative in S at a voltage, written to
 * `out[0]` and `out[1]`. Filament: IES Lighting Handbook (m); diode: Shockley.
 */
export function lawAt(
  code: number,
  numbers: Float64Array,
  at: number,
  volts: number,
  out: Float64Array,
): void {
  switch (code) {
    case CODES.resistor:
      out[0] = volts * numbers[at]!;
      out[1] = numbers[at]!;
      return;
    case CODES.power: {
      const powerW = numbers[at]!;
      const start = numbers[at + 2]!;
      if (volts >= numbers[at + 1]!) {
        out[0] = powerW / volts;
        out[1] = -powerW / (volts * volts);
      } else if (volts > start) {
        const slope = numbers[at + 3]!;
        out[0] = OFF_S * start + slope * (volts - start);
        out[1] = slope;
      } else {
        out[0] = OFF_S * volts;
        out[1] = OFF_S;
      }
      return;
    }
    case CODES.filament: {
      const ratedA = numbers[at]!;
      const ratedV = numbers[at + 1]!;
      const exponent = numbers[at + 2]!;
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
      out[0] = volts < 0 ? -amps : amps;
      out[1] = (exponent * amps) / size;
      return;
    }
    case CODES.current: {
      const share = volts / SOFT_ON_V;
      const currentA = numbers[at]!;
      if (share >= 1) {
        // Past its knee the current stands still, but for a leak that gives every node a slope.
        out[0] = currentA + OFF_S * (volts - SOFT_ON_V);
        out[1] = OFF_S;
      } else if (share > 0) {
        out[0] = currentA * share;
        out[1] = currentA / SOFT_ON_V;
      } else {
        out[0] = OFF_S * volts;
        out[1] = OFF_S;
      }
      return;
    }
    case CODES.dies: {
      // A hyperbola with the two straight lines as its asymptotes, lowered to go through zero:
      // dies that gave a current at no voltage would drive a tape that is off below ground.
      const ohm = numbers[at + 1]!;
      const x = volts - numbers[at]!;
      const root = Math.sqrt(x * x + DIES_KNEE_V * DIES_KNEE_V);
      out[0] = (x + root - numbers[at + 2]!) / (2 * ohm) + OFF_S * volts;
      out[1] = (1 + x / root) / (2 * ohm) + OFF_S;
      return;
    }
    case CODES.diode: {
      const saturationA = numbers[at]!;
      const thermalV = numbers[at + 1]!;
      const x = Math.min(volts / thermalV, numbers[at + 2]!);
      const e = Math.exp(x);
      const beyond = volts / thermalV - x;
      out[0] = saturationA * (e * (1 + beyond) - 1) + DIODE_LEAK_S * volts;
      out[1] = (saturationA * e) / thermalV + DIODE_LEAK_S;
      return;
    }
    default: {
      out[0] = (volts - numbers[at + 1]!) * numbers[at]!;
      out[1] = numbers[at]!;
    }
  }
}

/** A conductance in S to begin with: near what the branch will have, and never below zero. */
export function startConductance(code: number, numbers: Float64Array, at: number): number {
  switch (code) {
    case CODES.power:
      return numbers[at]! / Math.max(12, numbers[at + 1]!) ** 2;
    case CODES.filament:
      return numbers[at]! / numbers[at + 1]!;
    case CODES.current:
      return numbers[at]! / 12;
    case CODES.dies:
      return 1 / (4 * numbers[at + 1]!);
    case CODES.diode:
      return 1e-3;
    default:
      return numbers[at]!;
  }
}

const scratch = new Float64Array(LAW_WIDTH);

/** Current in A and derivative in S of a branch at a voltage, into `out[0]` and `out[1]`. */
export function branchCurrent(model: BranchModel, volts: number, out: Float64Array): void {
  lawAt(writeLaw(model, scratch, 0), scratch, 0, volts, out);
}
