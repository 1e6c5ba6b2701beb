import { useQuery } from "@tanstack/react-query";
import { useEffect, useMemo, useState } from "react";
import { calendarOf, type CalendarFile, type PrintedSchedule } from "@dragonet/core";
import type { CalendarAnswer } from "@dragonet/contract";
import { askOrLast } from "../base/lastAnswers.ts";
import { useOpenJobs } from "../board/jobs.ts";
import { useNow } from "../ui/useNow.ts";
import { planner } from "../worker/port/planner.ts";

export const useCalendar = () =>
  useQuery({ queryKey: ["calendar"], queryFn: () => askOrLast<CalendarAnswer>("calendar") });

/** A plan begins at a whole quarter of an hour, so that it stands still while it is looked at. */
const QUARTER_MS = 15 * 60_000;

export interface ShopPlan {
  readonly answer: CalendarAnswer;
  readonly file: CalendarFile;
  readonly plan: PrintedSchedule;
}

interface Planned {
  readonly file: CalendarFile;
  readonly plan: PrintedSchedule;
}

/** The plan of the benches as it is now: worked out anew whenever a job or what was said about one changes. */
export function useShopPlan(): {
  readonly shown: ShopPlan | null;
  readonly error: Error | null;
  readonly retry: () => void;
} {
  const calendar = useCalendar();
  const jobs = useOpenJobs();
  const quarter = Math.floor(useNow() / QUARTER_MS) * QUARTER_MS;
  const [planned, setPlanned] = useState<Planned | null>(null);
  const [failed, setFailed] = useState<Error | null>(null);
  const file = useMemo(
    () =>
      calendar.data && jobs.data ? calendarOf(calendar.data, jobs.data, new Date(quarter)) : null,
    [calendar.data, jobs.data, quarter],
  );
  useEffect(() => {
    if (!file) return;
    let stale = false;
    void planner()
      .planCalendar(file)
      .then((plan) => {
        if (!stale) setPlanned({ file, plan });
      })
      .catch((error: unknown) => {
        if (!stale) setFailed(error instanceof Error ? error : new Error(String(error)));
      });
    return () => {
      stale = true;
    };
  }, [file]);
  return {
    shown: planned && calendar.data ? { answer: calendar.data, ...planned } : null,
    error: calendar.error ?? jobs.error ?? failed,
    retry: () => {
      setFailed(null);
      void calendar.refetch();
      void jobs.refetch();
    },
  };
}
