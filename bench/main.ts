import { benchBudgets } from "./budgets.ts";
import { benchDiagnosis } from "./diagnosis.ts";
import { benchDense } from "./dense.ts";
import { benchLight } from "./light.ts";
import { benchJudgement } from "./judgement.ts";
import { benchNetworks } from "./networks.ts";
import { benchRecompute } from "./recompute.ts";
import { benchSchedule } from "./schedule.ts";
import { benchReplay, benchSignals } from "./signals.ts";
import { benchSolver } from "./solver.ts";

/** Computation benchmarks, bundled by scripts/bench.mjs; prints one JSON object. */
function everything() {
  const solver = benchSolver();
  return {
    recompute: benchRecompute(),
    solver,
    denseMs: benchDense(solver.nodes),
    budgets: benchBudgets(),
    signals: benchSignals(),
    replay: benchReplay(),
    light: benchLight(),
  };
}

const ASKED: Readonly<Record<string, () => unknown>> = {
  networks: benchNetworks,
  judgement: benchJudgement,
  diagnosis: benchDiagnosis,
  schedule: benchSchedule,
};

const asked = (ASKED[process.argv[2] ?? ""] ?? everything)();
process.stdout.write(JSON.stringify(asked));
