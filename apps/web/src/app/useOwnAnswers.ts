import { useEffect } from "react";
import { forgetAnswers, forgetOldAnswers } from "../base/lastAnswers.ts";
import { forgetJobs, forgetOldJobs } from "../job/store/keptJobs.ts";
import { jobsWaitedFor } from "../sync/waiting.ts";

const WHOSE = "dragonet.whose";

/** Forgets all that this browser keeps of what the server answered. */
export const forgetAll = async (): Promise<void> => {
  await Promise.all([forgetJobs(), forgetAnswers()]);
};

/** What is kept for want of a network is one person's: whoever comes after begins with nothing. */
export function useOwnAnswers(personId: string): void {
  useEffect(() => {
    if (localStorage.getItem(WHOSE) === personId) {
      void forgetOldAnswers();
      // A store that does not answer has nothing to forget.
      void jobsWaitedFor().then(forgetOldJobs, () => undefined);
    } else {
      localStorage.setItem(WHOSE, personId);
      void forgetAll();
    }
  }, [personId]);
}
