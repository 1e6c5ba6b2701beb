import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Link } from "react-router";
import { toast } from "sonner";
import { decimal, orderList, type OrderLine } from "@dragonet/core";
import type { JobOnBoardAnswer, KeptPartAnswer } from "@dragonet/contract";
import { ask } from "../base/api.ts";
import { dayText } from "../base/moment.ts";
import { useCanEdit } from "../base/session.ts";
import { Button } from "../ui/Button.tsx";
import { Section } from "../ui/page/Section.tsx";

interface OrderListProps {
  readonly parts: readonly KeptPartAnswer[];
  readonly jobs: readonly JobOnBoardAnswer[];
}

/** Jobs told by name: those that are promised first. */
const MOST_JOBS = 3;

const amount = (count: number, unit: "" | "m"): string =>
  unit === "m" ? `${decimal(count, 1)} m` : decimal(count, 0);

/** What came in goes on the shelf: a part's stock, as the shelf keeps it. */
function useArrived() {
  const queries = useQueryClient();
  return useMutation({
    scope: { id: "arrived" },
    mutationFn: ({ kept, short }: { kept: KeptPartAnswer; short: number }) =>
      ask(`parts/${kept.value.id}`, "PUT", {
        value: { ...kept.value, stock: kept.value.stock + short },
        revision: kept.revision,
      }),
    onSuccess: async (_, { kept, short }) => {
      await queries.invalidateQueries({ queryKey: ["parts"] });
      toast.success(`${decimal(short, 1)} × ${kept.value.name} on the shelf`);
    },
    onError: (error) => toast.error(`Not done: ${error.message}`),
  });
}

function Line({ line, kept }: { line: OrderLine; kept: KeptPartAnswer | undefined }) {
  const canEdit = useCanEdit();
  const arrived = useArrived();
  const { name, unit, short, wanted, onShelf, by, jobs, cost } = line;
  return (
    <li className="grid grid-cols-1 gap-x-4 border-t border-hair py-1 md:grid-cols-[minmax(0,4fr)_7rem_6rem_minmax(0,5fr)_6rem]">
      <span>
        <b>
          {amount(short, unit)} {unit === "" && "×"} {name}
        </b>
        <span className="block text-small text-muted">
          {amount(wanted, unit)} wanted, {amount(onShelf, unit)} on the shelf
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
        {canEdit && kept && (
          <Button
            className="min-h-7 px-2 text-small"
            aria-label={`Arrived: ${name}`}
            onClick={() => arrived.mutate({ kept, short })}
          >
            Arrived
          </Button>
        )}
      </span>
    </li>
  );
}

/** What has to be ordered for open jobs, what hangs on it and until when; what arrives goes on the shelf. */
export function OrderList({ parts, jobs }: OrderListProps) {
  const lines = orderList(
    parts.map(({ value }) => value),
    jobs,
  );
  if (lines.length === 0) return null;
  const known = lines.reduce((sum, { cost }) => sum + (cost ?? 0), 0);
  return (
    <Section
      title="To order"
      about={`${lines.length} things, ${known.toFixed(2)} as far as prices are known`}
    >
      <ul aria-label="To order">
        {lines.map((line) => (
          <Line
            key={line.name}
            line={line}
            kept={parts.find(({ value }) => value.id === line.partId)}
          />
        ))}
      </ul>
    </Section>
  );
}
