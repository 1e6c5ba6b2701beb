import { isEqual } from "es-toolkit";
import { Suspense, lazy, memo, useDeferredValue, type ComponentProps } from "react";

const Chart = lazy(() => import("./Chart.tsx"));
type ChartProps = ComponentProps<typeof Chart>;

/** Drawn anew when its numbers are others: its rows are made afresh with every change of a job. */
const KeptChart = memo(function KeptChart(props: ChartProps) {
  return <Chart {...props} />;
}, isEqual);

/** A chart whose library is fetched when the first one is shown, and which waits for no press. */
export function LazyChart(props: ChartProps) {
  const shown = useDeferredValue(props);
  return (
    <Suspense fallback={<div className="h-56 text-muted">Drawing …</div>}>
      <KeptChart {...shown} />
    </Suspense>
  );
}
