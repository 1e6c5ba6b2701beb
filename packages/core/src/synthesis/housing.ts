import type { Element, RunCircuit } from "../circuit/index.ts";
import type { ElementId, Job, LampId } from "../job/index.ts";

/**
 * Lets two lights in one housing share its ground: the guest's own way back goes, and its
 * negative is the host's.
 */
export function shareHousings(
  job: Job,
  elements: Map<ElementId, Element>,
  runs: readonly RunCircuit[],
): RunCircuit[] {
  const branchOf = new Map(runs.flatMap((run) => run.branches.map((b) => [b.lampId, b] as const)));
  const hostOf = new Map<LampId, LampId>();
  for (const lamp of job.lamps)
    if (lamp.housing !== "" && lamp.housing !== lamp.id) hostOf.set(lamp.id, lamp.housing);
  if (hostOf.size === 0) return [...runs];
  const runOf = new Map(runs.flatMap((run) => run.branches.map((b) => [b.lampId, run] as const)));
  return runs.map((run) => {
    const branches = run.branches.map((branch) => {
      const hostId = hostOf.get(branch.lampId);
      const host = hostId && branchOf.get(hostId);
      const load = elements.get(branch.load);
      const hostLoad = host && elements.get(host.load);
      if (!host || !load || !hostLoad) return branch;
      for (const id of branch.back) elements.delete(id);
      elements.set(load.id, { ...load, to: hostLoad.to });
      return { ...branch, back: host.back };
    });
    const guests = run.branches.every((branch) => hostOf.has(branch.lampId));
    const hostRun = guests && runOf.get(hostOf.get(run.branches[0]?.lampId ?? ("" as LampId))!);
    if (!hostRun || hostRun === run) return { ...run, branches };
    // With every light a guest the run has no way back of its own to lay.
    for (const id of run.back) elements.delete(id);
    return { ...run, branches, back: hostRun.back };
  });
}
