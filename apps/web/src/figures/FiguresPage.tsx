import { Suspense, lazy } from "react";
import { TASK_WORDS, decimal, type CountOf, type ShopFigures } from "@dragonet/core";
import { useFigures } from "../board/jobs.ts";
import { WAIT_CHOICES } from "../board/waitWords.ts";
import { Section } from "../ui/page/Section.tsx";
import { Empty, Loading, Trouble } from "../ui/page/states.tsx";
import { useTitle } from "../ui/page/useTitle.ts";

const Bars = lazy(() => import("../ui/Bars.tsx"));

/** More lines than these nobody reads. */
const MOST = 12;

const WAITS = new Map(WAIT_CHOICES);

function Counts({
  label,
  counts,
  name,
}: {
  label: string;
  counts: readonly CountOf[];
  name: string;
}) {
  return (
    <Bars
      label={label}
      unit=""
      rows={counts.slice(0, MOST).map(({ what, count }) => ({ name: what, count }))}
      bars={[{ key: "count", name }]}
    />
  );
}

/** How estimates would have done, each made of what was known before it. */
function Estimates({ figures }: { figures: ShopFigures }) {
  const { backtest, hours } = figures;
  if (!backtest) {
    return (
      <p className="text-muted">
        No job is handed over with its time written down yet: from the first on, hours planned and
        taken stand here.
      </p>
    );
  }
  const percent = (share: number): string => `${decimal(100 * share, 0)} %`;
  return (
    <>
      <Bars
        label="Hours planned and taken, by kind of work"
        unit="h"
        digits={1}
        rows={hours.map(({ task, plannedH, tookH }) => ({
          ...{ name: TASK_WORDS[task], planned: plannedH, taken: tookH },
        }))}
        bars={[
          { key: "planned", name: "planned", hollow: true },
          { key: "taken", name: "taken" },
        ]}
      />
      <p>
        Of {backtest.jobs} pieces of work, each estimated from those before it: plain estimates lay{" "}
        {percent(backtest.plainError)} off, learned ones {percent(backtest.learnedError)}.
      </p>
    </>
  );
}

/** What the shop's jobs say about the shop: where time goes, what is waited for, what comes back. */
export function FiguresPage() {
  useTitle("Figures");
  const { data: figures, error, isPending, refetch } = useFigures();
  if (isPending) return <Loading what="the figures" />;
  if (error) return <Trouble error={error} onRetry={() => void refetch()} />;
  const { hours, waits: waited, sells, comebacks, mends } = figures;
  if ([hours, waited, sells, comebacks, mends].every((list) => list.length === 0)) {
    return (
      <div className="mx-auto w-full max-w-4xl p-4">
        <h1 className="text-lead">Figures</h1>
        <Empty title="No figures yet">They come of jobs: open the first one on the board.</Empty>
      </div>
    );
  }
  const waits = waited.map(({ what, count }) => ({ what: WAITS.get(what) ?? what, count }));
  return (
    <div className="mx-auto w-full max-w-4xl p-4">
      <h1 className="text-lead">Figures</h1>
      <p className="mb-2 text-muted">
        Of all jobs with work left, and of the latest thousand that are handed over.
      </p>
      <Suspense fallback={<Loading what="the charts" />}>
        <Section title="Hours planned and taken">
          <Estimates figures={figures} />
        </Section>
        <Section title="What jobs wait for">
          {waits.length === 0 ? (
            <p className="text-muted">Nothing is waited for.</p>
          ) : (
            <Counts label="Jobs by what they wait for" counts={waits} name="jobs" />
          )}
        </Section>
        <Section title="What came back, by cause">
          {figures.comebacks.length === 0 ? (
            <p className="text-muted">Nothing was mended after it was handed over.</p>
          ) : (
            <Counts label="Comebacks by cause" counts={figures.comebacks} name="times" />
          )}
          {figures.mends.length > 0 && (
            <Counts
              label="Found and put right at the test"
              counts={figures.mends}
              name="at the test"
            />
          )}
        </Section>
        <Section title="What open jobs take from the shelf">
          {figures.sells.length === 0 ? (
            <p className="text-muted">Nothing is wanted.</p>
          ) : (
            <Counts label="Pieces wanted by open jobs" counts={figures.sells} name="pieces" />
          )}
        </Section>
      </Suspense>
    </div>
  );
}
