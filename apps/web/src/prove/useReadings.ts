import { useState } from "react";
import {
  append,
  earlierReading,
  latestReadings,
  type Edit,
  type Reading,
  type TakenReading,
} from "@dragonet/core";
import { mint } from "../app/mint.ts";
import { useMe } from "../app/session.ts";
import { useEdit, useJob } from "../job/jobStore.ts";
import { planner } from "../worker/planner.ts";

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
  const { name } = useMe();
  const [refused, setRefused] = useState<ReadonlyMap<string, string>>(new Map());

  const made = (step: string, value: number | null, note: string): Edit => {
    const reading: Reading = {
      ...{ id: mint("reading"), step, value, note },
      ...{ by: name, at: new Date().toISOString() },
    };
    return append(job, "reading", reading);
  };
  const add = (step: string, value: number | null, note: string): void =>
    edit([made(step, value, note)]);
  const say = (step: string, message: string | null): void =>
    setRefused((before) => {
      const next = new Map(before);
      if (message === null) next.delete(step);
      else next.set(step, message);
      return next;
    });
  return {
    latest: latestReadings(job.readings),
    earlier: (step) => earlierReading(job.readings, step),
    refused,
    take: (step, value) => {
      void planner()
        .impossible(job, [{ step, value }])
        .then(([message = null]) => {
          say(step, message);
          if (message === null) add(step, value, "");
        });
    },
    takeAll: async (readings) => {
      const messages = await planner().impossible(job, readings);
      const amiss = messages.filter((message) => message !== null);
      edit(readings.flatMap((r, i) => (messages[i] === null ? [made(r.step, r.value, "")] : [])));
      return amiss;
    },
    waive: (step, why) => add(step, null, why),
  };
}
