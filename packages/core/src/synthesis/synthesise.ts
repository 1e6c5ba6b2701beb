import type { Choice, Circuit, Element, RunCircuit } from "../circuit/index.ts";
import type { ElementId, Job, RunId } from "../job/index.ts";
import { designPoint } from "../network/index.ts";
import { dropShare } from "../solve/index.ts";
import { restVolts } from "../source/index.ts";
import { deviate } from "./deviate.ts";
import { RUN_COLOURS } from "./defaults.ts";
import { shareHousings } from "./housing.ts";
import { layOutRun, type LayOutPlace } from "./layOut.ts";
import type { Choices, Gaps, RunPlan } from "./plan.ts";
import { planRun } from "./planRun.ts";
import { layOutTrunks, ownerOf, type Trunks } from "./trunks.ts";
import { decideWire } from "./wire.ts";

/** Share of the drop target that a run behind a trunk begins with. */
const FIRST_SHARE = 0.8;
/** What that share shrinks by while the solved drop is over the target, and how often. */
const SHRINK = 0.8;
const MOST_PASSES = 6;

interface Planned {
  readonly index: number;
  readonly plan: RunPlan;
}

interface Laid {
  readonly elements: Map<ElementId, Element>;
  readonly runs: readonly RunCircuit[];
  readonly wires: readonly Choice[];
}

const behindTrunk = ({ feed }: RunPlan): boolean =>
  feed.source.kind === "supply" || feed.source.kind === "control";

/** Every run laid out, each with so much of the drop target for its own wire. */
function layOutAll(
  job: Job,
  planned: readonly Planned[],
  trunks: Trunks,
  shares: ReadonlyMap<RunId, number>,
): Laid {
  const elements = new Map<ElementId, Element>(trunks.elements.map((e) => [e.id, e]));
  const runs: RunCircuit[] = [];
  const wires: Choice[] = [];
  for (const { plan, index } of planned) {
    const { source } = plan.feed;
    const before =
      source.kind === "supply"
        ? trunks.trunks.find((t) => t.ownerId === ownerOf(source.supplyId))
        : undefined;
    const place: LayOutPlace = {
      index,
      colour: RUN_COLOURS[index % RUN_COLOURS.length]!,
      controls: trunks.controls,
      shared: before ? [...before.shared, ...before.path] : [],
      groundBlock: trunks.groundBlock,
    };
    const controlFuseA =
      source.kind === "control" ? (trunks.controlFuseA.get(source.controlId) ?? 0) : 0;
    const share = shares.get(plan.run.id) ?? 1;
    const wire = decideWire(plan, job.practices, place, controlFuseA, share);
    const { picked, reason, pinned } = wire;
    wires.push({ runId: plan.run.id, kind: "wire", picked, reason, pinned });
    const made = layOutRun(plan, wire.value, job.practices, place);
    for (const element of made.elements) elements.set(element.id, element);
    runs.push(made.circuit);
  }
  return { elements, runs: shareHousings(job, elements, runs), wires };
}

/**
 * Runs behind trunks share a drop that only the network knows: their wires are chosen, the
 * whole is solved, and those still over the target get a thicker one.
 */
function sized(job: Job, planned: readonly Planned[], trunks: Trunks, gaps: Gaps): Laid {
  const shares = new Map<RunId, number>();
  for (const { plan } of planned) {
    const shared = behindTrunk(plan) || plan.run.return === "block";
    shares.set(plan.run.id, shared ? FIRST_SHARE : 1);
  }
  let laid = layOutAll(job, planned, trunks, shares);
  if (trunks.trunks.length === 0) return laid;
  for (let pass = 0; pass < MOST_PASSES; pass += 1) {
    const circuit = { ...laid, trunks: trunks.trunks, choices: [], gaps };
    const point = designPoint(job, circuit, restVolts(job.vehicle));
    const over = laid.runs.filter(
      (run) => run.steps === 1 && dropShare(run, point) > job.practices.dropTarget,
    );
    if (over.length === 0) break;
    for (const run of over) shares.set(run.runId, (shares.get(run.runId) ?? 1) * SHRINK);
    laid = layOutAll(job, planned, trunks, shares);
  }
  return laid;
}

/**
 * From runs to a buildable circuit, with a reason for every part picked. Pure and
 * deterministic: the same job gives the same circuit. What cannot be built is listed in
 * `gaps` and never left out in silence.
 */
export function synthesise(job: Job): Circuit {
  const choices: Choices = [];
  const gaps: Gaps = [];
  const planned = job.runs.flatMap((run, index): Planned[] => {
    const plan = planRun(job, run, choices, gaps);
    return plan ? [{ plan, index }] : [];
  });
  const plans = planned.map(({ plan }) => plan);
  const trunks = layOutTrunks(job, plans, choices, gaps);
  const { elements, runs, wires } = sized(job, planned, trunks, gaps);
  choices.push(...wires);
  return deviate(job, { elements, runs, trunks: trunks.trunks, choices, gaps });
}
