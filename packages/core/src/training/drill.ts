import type { Circuit } from "../circuit/index.ts";
import type { Job } from "../job/index.ts";
import type { TestBench } from "../diagnosis/index.ts";
import type { Chance } from "./chance.ts";

/** Kinds of drills. */
export const DRILLS = [
  "relayTerminal",
  "whichFuse",
  "whichFlasher",
  "goodGround",
  "readMeter",
] as const;
/** One kind of drill. */
export type DrillKind = (typeof DRILLS)[number];

/** Drills, in words. */
export const DRILL_WORDS: Readonly<Record<DrillKind, string>> = {
  relayTerminal: "Which terminal of the relay",
  whichFuse: "Which fuse",
  whichFlasher: "What the flasher does",
  goodGround: "Is this ground good",
  readMeter: "What the meter means",
};

/** One question with its answers, made from a circuit and worked out by it. */
export interface Drill {
  readonly kind: DrillKind;
  readonly question: string;
  readonly options: readonly string[];
  /** Which of the options is right. */
  readonly right: number;
  readonly why: string;
}

/** What a question is made of. */
export interface DrillWorld {
  readonly job: Job;
  readonly circuit: Circuit;
  readonly bench: TestBench;
  readonly chance: Chance;
}

/** Makes a question, or null where the job has nothing to ask of its kind. */
export type MakeDrill = (world: DrillWorld) => Drill | null;

export const drillOf = (
  kind: DrillKind,
  question: string,
  options: readonly string[],
  answer: string,
  why: string,
): Drill => ({ kind, question, options, right: options.indexOf(answer), why });
