import { scriptOf, type GroupScript, type ScriptStep } from "./script.ts";
import type { TestBench } from "../reading/session.ts";
import type { Testable } from "./testable.ts";

/** A group with the steps that it is tried by. */
export interface ScriptedGroup {
  readonly group: Testable;
  readonly script: GroupScript;
}

/** The whole test of a job, in the order that protects. */
export interface JobScript {
  /** The sources at rest, then the ohms of every way while nothing is live: before any fuse goes in. */
  readonly before: readonly ScriptStep[];
  readonly groups: readonly ScriptedGroup[];
}

/** The script of a job: what is measured before any fuse goes in stands before all groups, and not again. */
export function scriptsOf(bench: TestBench): JobScript {
  const first = new Set(bench.first.map(({ probe }) => probe.id));
  const dead: ScriptStep[] = [];
  const groups = bench.groups.map((group): ScriptedGroup => {
    const script = scriptOf(group);
    const steps: ScriptStep[] = [];
    for (const step of script.steps) {
      if (step.probe.state.dead) dead.push(step);
      else if (!first.has(step.probe.id)) steps.push(step);
    }
    return { group, script: { ...script, steps } };
  });
  return { before: [...bench.first, ...dead], groups };
}

/** The steps of a job's test in their order. */
export function stepsOf(bench: TestBench): ScriptStep[] {
  const { before, groups } = scriptsOf(bench);
  return [...before, ...groups.flatMap(({ script }) => script.steps)];
}
