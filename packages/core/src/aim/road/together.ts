import type { BeamKind, Condition, Input, Job } from "../../job/index.ts";
import { peakCd } from "../../photometry/index.ts";
import { decimal } from "../../quantity/index.ts";
import { withHighOnly } from "./dipped.ts";
import { factoryLights } from "./factoryLights.ts";
import type { PlacedLamp } from "./lampsOf.ts";
import { aimOf } from "../marks.ts";

/** What a place says of lamps that are lit together; advisory. */
export interface TogetherRule {
  readonly place: string;
  readonly beam: BeamKind;
  /** Most that all beams of the kind send together, cd; null where nothing is asked. */
  readonly mostCd: number | null;
  /** Whether they may be lit with the high beam alone, or never with it. */
  readonly withHigh: "only" | "never" | "any";
  readonly source: string;
}

/** Values from memory of the rules named; the local inspector has the last word. */
export const TOGETHER_RULES: readonly TogetherRule[] = [
  {
    ...{ place: "un", beam: "driving", mostCd: 430_000, withHigh: "only" },
    source: "UN R48 6.1.9 and R53 6.1: main beams lit at once, 430 000 cd together (from memory)",
  },
  {
    ...{ place: "un", beam: "fog", mostCd: null, withHigh: "any" },
    source: "UN R48 6.3.7: front fog lamps switched apart from main and dipped beam (from memory)",
  },
  {
    ...{ place: "us", beam: "driving", mostCd: null, withHigh: "only" },
    source: "SAE J581: auxiliary driving lamps with the high beam alone (from memory)",
  },
  {
    ...{ place: "us", beam: "fog", mostCd: null, withHigh: "never" },
    source: "SAE J583: front fog lamps with the low beam, not with the high (from memory)",
  },
];

/** What is not as a place asks, with its source. */
export interface TogetherNote {
  readonly text: string;
  readonly source: string;
}

const neverWith = ({ anyOf }: Condition, input: Input): boolean =>
  anyOf.every((way) => way.some((term) => term.input === input && term.negated));

/** Lamps that the place wants lit with others, or not with them: what is otherwise. */
export function litTogether(job: Job, lamps: readonly PlacedLamp[]): TogetherNote[] {
  return TOGETHER_RULES.filter((rule) => rule.place === job.practices.place).flatMap(
    (rule): TogetherNote[] => {
      const own = lamps.filter((lamp) => aimOf(job, lamp.mount).beam === rule.beam);
      const notes: TogetherNote[] = [];
      const note = (text: string): void => void notes.push({ text, source: rule.source });
      for (const run of job.runs) {
        const lit = own.filter((lamp) => lamp.runId === run.id);
        if (lit.length === 0) continue;
        if (rule.withHigh === "only" && !withHighOnly(run.condition)) {
          note(`${run.name} is lit without the high beam`);
        }
        if (rule.withHigh === "never" && !neverWith(run.condition, "high")) {
          note(`${run.name} stays lit with the high beam`);
        }
      }
      if (rule.mostCd !== null && own.length > 0) {
        const factory = factoryLights(job).filter(({ beam }) => beam === rule.beam);
        const cd = [...own, ...factory].reduce(
          (sum, { photometry, share }) => sum + share * peakCd(photometry),
          0,
        );
        if (cd > rule.mostCd) {
          note(`${decimal(cd, 0)} cd at most together, ${decimal(rule.mostCd, 0)} are allowed`);
        }
      }
      return notes;
    },
  );
}
