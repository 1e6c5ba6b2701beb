import { useState } from "react";
import { useMutation } from "@tanstack/react-query";
import { Link } from "react-router";
import { toast } from "sonner";
import { decimal, type OrderLine } from "@dragonet/core";
import type { WaitingJobAnswer } from "@dragonet/contract";
import { ask } from "../base/api.ts";
import { askOrLast } from "../base/lastAnswers.ts";
import { dayText } from "../base/moment.ts";
import { useCanEdit } from "../base/session.ts";
import { Button } from "../ui/Button.tsx";
import { Section } from "../ui/page/Section.tsx";
import { FreeJobs, type CameIn } from "./FreeJobs.tsx";
import { useShelfChanged } from "./parts.ts";

/** Lines that stand above the shelf before somebody wants all of them. */
const SOME = 6;
/** Jobs told by name: those that are promised first. */
const MOST_JOBS = 3;

const amount = (count: number, unit: "" | "m"): string =>
  unit === "m" ? `${decimal(count, 1)} m` : decimal(count, 0);

/** What came in goes on the shelf: the server adds it to what is there by then. */
function useArrived(onWaiting: (came: CameIn) => void) {
  const shelfChanged = useShelfChanged();
  return useMutation({
    scope: { id: "arrived" },
    mutationFn: async ({ partId, short }: OrderLine) => {
      const count = Math.ceil(1000 * short) / 1000;
      await ask(`shelf/${partId ?? ""}/arrived`, "POST", { count });
      return askOrLast<WaitingJobAnswer[]>(`shelf/${partId ?? ""}/waiting`);
    },
    onSuccess: async (waiting, line) => {
      onWaiting({ line, waiting });
      await shelfChanged();
      toast.success(`${decimal(line.short, 1)} × ${line.name} on the shelf`);
    },
    onError: (error) => toast.error(`Not done: ${error.message}`),
  });
}

function Line({ line, onWaiting }: { line: OrderLine; onWaiting: (came: CameIn) => void }) {
  const canEdit = useCanEdit();
  const arrived = useArrived(onWaiting);
  const { name, unit, short, wanted, onShelf, least, by, jobs, cost, partId } = line;
  return (
    <li className="grid grid-cols-1 gap-x-4 border-t border-hair py-1 md:grid-cols-[minmax(0,4fr)_7rem_6rem_minmax(0,5fr)_6rem]">
      <span>
        <b>
          {amount(short, unit)} {unit === "" && "×"} {name}
        </b>
        <span className="block text-small text-muted">
          {amount(wanted, unit)} wanted, {amount(onShelf, unit)} on the shelf
          {least > 0 && `, ${amount(least, unit)} to keep`}
        </span>
      </span>
      <span className="num">{by === "" ? "" : `by ${dayText(new Date(`${by}T12:00:00`))}`}</span>
      <span className="num">{cost === null ? "no price" : cost.toFixed(2)}</span>
      <span className="text-small">
        {jobs.slice(0, MOST_JOBS).map((job, i) => (
          <span key={job.id}>
            {i > 0 && ", "}
            <Link to={`/jobs/${job.id}`} className="touch text-accent underline">
              {job.title}
            </Link>
          </span>
        ))}
        {jobs.length > MOST_JOBS && ` and ${jobs.length - MOST_JOBS} more`}
      </span>
      <span>
        {partId === null && <span className="text-small text-muted">not on the shelf</span>}
        {canEdit && partId !== null && (
          <Button
            className="min-h-7 px-2 text-small"
            aria-label={`Arrived: ${name}`}
            disabled={arrived.isPending}
            onClick={() => arrived.mutate(line)}
          >
            Arrived
          </Button>
        )}
      </span>
    </li>
  );
}

/** What has to be ordered for open jobs and to have again, what hangs on it and until when; what arrives goes on the shelf. */
export function OrderList({ lines }: { lines: readonly OrderLine[] }) {
  const [all, setAll] = useState(false);
  const [came, setCame] = useState<CameIn | null>(null);
  const shown = all || lines.length <= SOME + 2 ? lines : lines.slice(0, SOME);
  const known = lines.reduce((sum, { cost }) => sum + (cost ?? 0), 0);
  return (
    <>
      {lines.length > 0 && (
        <Section
          title="To order"
          about={`${lines.length} things, ${known.toFixed(2)} as far as prices are known`}
        >
          <ul aria-label="To order">
            {shown.map((line) => (
              <Line key={line.name} line={line} onWaiting={setCame} />
            ))}
          </ul>
          {shown.length < lines.length && (
            <Button className="mt-2" onClick={() => setAll(true)}>
              All {lines.length} to order
            </Button>
          )}
        </Section>
      )}
      {came !== null && came.waiting.length > 0 && (
        <FreeJobs came={came} onClose={() => setCame(null)} />
      )}
    </>
  );
}
