import { itemAt, itemOf } from "../../present/index.ts";
import type { Branch, LaidCircuit } from "../../circuit/index.ts";
import type { ElementId, LampId } from "../../job/index.ts";
import { Bench } from "./assembly.ts";
import { AT_HAND_M, COIL_WIRE } from "../defaults.ts";
import { stepsOf } from "../draw/draw.ts";
import type { GroundBlocks } from "./piece/groundBlocks.ts";
import { ControlPath } from "./layOutControlPath.ts";
import {
  endsOf,
  layOutParallel,
  layOutString,
  type End,
  type Housings,
  type LampJoint,
} from "./layOutLamps.ts";
import { layOutOut, type CircuitContext } from "./layOutOut.ts";
import { decideReturn, endJoints, layOutBack, wayBack } from "./layOutReturn.ts";
import type { Laid, Origin } from "./from/origin.ts";
import type { CircuitPlan, Notes } from "../decide/plan.ts";
import { allPlugged, factoryPlug, isPlugged } from "./from/plugged.ts";

interface Place {
  readonly laid: Laid;
  readonly origin: Origin;
  readonly housings: Housings;
  readonly blocks: GroundBlocks;
  readonly notes: Notes;
}

/** A run's decisions as units and wires; its wires have no size yet. */
export function layOutCircuit(plan: CircuitPlan, place: Place): LaidCircuit {
  const { laid, origin, housings, blocks, notes } = place;
  const { choices, gaps } = notes;
  const { run } = plan;
  const steps = stepsOf(run, plan.loads);
  const spliced = plan.loads.map((load) => !isPlugged(plan, load));
  const ends = new Set<End>(steps > 1 ? [] : endsOf(plan).filter((_, i) => spliced[i]));
  const plugged = allPlugged(plan);
  const apart = ends.size > 1;
  const b = new Bench(laid.assembly, run.id);
  const context: CircuitContext = {
    ...{ laid, b, plan, origin },
    size: { group: run.id },
    coilSize: { gaugeId: COIL_WIRE[laid.job.practices.wireSystem] },
    loadM: apart ? AT_HAND_M : run.loadM,
  };
  if (apart) {
    choices.push({
      ...{ runId: run.id, kind: "splice", picked: "a splice at each end", pinned: false },
      reason:
        "Lamps at the front and at the rear: a wire each way from a splice beside the relay or switch. Their lengths are the vehicle's own reaches until tape or map say otherwise.",
    });
  }
  const out = layOutOut(context);
  // With nothing on it, or nothing but guests, a run has no way back of its own to lay.
  const guests = plan.loads.every(({ lamp }, i) => housings.hosts.has(lamp.id) || !spliced[i]);
  const decision = decideReturn(context);
  if (!guests || plugged) {
    const { picked, reason, refused } = decision;
    choices.push({ runId: run.id, kind: "return", picked, reason, pinned: false });
    if (refused !== "") gaps.push({ runId: run.id, kind: "returnNotPossible", detail: refused });
  }
  let back: readonly ElementId[] = [];
  let branches: Branch[];
  const plug = out.plug ? factoryPlug(laid, b, plan, out.plug) : null;
  const lamps = { plan, size: context.size, housings, job: laid.job, plug };
  if (apart) {
    const at = endsOf(plan);
    const returning = new Set(
      at.filter((_, i) => spliced[i] && !housings.hosts.has(itemAt(plan.loads, i).lamp.id)),
    );
    const joints = endJoints(context, out, blocks, decision.by, ends, returning);
    branches = layOutParallel(b, lamps, joints);
  } else {
    const wayM = wayBack(context);
    const made = guests
      ? { joint: out.splice, ids: [] }
      : layOutBack(context, out, blocks, decision.by, "return", "", wayM);
    back = made.ids;
    const joint: LampJoint = { splice: out.splice, joint: made.joint, out: [], back: [] };
    const everywhere = new Map<End, LampJoint>([
      ["front", joint],
      ["rear", joint],
    ]);
    branches =
      steps > 1
        ? layOutString(b, lamps, out.splice, made.joint)
        : layOutParallel(b, lamps, everywhere);
  }
  const control = new ControlPath(laid, b, plan, {
    node: out.fusedNode,
    negative: origin.negative,
  });
  const boxed = plan.box !== null && plan.box.form !== "fuseBlock";
  const sense = out.sense;
  const made = !out.coilEnds
    ? {
        coil:
          sense.length > 0
            ? {
                ...{ path: sense, lanes: [{ label: "sense", ids: sense }] },
                switching: "positive" as const,
              }
            : null,
        shared: [],
      }
    : plan.logic
      ? control.logic(plan.logic, out.coilEnds)
      : control.plain(out.coilEnds, boxed);
  return {
    runId: run.id,
    source: plan.feed.source,
    root: plan.feed.root,
    shared: [...new Set([...out.shared, ...made.shared])],
    feedShared: out.shared,
    factoryFused: plan.factoryFused,
    steps,
    signals: plan.signals,
    drawA: plan.drawA,
    out: out.path,
    branches,
    back,
    coil: made.coil,
    ways: out.ways,
    extra: [],
  };
}

/** Gives lights that sit in another's housing the way back of their host. */
export function shareBacks(runs: readonly LaidCircuit[], housings: Housings): LaidCircuit[] {
  const runOf = new Map<LampId, LaidCircuit>();
  for (const run of runs) for (const branch of run.branches) runOf.set(branch.lampId, run);
  return runs.map((run) => {
    const branches = run.branches.map((branch) => {
      const host = housings.hosts.get(branch.lampId);
      const back = host && housings.backs.get(host);
      return back ? { ...branch, back } : branch;
    });
    const first = run.branches[0];
    const guests = first && run.branches.every((br) => housings.hosts.has(br.lampId));
    const host = guests ? runOf.get(itemOf(housings.hosts, first.lampId)) : undefined;
    return { ...run, branches, back: host && host !== run ? host.back : run.back };
  });
}
