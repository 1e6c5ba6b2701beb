import { useQueryClient, type InvalidateQueryFilters } from "@tanstack/react-query";
import { useEffect } from "react";
import { useMatch } from "react-router";
import { momentText } from "../base/moment.ts";
import { useReach } from "../base/reach.ts";

/** How often it is tried whether there is a way again while a page is seen, in ms. */
const AGAIN_MS = 10_000;

/** The open job looks for what others saved by itself; all else is asked for anew. */
const ANEW: InvalidateQueryFilters = {
  predicate: ({ queryKey, state }) => queryKey[0] !== "job" || state.status === "error",
};

/** Says that the server cannot be reached, and from when what is shown is; looks anew by itself. */
export function NoWay() {
  const { lost, shownFrom } = useReach();
  const queries = useQueryClient();
  // A job's own line says on a phone what is not saved.
  const inJob = useMatch("/jobs/:jobId/*") !== null;
  const isOld = lost || shownFrom !== null;
  useEffect(() => {
    if (!isOld) return;
    const look = (): void => {
      if (!document.hidden) void queries.invalidateQueries(ANEW);
    };
    const timer = setInterval(look, AGAIN_MS);
    window.addEventListener("online", look);
    return () => {
      clearInterval(timer);
      window.removeEventListener("online", look);
      // What was shown for want of anything newer is asked for anew.
      void queries.invalidateQueries(ANEW);
    };
  }, [isOld, queries]);
  return (
    <p
      role="status"
      className={
        isOld
          ? `no-print border-b border-hair px-4 py-1 text-small ${inJob ? "max-md:sr-only" : ""}`
          : ""
      }
    >
      {isOld && (
        <>
          <b>The server cannot be reached.</b>
          {shownFrom !== null && ` What you see is from ${momentText(new Date(shownFrom))}.`}
          <span className="max-md:hidden">
            {" "}
            What is changed in a job is kept in this browser and sent by itself.
          </span>
        </>
      )}
    </p>
  );
}
