import { standingReadings, type Job, type Mend } from "../../job/index.ts";
import { decimal } from "../../quantity/index.ts";
import { OPEN_WAY_OHM, ohmText } from "../expect/ohms.ts";
import { expectedText } from "./readingsCsv.ts";
import type { ScriptStep } from "../script/script.ts";
import { stepsOf } from "../script/scripts.ts";
import { seenWord } from "./seen.ts";
import { testBenchOf, type TestBench } from "./session.ts";

/** One step of the test with what came of it. */
export interface TestLine {
  readonly controls: string;
  readonly words: string;
  /** "12.4 to 12.8 V", or what is to be seen. */
  readonly expected: string;
  /** As it was read; "" where it was not, and why it was left out where it was. */
  readonly read: string;
  readonly waived: boolean;
  readonly off: boolean;
  readonly by: string;
  /** Moment, ISO 8601; "" where nothing was read. */
  readonly at: string;
}

/** The test on the vehicle, step by step, as a sheet has it. */
export interface TestReport {
  readonly lines: readonly TestLine[];
  readonly total: number;
  /** Steps neither read nor left out with a reason. */
  readonly unread: number;
  readonly off: number;
  readonly mends: readonly Mend[];
}

/** Up to here something that may be nothing is told as nothing, in V, A or mA. */
const SMALL = 2;

/** From and to what a step reads as it should, in words: "12.4 to 12.8 V", "0 V, at most 0.03", "more than 5 kΩ". */
export function boundsText(step: ScriptStep): string {
  const { probe, low, high } = step;
  if (probe.at.kind === "look") return expectedText(step);
  if (probe.at.kind === "ohms") {
    return high >= OPEN_WAY_OHM
      ? `more than ${decimal(low / 1000, 1)} kΩ, or OL`
      : `${decimal(Math.max(0, low), 1)} to ${decimal(high, 1)} Ω`;
  }
  // A tenth would hide what small readings are judged by.
  const digits = Math.abs(high) < 1 ? 2 : 1;
  const most = decimal(high, digits);
  return low <= 0 && high < SMALL
    ? `0 ${probe.unit}, at most ${most}`
    : `${decimal(low, digits)} to ${most} ${probe.unit}`;
}

/** What was proved on the vehicle, and what was not. */
export function testReport(job: Job, bench: TestBench = testBenchOf(job)): TestReport {
  const standing = standingReadings(job);
  const lines = stepsOf(bench).map((step): TestLine => {
    const { probe } = step;
    const reading = standing.get(probe.id);
    const value = reading?.value ?? null;
    const read =
      value === null
        ? (reading?.note ?? "")
        : probe.at.kind === "look"
          ? seenWord(value, probe.at.sense)
          : probe.at.kind === "ohms"
            ? `${ohmText(value)} Ω`
            : `${decimal(value, 2)} ${probe.unit}`;
    const [low, high] = bench.range(probe);
    return {
      ...{ controls: probe.state.words, words: probe.words, expected: boundsText(step), read },
      waived: reading !== undefined && value === null,
      off: value !== null && (value < low || value > high),
      ...{ by: reading?.by ?? "", at: reading?.at ?? "" },
    };
  });
  return {
    lines,
    total: lines.length,
    unread: lines.filter(({ at }) => at === "").length,
    off: lines.filter((line) => line.off).length,
    mends: job.mends,
  };
}
