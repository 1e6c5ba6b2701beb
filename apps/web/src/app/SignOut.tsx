import { useQueryClient } from "@tanstack/react-query";
import { LogOut } from "lucide-react";
import { Suspense, lazy, useState } from "react";
import { useJobStore } from "../job/store/jobStore.ts";
import { newJobsOf, useWaitingStore } from "../sync/waiting.ts";
import { waitingActs, waitsWord } from "../sync/words.ts";
import { ask } from "../base/api.ts";
import { forgetAll } from "./useOwnAnswers.ts";

const StayOrLeave = lazy(async () => ({
  default: (await import("./StayOrLeave.tsx")).StayOrLeave,
}));

/** Signs out; asks first where something has not reached the server. */
export function SignOut({ personId }: { personId: string }) {
  const queries = useQueryClient();
  const [asking, setAsking] = useState(false);
  const [failed, setFailed] = useState("");
  const waits = useWaitingStore((s) =>
    waitsWord(waitingActs(s.waiting, personId), newJobsOf(s, personId)),
  );

  const leave = async (): Promise<void> => {
    try {
      await ask("session", "DELETE");
    } catch (error) {
      setFailed(`${(error as Error).message}: you are still signed in`);
      setAsking(true);
      return;
    }
    await forgetAll();
    // Nothing of this person stays in the page; the session alone is asked for again.
    queries.removeQueries({ predicate: (query) => query.queryKey[0] !== "session" });
    await queries.invalidateQueries({ queryKey: ["session"] });
  };
  const press = async (): Promise<void> => {
    const { saveState, flush } = useJobStore.getState();
    if (saveState === "waiting" || saveState === "saving") await flush();
    const open = useJobStore.getState().saveState !== "saved";
    if (open || waits !== "") setAsking(true);
    else await leave();
  };
  return (
    <>
      <button
        type="button"
        aria-label="Sign out"
        title="Sign out"
        className="touch ml-auto inline-flex items-center justify-center text-accent md:ml-0"
        onClick={() => void press()}
      >
        <LogOut size={17} aria-hidden />
      </button>
      {asking && (
        <Suspense fallback={null}>
          <StayOrLeave
            waits={waits}
            failed={failed}
            onStay={() => setAsking(false)}
            onLeave={() => void leave()}
          />
        </Suspense>
      )}
    </>
  );
}
