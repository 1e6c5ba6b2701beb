import type { LaidCircuit, LaidFeeder } from "../../circuit/index.ts";
import type { Job, LampId } from "../../job/index.ts";
import type { Decided } from "../decide/decide.ts";
import { originOfSource, type ControlFeed, type Laid } from "./from/origin.ts";
import { wiresOf, type Notes } from "../decide/plan.ts";
import { layOutSources } from "./from/sources.ts";
import { controlFeedChoice } from "../pick/coilsOn.ts";
import { blockFeeder, type GroundBlocks } from "./piece/groundBlocks.ts";
import { Assembly } from "./assembly.ts";
import { layOutCircuit, shareBacks } from "./layOutCircuit.ts";
import { controlFeeder } from "./layOutControlFeed.ts";
import { layOutKitSwitch, layOutSupply } from "./layOutFeeders.ts";
import { hostsOf, type Housings } from "./layOutLamps.ts";

export interface LaidOut extends Notes {
  readonly assembly: Assembly;
  readonly runs: readonly LaidCircuit[];
  readonly feeders: readonly LaidFeeder[];
  readonly blocks: GroundBlocks;
  readonly controlFeeds: readonly ControlFeed[];
}

/** Second pass: units with terminals, and wires between them that have no size yet. */
export function layOut(job: Job, decided: Decided): LaidOut {
  const assembly = new Assembly();
  const laid: Laid = {
    ...{ job, assembly },
    factory: new Map(),
    supplies: new Map(),
    controls: new Map(),
    controlFeedPlans: decided.controlFeeds,
    controlFeeds: new Map(),
    modules: new Map(),
    passedThrough: new Map(),
    switches: new Map(),
  };
  layOutSources(assembly, job);
  const feeders = [
    ...decided.supplies.flatMap((plan) => layOutSupply(laid, plan) ?? []),
    ...decided.controls.flatMap((plan) => layOutKitSwitch(laid, plan) ?? []),
  ];
  const blocks: GroundBlocks = new Map();
  const fitted = new Set<LampId>(
    decided.plans.flatMap((plan) => plan.loads.map(({ lamp }) => lamp.id)),
  );
  const housings: Housings = {
    hosts: hostsOf(job, fitted),
    units: new Map(),
    lights: new Map(),
    backs: new Map(),
  };
  const notes: Notes = { choices: [], gaps: [] };
  const made = decided.plans.flatMap((plan): LaidCircuit[] => {
    const origin = originOfSource(laid, plan.feed.source, plan.feedWire);
    if (!origin) {
      const detail = "what it is fed from could not be laid out";
      notes.gaps.push({ runId: plan.run.id, kind: "noSource", detail });
      return [];
    }
    const dead = wiresOf(plan).find(
      ({ id, from }) => from.kind === "kit" && !laid.controls.has(id),
    );
    if (dead) {
      const detail = `what works it has nothing to be fed from: ${dead.words}`;
      notes.gaps.push({ runId: plan.run.id, kind: "noSource", detail });
      return [];
    }
    return [layOutCircuit(plan, { laid, origin, housings, blocks, notes })];
  });
  const runs = shareBacks(made, housings);
  const controlFeeds = [...laid.controlFeeds.values()];
  for (const { ownerId, plan } of controlFeeds) {
    notes.choices.push({ runId: ownerId, ...controlFeedChoice(plan) });
  }
  return {
    assembly,
    runs,
    feeders: [
      ...feeders,
      ...controlFeeds.map((feed) => controlFeeder(feed)),
      ...[...blocks.values()].map((block) => blockFeeder(job, block)),
    ],
    blocks,
    controlFeeds,
    ...notes,
  };
}
