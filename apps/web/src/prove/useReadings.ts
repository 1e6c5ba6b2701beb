import { useState } from "react";
import {
  append,
  earlierReading,
  standingReadings,
  type Edit,
  type Reading,
  type TakenReading,
} from "@dragonet/core";
import { mint } from "../base/mint.ts";
import { useCurrentUser } from "../base/session.ts";
import { useEdit, useJob } from "../job/store/jobStore.ts";
import { planner } from "../worker/port/planner.ts";

export interface Readings {
  readonly latest: ReadonlyMap<string, Reading>;
  /** What a step was read as at an earlier visit; null where it never was. */
  earlier(step: string): Reading | null;
  /** What is amiss with the last reading of a step that was not taken. */
  readonly refused: ReadonlyMap<string, string>;
  /** Takes a reading; asks first where it cannot be. */
  take(step: string, value: number): void;
  /** Takes what can be of many, as one change; answers what is amiss with the others. */
  takeAll(readings: readonly TakenReading[]): Promise<readonly string[]>;
  waive(step: string, why: string): void;
}

/** What was read of the open job, and how more is taken. */
export function useReadings(): Readings {
  const job = useJob();
  const edit = useEdit();
  const { name } = useCurrentUser();
  const [refused, setRefused] = useState<ReadonlyMap<string, string>>(new Map());

  const made = (
    step: string,
    value: number | null,
    { low, high }: Pick<Reading, "low" | "high">,
    note = "",
  ): Edit => {
    const reading: Reading = {
      ...{ id: mint("reading"), step, value, low, high, note },
      ...{ by: name, at: new Date().toISOString() },
    };
    return append(job, "reading", reading);
  };
  const say = (step: string, message: string | null): void =>
    setRefused((before) => {
      const next = new Map(before);
      if (message === null) next.delete(step);
      else next.set(step, message);
      return next;
    });
  return {
    latest: standingReadings(job),
    earlier: (step) => earlierReading(job.readings, step),
    refused,
    take: (step, value) => {
      void planner()
        .judge(job, [{ step, value }])
        .then(([judged]) => {
          if (!judged) return;
          say(step, judged.impossible);
          if (judged.impossible === null) edit([made(step, value, judged)]);
        });
    },
    takeAll: async (readings) => {
      const judged = await planner().judge(job, readings);
      const taken = readings.flatMap(({ step, value }, i) => {
        const one = judged[i];
        return one?.impossible === null ? [made(step, value, one)] : [];
      });
      edit(taken);
      return judged.flatMap(({ impossible }) => (impossible === null ? [] : [impossible]));
    },
    waive: (step, why) => edit([made(step, null, { low: null, high: null }, why)]),
  };
}
