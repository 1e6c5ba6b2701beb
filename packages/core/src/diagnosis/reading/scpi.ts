import { simulatedReading } from "./meter.ts";
import type { ProbeAt } from "../expect/probe.ts";
import type { TestBench } from "./session.ts";
import type { FaultSuspect } from "../suspect/suspects.ts";
import { readStepId } from "../../job/index.ts";

/** Errors by the numbers of SCPI-99 (from memory). */
const UNDEFINED_HEADER = '-113,"Undefined header"';
const BAD_PARAMETER = '-224,"Illegal parameter value"';
const NO_READING = '-230,"Data corrupt or stale"';
const NO_ERROR = '0,"No error"';
const MOST_ERRORS = 20;

const MEASURE: readonly (readonly [RegExp, ...ProbeAt["kind"][]])[] = [
  [/^meas(ure)?:res(istance)?\?$/i, "ohms"],
  [/^meas(ure)?:volt(age)?(:dc)?\?$/i, "volts"],
  [/^meas(ure)?:curr(ent)?(:dc)?\?$/i, "amps", "milliamps"],
  [/^meas(ure)?:light\?$/i, "look"],
];

/** How many of a step's own units are one of what an instrument answers in: V, A, Ω. */
export const perUnit = (step: string): number => (readStepId(step).kind === "milliamps" ? 1000 : 1);

/**
 * A simulated meter that speaks SCPI: a stand-in for one with a socket. It measures the
 * solved circuit of a job, with a fault hidden in it, at the steps of the job's test script.
 */
export class ScpiMeter {
  private readonly errors: string[] = [];
  private step = "";

  constructor(
    private readonly bench: TestBench,
    private readonly fault: FaultSuspect | null,
    private readonly seed = 1,
  ) {}

  /** The answer to a line, or null where it asks nothing. */
  ask(line: string): string | null {
    const [, header = "", parameter = ""] = /^\s*(\S+)\s*(.*?)\s*$/.exec(line) ?? [];
    if (header === "") return null;
    const place = parameter.replace(/^["'](.*)["']$/, "$1");
    switch (header.toLowerCase()) {
      case "*idn?":
        return "Dragonet,simulated meter (no real instrument),0,1";
      case "*rst":
        this.step = "";
        return null;
      case "*cls":
        this.errors.length = 0;
        return null;
      case "syst:err?":
      case "system:error?":
        return this.errors.shift() ?? NO_ERROR;
      case "rout:clos":
      case "route:close":
        return this.goTo(place);
      case "read?":
        return this.measure(this.step, null);
    }
    const found = MEASURE.find(([pattern]) => pattern.test(header));
    if (!found) return this.fail(UNDEFINED_HEADER, header.endsWith("?"));
    const [, ...kinds] = found;
    return this.measure(place === "" ? this.step : place, kinds);
  }

  /** 9.91e37 is what SCPI answers for "not a number". */
  private fail(error: string, asked: boolean): string | null {
    if (this.errors.length < MOST_ERRORS) this.errors.push(error);
    return asked ? "9.91E+37" : null;
  }

  private goTo(step: string): null {
    // Nowhere is not where it was before: a wrong step must not read the one before it.
    this.step = this.bench.find(step) ? step : "";
    if (this.step === "") this.fail(BAD_PARAMETER, false);
    return null;
  }

  private measure(step: string, kinds: readonly ProbeAt["kind"][] | null): string | null {
    const found = this.bench.find(step);
    if (!found || (kinds && !kinds.includes(found.probe.at.kind))) {
      return this.fail(BAD_PARAMETER, true);
    }
    const reading = simulatedReading(this.fault, found.probe, this.seed);
    if (!reading) return this.fail(NO_READING, true);
    // An instrument answers in amperes, whatever its face shows.
    return String(reading.value / perUnit(step));
  }
}
