import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { toast } from "sonner";
import { counted, type OrderLine } from "@dragonet/core";
import type { FreedAnswer, WaitingJobAnswer } from "@dragonet/contract";
import { ask } from "../base/api.ts";
import { Button } from "../ui/Button.tsx";
import { Tick } from "../ui/forms/Tick.tsx";
import { Modal } from "../ui/page/Modal.tsx";
import { Trouble } from "../ui/page/states.tsx";

/** What came in, and which jobs were waiting for it by its name. */
export interface CameIn {
  readonly line: OrderLine;
  readonly waiting: readonly WaitingJobAnswer[];
}

/** A part has come in that jobs waited for: it is out of the way of those that are ticked. */
export function FreeJobs({ came, onClose }: { came: CameIn; onClose: () => void }) {
  const { line, waiting } = came;
  const queries = useQueryClient();
  const [kept, keep] = useState<ReadonlySet<string>>(new Set());
  const jobs = waiting.filter(({ id }) => !kept.has(id)).map(({ id }) => id);
  const free = useMutation({
    mutationFn: () => ask<FreedAnswer>(`shelf/${line.partId ?? ""}/free`, "POST", { jobs }),
    onSuccess: async ({ freed }) => {
      toast.success(`${counted(freed, "job")} no longer ${freed === 1 ? "waits" : "wait"} for it`);
      onClose();
      await Promise.all(
        ["jobs", "calendar"].map((key) => queries.invalidateQueries({ queryKey: [key] })),
      );
    },
  });
  const toggle = (id: string) => (on: boolean) => {
    const next = new Set(kept);
    if (on) next.delete(id);
    else next.add(id);
    keep(next);
  };
  return (
    <Modal
      open
      onClose={onClose}
      title={`${line.name} has come in`}
      about="These jobs wait for it. What is ticked can go on, and the calendar moves."
    >
      <ul aria-label="Jobs that wait for it">
        {waiting.map(({ id, title, text }) => (
          <li key={id} className="border-t border-hair py-1">
            <Tick checked={!kept.has(id)} onChange={toggle(id)}>
              {title}
            </Tick>
            <span className="block pl-7 text-small text-muted">{text}</span>
          </li>
        ))}
      </ul>
      {free.error && <Trouble error={free.error} />}
      <div className="mt-3 flex justify-end gap-3">
        <Button onClick={onClose}>Not now</Button>
        <Button
          look="main"
          disabled={jobs.length === 0 || free.isPending}
          onClick={() => free.mutate()}
        >
          Go on with {counted(jobs.length, "job")}
        </Button>
      </div>
    </Modal>
  );
}
