import { useEffect, useState } from "react";
import { useParams } from "react-router";
import { TASKS, TASK_WORDS, append, type Backtest, type Task, type WorkLine } from "@dragonet/core";
import { mint } from "../base/mint.ts";
import { momentText } from "../base/moment.ts";
import { useCanEdit, useCurrentUser } from "../base/session.ts";
import { useEdit, useJob } from "../job/store/jobStore.ts";
import { Button } from "../ui/Button.tsx";
import { Choice } from "../ui/forms/Choice.tsx";
import { RemoveButton } from "../ui/RemoveButton.tsx";
import { Section } from "../ui/page/Section.tsx";
import { NumberInput } from "../ui/forms/number/NumberInput.tsx";
import { clockOf, setClock, type Clock } from "./clock.ts";

const MINUTE_MS = 60_000;

const round = (minutes: number): number => Math.round(10 * minutes) / 10;

/** Started and stopped at the lift; it runs on while the page is closed. */
function Running({
  jobId,
  task,
  onTake,
}: {
  jobId: string;
  task: Task;
  onTake: (m: number) => void;
}) {
  const [clock, show] = useState<Clock | null>(() => clockOf(jobId));
  const [now, tick] = useState(Date.now);
  useEffect(() => {
    if (!clock) return;
    const timer = setInterval(() => tick(Date.now()), MINUTE_MS / 6);
    return () => clearInterval(timer);
  }, [clock]);
  const set = (next: Clock | null): void => {
    setClock(jobId, next);
    show(next);
    tick(Date.now());
  };
  if (!clock) {
    return <Button onClick={() => set({ at: Date.now() })}>Start the clock</Button>;
  }
  const minutes = round(Math.max(0, now - clock.at) / MINUTE_MS);
  return (
    <>
      <span role="timer">{minutes} min</span>
      <Button
        look="main"
        onClick={() => {
          onTake(Math.max(0.1, round((Date.now() - clock.at) / MINUTE_MS)));
          set(null);
        }}
      >
        Stop: {TASK_WORDS[task].toLowerCase()}
      </Button>
    </>
  );
}

/** What the plan has learned, and how well it would have done. */
function learnedText(tried: Backtest | null): string {
  if (!tried)
    return "Planned by the trade’s estimates: no job of this shop has its time written down.";
  const percent = (share: number): string => `${Math.round(100 * share)} %`;
  return `Planned by ${tried.jobs} times that this shop has written down. Each tried on those before it, estimates lay ${percent(tried.learnedError)} off, without learning ${percent(tried.plainError)}.`;
}

/** Time planned and taken by kind of work, and a clock for the lift. */
export function TimeTaken({
  planned,
  backtest,
}: {
  planned: readonly WorkLine[];
  backtest: Backtest | null;
}) {
  const { jobId = "" } = useParams();
  const job = useJob();
  const edit = useEdit();
  const me = useCurrentUser();
  const canEdit = useCanEdit();
  const [task, setTask] = useState<Task>(planned[0]?.task ?? "wire");
  const [minutes, setMinutes] = useState(30);
  const take = (taken: number): void =>
    edit([
      append(job, "worked", {
        ...{ id: mint("work"), task, minutes: taken, by: me.name },
        at: new Date().toISOString(),
      }),
    ]);
  const tasks = TASKS.filter(
    (t) => planned.some((p) => p.task === t) || job.worked.some((w) => w.task === t),
  );
  const tookOf = (t: Task): number =>
    job.worked.reduce((sum, w) => (w.task === t ? sum + w.minutes : sum), 0);
  return (
    <Section title="Time" about={learnedText(backtest)}>
      <table className="w-full">
        <thead>
          <tr className="text-left text-small text-muted">
            <th scope="col">Work</th>
            <th scope="col" className="text-right">
              Planned
            </th>
            <th scope="col" className="text-right">
              Taken
            </th>
          </tr>
        </thead>
        <tbody>
          {tasks.map((t) => {
            const plan = planned.find((p) => p.task === t);
            return (
              <tr key={t} className="border-t border-hair">
                <td>{TASK_WORDS[t]}</td>
                <td className="num text-right">
                  {plan ? `${Math.round(plan.minutes.mid)} min` : ""}
                </td>
                <td className="num text-right">
                  {tookOf(t) > 0 ? `${Math.round(tookOf(t))} min` : ""}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {canEdit && (
        <div className="mt-2 flex flex-wrap items-baseline gap-x-4 gap-y-2">
          <Choice
            label="Work that time goes to"
            value={task}
            className="w-44"
            options={TASKS.map((value) => ({ value, label: TASK_WORDS[value] }))}
            onChange={setTask}
          />
          <Running jobId={jobId} task={task} onTake={take} />
          <span className="inline-flex items-baseline gap-2">
            <NumberInput
              label="Taken"
              unit="min"
              value={minutes}
              min={0.1}
              max={6000}
              onCommit={setMinutes}
            />
            <Button onClick={() => take(minutes)}>Write it down</Button>
          </span>
        </div>
      )}
      <ul>
        {job.worked.map((w) => (
          <li key={w.id} className="flex items-baseline gap-3 border-t border-hair py-1 text-small">
            <span className="flex-1">
              {TASK_WORDS[w.task]}, {round(w.minutes)} min, {w.by}, {momentText(new Date(w.at))}
            </span>
            {canEdit && (
              <RemoveButton
                what={`${round(w.minutes)} min of ${TASK_WORDS[w.task]}`}
                onClick={() => edit([{ kind: "remove", entity: "worked", id: w.id }])}
              />
            )}
          </li>
        ))}
      </ul>
    </Section>
  );
}
