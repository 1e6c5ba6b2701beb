import { benchBudgets } from "./budgets.ts";
import { benchDense } from "./dense.ts";
import { benchRecompute } from "./recompute.ts";
import { benchReplay, benchSignals } from "./signals.ts";
import { benchSolver } from "./solver.ts";

/** Computation benchmarks, bundled by scripts/bench.mjs; prints one JSON object. */
const solver = benchSolver();
process.stdout.write(
  JSON.stringify({
    recompute: benchRecompute(),
    solver,
    denseMs: benchDense(solver.nodes),
    budgets: benchBudgets(),
    signals: benchSignals(),
    replay: benchReplay(),
  }),
);
