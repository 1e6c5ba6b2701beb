import { rootV, type Circuit, type LaidCircuit, type LaidFeeder } from "../circuit/index.ts";
import {
  harnessOwner,
  onceOfJob,
  withBrakes,
  type Job,
  type LampId,
  type PinId,
  type CircuitId,
} from "../job/index.ts";
import { LIMIT_SHARE } from "../part/index.ts";
import { restVolts } from "../source/index.ts";
import { Assembly } from "./layOut/assembly.ts";
import {
  decideKitSwitches,
  decideSupplies,
  ownerOf,
  type KitSwitchPlan,
  type SupplyPlan,
} from "./decide/decideFeeders.ts";
import { deviate } from "./deviate.ts";
import { blockFeeder, type GroundBlocks } from "./pick/groundBlocks.ts";
import { controlFeeder } from "./layOut/layOutControlFeed.ts";
import { hostsOf, type Housings } from "./layOut/layOutLamps.ts";
import { layOutCircuit, shareBacks } from "./layOut/layOutCircuit.ts";
import { layOutKitSwitch, layOutSupply } from "./layOut/layOutFeeders.ts";
import { chooseWires } from "./wire/chooseWires.ts";
import { coloursOf, colourForCircuit, nameWires, type Naming } from "./wire/nameWires.ts";
import { controlFeedChoice, decideControlFeeds, type ControlFeedPlan } from "./pick/coilsOn.ts";
import { originOfSource, type ControlFeed, type Laid } from "./decide/origin.ts";
import type { Choices, SynthesisIssues, CircuitPlan } from "./decide/plan.ts";
import { planCircuit } from "./decide/planCircuit.ts";
import { routeWires } from "./wire/routeWires.ts";
import { sizeWires, type WireGroup } from "./wire/size.ts";
import { layOutSources } from "./decide/sources.ts";
import { tapsFor } from "./pick/tap.ts";
import { supplyInputA } from "./draw/trunkDraw.ts";

/**
 * The job with "brake" told as its lever and pedal where it has a wire or a switch for those
 * and none for braking as such.
 */
function withBrakesApart(job: Job): Job {
  if (tapsFor(job, "brake").length > 0) return job;
  const brakes = (["lever", "pedal"] as const).filter((input) => tapsFor(job, input).length > 0);
  if (brakes.length === 0) return job;
  const runs = job.runs.map((run) => ({ ...run, condition: withBrakes(run.condition, brakes) }));
  return { ...job, runs };
}

/** First pass: what is fed from where, through what, behind which fuse. */
interface Decided {
  readonly plans: readonly CircuitPlan[];
  readonly supplies: readonly SupplyPlan[];
  readonly controls: readonly KitSwitchPlan[];
  /** Wires that feed several coils behind one fuse. */
  readonly controlFeeds: ReadonlyMap<PinId, ControlFeedPlan>;
  readonly choices: Choices;
  readonly gaps: SynthesisIssues;
}

function decide(job: Job): Decided {
  const choices: Choices = [];
  const gaps: SynthesisIssues = [];
  const plans = job.runs.flatMap((run) => planCircuit(job, run, choices, gaps) ?? []);
  const notes = { choices, gaps };
  const supplies = decideSupplies(job, plans, notes);
  const controls = decideKitSwitches(job, plans, notes);
  const controlFeeds = decideControlFeeds(job, plans, supplies, controls);
  return { plans, supplies, controls, controlFeeds, choices, gaps };
}

interface LaidOut {
  readonly assembly: Assembly;
  readonly runs: readonly LaidCircuit[];
  readonly feeders: readonly LaidFeeder[];
  readonly blocks: GroundBlocks;
  readonly controlFeeds: readonly ControlFeed[];
}

/** Second pass: units with terminals, and wires between them that have no size yet. */
function layOut(job: Job, decided: Decided): LaidOut {
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
  const housings: Housings = { hosts: hostsOf(job, fitted), units: new Map(), backs: new Map() };
  const { choices, gaps } = decided;
  const made = decided.plans.flatMap((plan): LaidCircuit[] => {
    const origin = originOfSource(laid, plan.feed.source, plan.feedPin);
    if (!origin) {
      const detail = "what it is fed from could not be laid out";
      gaps.push({ runId: plan.run.id, kind: "noSource", detail });
      return [];
    }
    return [layOutCircuit(plan, { laid, origin, housings, blocks, choices, gaps })];
  });
  const runs = shareBacks(made, housings);
  const controlFeeds = [...laid.controlFeeds.values()];
  for (const { ownerId, plan } of controlFeeds) {
    choices.push({ runId: ownerId, ...controlFeedChoice(plan) });
  }
  return {
    assembly,
    runs,
    feeders: [
      ...feeders,
      ...controlFeeds.map((feed) => controlFeeder(laid, feed)),
      ...[...blocks.values()].map((block) => blockFeeder(job, block)),
    ],
    blocks,
    controlFeeds,
  };
}

/** What each run's wires have to bear: its own fuse, or whatever larger one lies before it. */
function runGroup(plan: CircuitPlan, controls: readonly KitSwitchPlan[]): WireGroup {
  const { source } = plan.feed;
  const control =
    source.kind === "control" ? controls.find((c) => c.control.id === source.controlId) : undefined;
  // The stub between a factory wire and the run's own fuse has only the factory's before it.
  const upstreamA = Math.max(
    plan.feedPin && source.kind === "pin" ? plan.feedPin.fuseA : 0,
    control?.fuseA ?? 0,
  );
  const ownA = plan.fuseA ?? (upstreamA > 0 ? 0 : plan.drawA.high);
  const behind =
    plan.fuseA === null && upstreamA > ownA
      ? control
        ? "fuse of the control"
        : "factory fuse"
      : plan.fuseA === null
        ? "draw"
        : "fuse";
  return {
    key: plan.run.id,
    ownerId: plan.run.id,
    pinned: plan.run.wire,
    // Behind its own fuse no more comes than that lets through: the piece before it lies by itself.
    throughA: plan.fuseA === null ? Math.max(ownA, upstreamA) : ownA,
    stubA: plan.fuseA === null ? 0 : upstreamA,
    behind,
    told: true,
  };
}

function groupsOf(decided: Decided, blocks: GroundBlocks): WireGroup[] {
  const supplies = decided.supplies.flatMap((plan): WireGroup[] => {
    const ownerId = ownerOf(plan.supply.id);
    const { part, drawA, fuseA } = plan;
    // What a converter gives before it lets go, whatever hangs on it.
    const outA = part?.kind === "converter" ? part.outA * LIMIT_SHARE : drawA.high;
    const out: WireGroup = {
      ...{ key: `${plan.supply.id}.out`, ownerId, pinned: null, throughA: outA, told: false },
      behind: part?.kind === "converter" ? "limit" : "draw",
    };
    const feed: WireGroup = {
      ...{ key: plan.supply.id, ownerId, pinned: plan.supply.wire, told: true },
      throughA: fuseA ?? drawA.high,
      behind: fuseA === null ? "draw" : "fuse",
    };
    return [feed, out];
  });
  const controls = decided.controls.map(({ control, drawA, fuseA }): WireGroup => ({
    ...{ key: control.id, ownerId: ownerOf(control.id), pinned: control.wire, told: true },
    throughA: fuseA ?? drawA.high,
    behind: fuseA === null ? "draw" : "fuse",
  }));
  const returns = [...blocks.values()].map(({ ownerId, drawA }): WireGroup => ({
    ...{ key: ownerId, ownerId, pinned: null, throughA: drawA.high, behind: "draw", told: true },
  }));
  const runs = decided.plans.map((plan) => runGroup(plan, decided.controls));
  return [...supplies, ...controls, ...returns, ...runs];
}

/** Names by owner: runs by their place in the job, what they share by a letter. */
function namingsOf(job: Job, { blocks, controlFeeds }: LaidOut): ReadonlyMap<CircuitId, Naming> {
  return new Map<CircuitId, Naming>([
    ...job.supplies.map((s, i) => [ownerOf(s.id), { prefix: `S${i + 1}`, colour: "red" }] as const),
    ...job.controls.map(
      (c, i) => [ownerOf(c.id), { prefix: `C${i + 1}`, colour: "grey" }] as const,
    ),
    ...controlFeeds.map(
      (f, i) => [f.ownerId, { prefix: `K${i === 0 ? "" : i + 1}`, colour: "grey" }] as const,
    ),
    ...[...blocks.values()].map(
      (b, i) => [b.ownerId, { prefix: i === 0 ? "G" : `G${i + 1}`, colour: "black" }] as const,
    ),
    ...job.harnesses.map((h, i) => [harnessOwner(h), { prefix: `H${i + 1}`, colour: "" }] as const),
    ...job.runs.map(
      (r, i) => [r.id, { prefix: String(i + 1), colour: colourForCircuit(job, r, i) }] as const,
    ),
  ]);
}

/**
 * From runs to a buildable circuit, in five passes, each a pure function of the one before:
 * decide, lay out units and wires, route them over the vehicle's map, size, name. With a reason for every part picked. Pure and
 * deterministic: the same job gives the same circuit. What cannot be built is listed in `gaps`
 * and never left out in silence.
 */
export const synthesise = onceOfJob((given: Job): Circuit => {
  const job = withBrakesApart(given);
  const decided = decide(job);
  const laidOut = layOut(job, decided);
  const { assembly, runs, feeders, blocks } = laidOut;
  const routed = routeWires(job, assembly.units, assembly.elements);
  const chosen = chooseWires(job, routed.elements);
  const rest = restVolts(job.vehicle);
  const converters = decided.supplies.filter(({ part }) => part?.kind === "converter");
  const sized = sizeWires({
    ...{ job, runs, feeders },
    units: assembly.units,
    elements: chosen.elements,
    stretches: routed.stretches,
    groups: groupsOf(decided, blocks),
    inputA: new Map(
      converters.map(({ supply }) => [
        ownerOf(supply.id),
        supplyInputA(job, decided.plans, supply).mid,
      ]),
    ),
    voltsOf: (source) => rootV("feedRoot" in source ? source.feedRoot : source.root, rest),
  });
  decided.choices.push(...sized.choices);
  decided.gaps.push(...chosen.gaps);
  return deviate(job, {
    units: assembly.units,
    posts: assembly.posts,
    elements: nameWires(sized.elements, namingsOf(job, laidOut), coloursOf(job)),
    runs,
    feeders,
    choices: decided.choices,
    gaps: decided.gaps,
  });
});
