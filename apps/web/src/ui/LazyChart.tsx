import { Suspense, lazy, type ComponentProps } from "react";

const Chart = lazy(() => import("./Chart.tsx"));

/** A chart whose library is fetched when the first one is shown. */
export function LazyChart(props: ComponentProps<typeof Chart>) {
  return (
    <Suspense fallback={<div className="h-56 text-muted">Drawing …</div>}>
      <Chart {...props} />
    </Suspense>
  );
}
