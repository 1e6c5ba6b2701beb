import { elementOf, rootV, type Circuit, type RunCircuit } from "../circuit/index.ts";
import type { SourceVolts } from "../source/index.ts";
import type { ElementId } from "../job/index.ts";
import { loadCurrentA } from "../part/index.ts";
import { elementOhm, type Estimate } from "./elementOhm.ts";
import type { ElementPoint, OperatingPoint } from "./operatingPoint.ts";

/** Fixed-point sweeps before a run is taken as it stands; 3 or 4 do for any sound wire. */
const MAX_SWEEPS = 60;
/** Volts at which a sweep counts as settled. */
const SETTLED_V = 1e-9;
/** Damping of the fixed point: a driver's rising current on falling volts overshoots without. */
const DAMPING = 0.95;

type Parts = Pick<Circuit, "elements">;

function pathOhm(parts: Parts, ids: readonly ElementId[], estimate: Estimate, celsius: number) {
  return ids.reduce((ohm, id) => ohm + elementOhm(elementOf(parts, id), estimate, celsius), 0);
}

/** Writes the points along a series path that starts at a voltage; returns where it ends. */
function walk(
  parts: Parts,
  ids: readonly ElementId[],
  startV: number,
  currentA: number,
  estimate: Estimate,
  celsius: number,
  at: Map<ElementId, ElementPoint>,
): number {
  let volts = startV;
  for (const id of ids) {
    const toV = volts - currentA * elementOhm(elementOf(parts, id), estimate, celsius);
    at.set(id, { fromV: volts, toV, currentA });
    volts = toV;
  }
  return volts;
}

/**
 * One run, all its controls closed, by series arithmetic: a trunk out, lamps side by side
 * from the splice, a trunk back. Points in V and A are written into `at`.
 */
export function solveRunInSeries(
  parts: Parts,
  run: RunCircuit,
  sourceV: number,
  estimate: Estimate,
  celsius: number,
  at: Map<ElementId, ElementPoint>,
): void {
  const outOhm = pathOhm(parts, run.out, estimate, celsius);
  const backOhm = pathOhm(parts, run.back, estimate, celsius);
  const branches = run.branches.map((branch) => {
    const load = elementOf(parts, branch.load);
    if (load.kind !== "load") throw new Error(`branch ends in a ${load.kind}, not a load`);
    const ohm =
      pathOhm(parts, branch.out, estimate, celsius) +
      pathOhm(parts, branch.back, estimate, celsius);
    return { branch, spec: load.part.load, ohm, volts: sourceV, amps: 0 };
  });

  let totalA = 0;
  for (let sweep = 0; sweep < MAX_SWEEPS; sweep += 1) {
    let moved = 0;
    const acrossV = sourceV - totalA * (outOhm + backOhm);
    totalA = 0;
    for (const b of branches) {
      const target = Math.max(0, acrossV - b.amps * b.ohm);
      const next = sweep === 0 ? target : b.volts + DAMPING * (target - b.volts);
      moved = Math.max(moved, Math.abs(next - b.volts));
      b.volts = next;
      b.amps = loadCurrentA(b.spec, next, estimate);
      totalA += b.amps;
    }
    if (sweep > 1 && moved < SETTLED_V) break;
  }

  const spliceV = walk(parts, run.out, sourceV, totalA, estimate, celsius, at);
  const returnV = totalA * backOhm;
  for (const b of branches) {
    const lampV = walk(parts, b.branch.out, spliceV, b.amps, estimate, celsius, at);
    const footV = lampV - b.volts;
    at.set(b.branch.load, { fromV: lampV, toV: footV, currentA: b.amps });
    walk(parts, b.branch.back, footV, b.amps, estimate, celsius, at);
  }
  walk(parts, run.back, returnV, totalA, estimate, celsius, at);

  if (run.coil && run.coil.path.length > 0) {
    const coilOhm = pathOhm(parts, run.coil.path, estimate, celsius);
    walk(parts, run.coil.path, sourceV, sourceV / coilOhm, estimate, celsius, at);
  }
}

/** Every run on at once from stiff sources, by series arithmetic. Trunks before runs are left out. */
export function seriesOperatingPoint(
  circuit: Circuit,
  volts: SourceVolts,
  celsius: number,
  estimate: Estimate = "value",
): OperatingPoint {
  const at = new Map<ElementId, ElementPoint>();
  for (const run of circuit.runs) {
    solveRunInSeries(circuit, run, rootV(run.root, volts), estimate, celsius, at);
  }
  return { ...volts, at };
}

/** Volts lost out and back for a run's worst lamp (or string), as a share of the source (0–1). */
export function dropShare(
  run: Pick<RunCircuit, "branches" | "root" | "steps">,
  point: OperatingPoint,
): number {
  const sourceV = rootV(run.root, point);
  const volts = run.branches.flatMap((branch) => {
    const lamp = point.at.get(branch.load);
    return lamp ? [lamp.fromV - lamp.toV] : [];
  });
  if (volts.length === 0 || sourceV <= 0) return 0;
  const reached =
    run.steps > 1
      ? (run.steps * volts.reduce((a, v) => a + v, 0)) / volts.length
      : Math.min(...volts);
  return Math.max(0, sourceV - reached) / sourceV;
}
