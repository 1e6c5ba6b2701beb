import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { Outlet, useParams } from "react-router";
import { toast } from "sonner";
import { integrityFaults } from "@dragonet/core";
import type { JobAnswer } from "@dragonet/contract";
import { OfflineError, ask } from "../base/api.ts";
import { followLive } from "../base/live.ts";
import { useCurrentUser } from "../base/session.ts";
import { newJob } from "../sync/newJobs.ts";
import { hearPages } from "../sync/pages.ts";
import { savesData } from "../sync/savesData.ts";
import { bringJob } from "../sync/waiting.ts";
import { leisure } from "../ui/press/atLeisure.ts";
import { Loading, Trouble } from "../ui/page/states.tsx";
import { ConflictDialog } from "./ConflictDialog.tsx";
import { fetchAhead } from "./store/fetchAhead.ts";
import { JobHeader } from "./header/JobHeader.tsx";
import { useJobStore } from "./store/jobStore.ts";
import { keepJob, keptJob } from "./store/keptJobs.ts";

/** The job as the server has it; without a network as it last had it, or as it was opened here. */
async function readJob(id: string): Promise<JobAnswer> {
  try {
    await bringJob(id);
    return await ask<JobAnswer>(`jobs/${id}`);
  } catch (error) {
    const isHere = error instanceof OfflineError || (await newJob(id)) !== undefined;
    const kept = isHere ? await keptJob(id) : undefined;
    if (!kept) throw error;
    return kept;
  }
}

/** What the server has taken is kept for the next time there is no network. */
function useKeeping(): void {
  useEffect(
    () =>
      useJobStore.subscribe(({ id, revision, base }, before) => {
        if (id !== null && base && base !== before.base) {
          void keepJob({ id, revision, document: base });
        }
      }),
    [],
  );
}

/** Takes in what others save, and what this person's other pages do. */
function useOthersChanges(jobId: string): void {
  useEffect(() => {
    // Being offline is shown by the save state; the next word of the server looks again.
    const look = (): void =>
      void useJobStore
        .getState()
        .look()
        .catch(() => undefined);
    const stopHearing = hearPages((news) => {
      if (news.kind === "ended") useJobStore.getState().endedElsewhere(news.batches);
    });
    const stopFollowing = followLive((change) => {
      const { id, revision } = useJobStore.getState();
      if (change.kind === "gap" || (change.id === id && change.revision > revision)) look();
    });
    return () => {
      stopHearing();
      stopFollowing();
    };
  }, [jobId]);
}

function useRefusals(): void {
  const refusal = useJobStore((s) => s.refusal);
  const clearRefusal = useJobStore((s) => s.clearRefusal);
  useEffect(() => {
    if (refusal === null) return;
    toast.error(`Not done: ${refusal}`, { duration: 10_000 });
    clearRefusal();
  }, [refusal, clearRefusal]);
}

function useLeaving(): void {
  useEffect(() => {
    const warn = (e: BeforeUnloadEvent): void => {
      // Everything else is kept in this browser and sent when there is a way.
      if (useJobStore.getState().saveState === "unkept") e.preventDefault();
    };
    const leave = (): void => {
      // Nobody leaves a field before a page: what stands in it is taken as if it had been left.
      if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
      void useJobStore.getState().flush(true);
    };
    const back = (): void => void useJobStore.getState().flush();
    window.addEventListener("beforeunload", warn);
    window.addEventListener("pagehide", leave);
    window.addEventListener("online", back);
    // A page that the browser kept whole goes on where it was.
    window.addEventListener("pageshow", back);
    return () => {
      window.removeEventListener("beforeunload", warn);
      window.removeEventListener("pagehide", leave);
      window.removeEventListener("online", back);
      window.removeEventListener("pageshow", back);
    };
  }, []);
}

function useUndoKeys(): void {
  useEffect(() => {
    const press = (e: KeyboardEvent): void => {
      const field = e.target instanceof HTMLInputElement || e.target instanceof HTMLTextAreaElement;
      if (field || !(e.ctrlKey || e.metaKey)) return;
      const { undo, redo } = useJobStore.getState();
      if (e.key === "z" && !e.shiftKey) undo();
      else if (e.key === "y" || (e.key.toLowerCase() === "z" && e.shiftKey)) redo();
      else return;
      e.preventDefault();
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  }, []);
}

/** Time in which a page that was opened has the network to itself, in ms. */
const SETTLE_MS = 3000;

function useFetchingAhead(): void {
  useEffect(() => {
    if (savesData()) return;
    // Without a network there is nothing to fetch, and nothing to say about it.
    const timer = setTimeout(() => void fetchAhead().catch(() => undefined), SETTLE_MS);
    return () => clearTimeout(timer);
  }, []);
}

/** Looks the job through at leisure: its first edit then looks only at what it made new. */
function useLookedThrough(openId: string | null): void {
  useEffect(() => {
    void leisure().then(() => {
      const { job } = useJobStore.getState();
      if (job) integrityFaults(job);
    });
  }, [openId]);
}

export function JobPage() {
  const { jobId = "" } = useParams();
  const me = useCurrentUser().id;
  const { data, error, refetch } = useQuery({
    queryKey: ["job", jobId],
    queryFn: () => readJob(jobId),
    // The page itself says what stands in the way of the network.
    networkMode: "always",
    staleTime: Infinity,
    gcTime: 0,
    refetchOnWindowFocus: false,
  });
  const openId = useJobStore((s) => s.id);
  useKeeping();
  useEffect(() => {
    if (data) void useJobStore.getState().open(data.id, data.revision, data.document, me);
    return () => useJobStore.getState().close();
  }, [data, me]);
  useFetchingAhead();
  useLookedThrough(openId);
  useOthersChanges(jobId);
  useRefusals();
  useLeaving();
  useUndoKeys();

  if (error) return <Trouble error={error} onRetry={() => void refetch()} />;
  if (!data || openId !== jobId) return <Loading what="the job" />;
  return (
    <>
      <JobHeader jobId={jobId} />
      <Outlet />
      {/* Room for what is fixed at a phone's foot. */}
      <div className="no-print h-28 shrink-0 md:hidden" />
      <ConflictDialog />
    </>
  );
}
