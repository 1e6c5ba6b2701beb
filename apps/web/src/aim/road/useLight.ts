import { startTransition, useEffect, useRef, useState } from "react";
import type { Job } from "@dragonet/core";
import type { LightRequest, ShownLight } from "../../worker/light.ts";
import { planner } from "../../worker/port/planner.ts";

/**
 * The light of some lamps as they are turned, the newest wish first: while one picture is
 * drawn, only the last wish waits. Figures stay those of the last full picture.
 */
export function useLight(job: Job, request: LightRequest): ShownLight | null {
  const [shown, setShown] = useState<ShownLight | null>(null);
  const state = useRef({ busy: false, next: null as (() => Promise<void>) | null });
  useEffect(() => {
    let stale = false;
    const { current } = state;
    const draw = async (): Promise<void> => {
      const light = await planner().lightPictures(job, request);
      if (stale) return;
      // Pictures are large: they give way to what is pressed.
      startTransition(() =>
        setShown((before) =>
          light.figures === null && before ? { ...light, figures: before.figures } : light,
        ),
      );
    };
    const run = async (task: () => Promise<void>): Promise<void> => {
      current.busy = true;
      try {
        await task();
      } finally {
        const { next } = current;
        current.next = null;
        current.busy = false;
        if (next) void run(next);
      }
    };
    if (current.busy) current.next = draw;
    else void run(draw);
    return () => {
      stale = true;
    };
  }, [job, request]);
  return shown;
}
