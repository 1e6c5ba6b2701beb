import { useCallback } from "react";
import type { Job } from "@dragonet/core";
import { useCurrentUser } from "../base/session.ts";
import { useOfJob } from "../job/useOfJob.ts";
import { planner } from "../worker/port/planner.ts";
import { saveText } from "../ui/saveText.ts";
import { Button } from "../ui/Button.tsx";
import { Loading } from "../ui/page/states.tsx";

/** The whole loom on one page, laid out in the worker. */
export function LoomSheet() {
  const { units } = useCurrentUser().preferences;
  const made = useOfJob(
    useCallback(async (job: Job) => ({ svg: await planner().loom(job, units) }), [units]),
  );
  const svg = made?.svg ?? null;
  if (svg === "") return null;
  const save = (): void => {
    // On paper of its own it knows neither the page's ink nor its face.
    const alone = (svg ?? "")
      .replaceAll("currentColor", "#16211f")
      .replaceAll("var(--paper)", "#ffffff")
      .replaceAll("var(--font-sans)", "sans-serif");
    saveText("loom.svg", "image/svg+xml", alone);
  };
  return (
    <section aria-label="The whole loom" className="break-before-page border-t-2 border-ink py-3">
      <div className="flex items-baseline gap-3">
        <h2 className="text-lead">The whole loom</h2>
        {svg !== null && (
          <Button look="quiet" className="no-print" onClick={save}>
            SVG
          </Button>
        )}
      </div>
      {!made ? (
        <Loading what="the loom" />
      ) : svg === null ? (
        <p className="my-2 text-muted">
          What draws the loom was not fetched yet, and the server cannot be reached. All its wires
          are in the cut list.
        </p>
      ) : (
        <div
          className="relative my-2 overflow-x-auto [&>svg]:h-auto [&>svg]:w-full [&>svg]:min-w-5xl print:[&>svg]:min-w-0"
          role="img"
          tabIndex={0}
          aria-label="Every part and wire of this job, from the source on the left to the lamps"
          dangerouslySetInnerHTML={{ __html: svg }}
        />
      )}
    </section>
  );
}
