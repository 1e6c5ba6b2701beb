import {
  boundsText,
  testBenchOf,
  expectedText,
  printScriptCsv,
  scriptsOf,
  stepsOf,
  type Job,
  type ScriptStep,
} from "@dragonet/core";
import { printJson, type ExitCode, type World } from "../world.ts";

const stepJson = (step: ScriptStep) => ({
  step: step.probe.id,
  controls: step.probe.state.words,
  what: step.probe.words,
  expected: expectedText(step),
  low: step.low,
  high: step.high,
  unit: step.probe.unit,
  beforePanels: step.probe.beforePanels,
});

/** What is expected, and for a meter from where to where. */
const words = (step: ScriptStep): string =>
  step.probe.at.kind === "look"
    ? expectedText(step)
    : `${expectedText(step)} (${boundsText(step)})`;

/** The test script of a job: what to measure, in which order, and what to expect. */
export function writeScript(
  job: Job,
  { json, csv }: { readonly json: boolean; readonly csv: boolean },
  world: World,
): ExitCode {
  const bench = testBenchOf(job);
  const { before, groups } = scriptsOf(bench);
  if (csv) world.out(printScriptCsv(stepsOf(bench)));
  else if (json) {
    printJson(world, [
      { steps: before.map(stepJson), told: 0, hidden: [], alike: [] },
      ...groups.map(({ script }) => ({
        steps: script.steps.map(stepJson),
        told: script.told,
        hidden: script.hidden.map(({ id, words }) => ({ id, words })),
        alike: script.alike.map((list) => list.map(({ id, words }) => ({ id, words }))),
      })),
    ]);
  } else {
    for (const step of before) {
      world.out(`First, with ${step.probe.state.words}: ${step.probe.words}: ${words(step)}\n`);
    }
    for (const { script } of groups) {
      let controls = "";
      for (const step of script.steps) {
        if (step.probe.state.words !== controls) {
          controls = step.probe.state.words;
          world.out(`With ${controls}\n`);
        }
        world.out(`  ${step.probe.words}: ${words(step)}\n`);
      }
      const alike = script.alike.reduce((sum, list) => sum + list.length, 0);
      world.out(
        `  tells ${script.told} faults from sound; ${alike} of them only in groups; ${script.hidden.length} change nothing that can be reached\n\n`,
      );
    }
  }
  return 0;
}
