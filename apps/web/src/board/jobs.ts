import { keepPreviousData, queryOptions, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import type {
  BoardAnswer,
  JobOnBoardAnswer,
  JobsOfModelAnswer,
  JobsPageAnswer,
  ShopFiguresAnswer,
  TimeAnswer,
} from "@dragonet/contract";
import { askOrLast } from "../base/lastAnswers.ts";
import { followLive } from "../base/live.ts";

/** Changes that come within this time are looked at together, ms. */
const TOGETHER_MS = 300;

/** Lists of jobs are looked at anew when one of them has changed. */
export function useLiveJobs(): void {
  const queries = useQueryClient();
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const stop = followLive(() => {
      // Several changes within a moment are one look.
      timer ??= setTimeout(() => {
        timer = undefined;
        void queries.invalidateQueries({ queryKey: ["jobs"] });
      }, TOGETHER_MS);
    });
    return () => {
      stop();
      clearTimeout(timer);
    };
  }, [queries]);
}

const path = (of: string, asked: string): string => (asked === "" ? of : `${of}?${asked}`);

export const boardOf = (asked: string) =>
  queryOptions({
    queryKey: ["jobs", "board", asked],
    queryFn: () => askOrLast<BoardAnswer>(path("board", asked)),
  });

/** The board: the first jobs of each stage that are asked for. What was there stays while more is typed. */
export function useBoard(asked: string) {
  useLiveJobs();
  return useQuery({ ...boardOf(asked), placeholderData: keepPreviousData });
}

/** Some jobs in a row, from where `asked` says. */
export function useJobsPage(asked: string) {
  useLiveJobs();
  return useQuery({
    queryKey: ["jobs", "page", asked],
    queryFn: () => askOrLast<JobsPageAnswer>(path("board/page", asked)),
    placeholderData: keepPreviousData,
  });
}

/** Jobs with work left, the first promised first. */
export function useOpenJobs() {
  useLiveJobs();
  return useQuery({
    queryKey: ["jobs", "open"],
    queryFn: () => askOrLast<JobOnBoardAnswer[]>("board/open"),
  });
}

/** Time planned and taken on the latest timed jobs, the oldest first. */
export const useTimes = () =>
  useQuery({ queryKey: ["jobs", "times"], queryFn: () => askOrLast<TimeAnswer[]>("board/times") });

export function useFigures() {
  useLiveJobs();
  return useQuery({
    queryKey: ["jobs", "figures"],
    queryFn: () => askOrLast<ShopFiguresAnswer>("board/figures"),
  });
}

/** How many jobs each model has had. */
export const useModels = () =>
  useQuery({
    queryKey: ["jobs", "models"],
    queryFn: () => askOrLast<JobsOfModelAnswer[]>("board/models"),
  });

export const CUSTOMERS = queryOptions({
  queryKey: ["jobs", "customers"],
  queryFn: () => askOrLast<string[]>("board/customers"),
});

export const useCustomers = () => useQuery(CUSTOMERS);
