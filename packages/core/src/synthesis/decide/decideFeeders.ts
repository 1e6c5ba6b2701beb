import type { Choice, Root } from "../../circuit/index.ts";
import {
  asId,
  type KitSwitch,
  type Feed,
  type Input,
  type Job,
  type CircuitId,
  type Supply,
} from "../../job/index.ts";
import type { Part, SwitchPart } from "../../part/index.ts";
import type { Interval } from "../../quantity/index.ts";
import type { SignalWire } from "../pick/signalWire.ts";
import { feedPointOf, type FeedPoint } from "./feedPoint.ts";
import { decideFuse } from "../pick/fuse.ts";
import { controlSwitch, kitWireOf, tiesFeeds } from "../pick/kitSwitch.ts";
import type { CircuitPlan, Notes } from "./plan.ts";
import { ratedInputA } from "../draw/converterInput.ts";
import { tapsFor, unfoundDetail, unfoundWire } from "../pick/tap.ts";
import { controlDrawA, runsUsing, supplyDrawA, supplyInputA } from "../draw/trunkDraw.ts";

/** A supply or a control of the kit wears its own id where a run's elements wear the run's. */
export const ownerOf = (id: string): CircuitId => asId<CircuitId>(id);

/** Every decision about something that runs are fed from. */
export interface SupplyPlan {
  readonly supply: Supply;
  readonly part: Part | undefined;
  /** Where its own feed comes from; null for a battery of its own. */
  readonly feed: FeedPoint | null;
  readonly root: Root;
  readonly drawA: Interval;
  readonly fuseA: number | null;
  /** The wire that says the key is on, where it is gated by the key. */
  readonly key: SignalWire | null;
}

export interface PositionPlan {
  readonly input: Input;
  readonly wire: SignalWire;
  /** Runs on it share one contact: there are fewer poles than runs. */
  readonly tied: boolean;
  readonly users: number;
}

export interface KitSwitchPlan {
  readonly control: KitSwitch;
  readonly part: SwitchPart;
  readonly feed: FeedPoint;
  readonly drawA: Interval;
  readonly fuseA: number | null;
  readonly positions: readonly PositionPlan[];
}

/**
 * Share of what a box may carry in all that its feeder is made for, whatever hangs on it today:
 * the lamps that come later need no new feeder. Common practice.
 */
const BOX_ROOM = 0.5;

/** What a feed may give by itself, in A: nothing is made for more. */
function feedLimitA(job: Job, feed: Feed): number {
  if (feed.kind === "pin") {
    return job.vehicle.pins.find((p) => p.id === feed.pinId)?.mayGiveA.value ?? Infinity;
  }
  if (feed.kind !== "supply") return Infinity;
  const supply = job.supplies.find((s) => s.id === feed.supplyId);
  const part = job.parts.find((p) => p.id === supply?.partId);
  return part?.kind === "converter" ? part.outA : part?.kind === "box" ? part.totalA : Infinity;
}

/** Parents before those they feed. */
function inOrder(supplies: readonly Supply[]): Supply[] {
  const done: Supply[] = [];
  const seen = new Set<Supply>();
  const visit = (supply: Supply): void => {
    if (seen.has(supply)) return;
    seen.add(supply);
    const { feed } = supply;
    const parent = feed.kind === "supply" && supplies.find((s) => s.id === feed.supplyId);
    if (parent && parent !== supply) visit(parent);
    done.push(supply);
  };
  supplies.forEach(visit);
  return done;
}

const NO_SOURCE = {
  kind: "noSource",
  detail: "what it is fed from is not on this vehicle",
} as const;

function noteFuse(notes: Notes, runId: CircuitId, d: Omit<Choice, "runId" | "kind">): void {
  const { picked, reason, pinned } = d;
  notes.choices.push({ runId, kind: "fuse", picked, reason, pinned });
}

function decideSupply(job: Job, plans: readonly CircuitPlan[], supply: Supply, notes: Notes) {
  const runId = ownerOf(supply.id);
  const part = job.parts.find((p) => p.id === supply.partId);
  const gives = feedPointOf(job, { kind: "supply", supplyId: supply.id });
  const drawA = supplyDrawA(job, plans, supply);
  if (part?.kind === "battery") {
    const root = gives?.root ?? { kind: "battery" as const };
    return { supply, part, feed: null, root, drawA, fuseA: null, key: null };
  }
  if (part?.kind === "box" && part.form === "plugIn") return null;
  const feed = feedPointOf(job, supply.feed);
  if (!feed || !gives) {
    notes.gaps.push({ runId, ...NO_SOURCE });
    return null;
  }
  const inputA = supplyInputA(job, plans, supply);
  const rated = ratedInputA(job, supply, part);
  const room =
    part?.kind === "box" ? Math.min(part.totalA * BOX_ROOM, feedLimitA(job, supply.feed)) * 0.8 : 0;
  const fuse = decideFuse(
    supply,
    Math.max(0.1, rated ?? Math.max(inputA.high, room)),
    job.practices,
    feed.range.highV,
  );
  noteFuse(notes, runId, fuse);
  const known = tapsFor(job, "key").find(({ from }) => from.kind === "vehicle");
  const isKeyed = supply.gate === "key";
  if (isKeyed && !known) {
    notes.gaps.push({ runId, kind: "tapUnknown", detail: unfoundDetail("key") });
  }
  const key = isKeyed ? (known ?? unfoundWire(job, "key")) : null;
  return { supply, part, feed, root: gives.root, drawA, fuseA: fuse.value, key };
}

/** Supplies in the order they are laid out: those that feed others first. */
export const decideSupplies = (
  job: Job,
  plans: readonly CircuitPlan[],
  notes: Notes,
): SupplyPlan[] =>
  inOrder(job.supplies).flatMap((supply) => decideSupply(job, plans, supply, notes) ?? []);

/** The kit's own controls, with how many runs each position has to work. */
export function decideKitSwitches(
  job: Job,
  plans: readonly CircuitPlan[],
  notes: Notes,
): KitSwitchPlan[] {
  // Those with a switch of their own come before those that sit in it.
  const hosts = job.controls.filter((c) => c.housing === "");
  const guests = job.controls.filter((c) => c.housing !== "");
  return [...hosts, ...guests].flatMap((control): KitSwitchPlan[] => {
    const runId = ownerOf(control.id);
    const feed = feedPointOf(job, control.feed);
    if (!feed) {
      notes.gaps.push({ runId, ...NO_SOURCE });
      return [];
    }
    const drawA = controlDrawA(plans, control);
    // What only ties to ground has nothing to fuse: the coil's own fuse is before it.
    const fuse =
      control.switches === "ground"
        ? null
        : decideFuse(control, Math.max(0.1, drawA.high), job.practices, feed.range.highV);
    if (fuse) noteFuse(notes, runId, fuse);
    const positions = control.inputs.map((input): PositionPlan => {
      const users = runsUsing(plans, control, input).length;
      const wire = kitWireOf(job, control, input);
      return { input, wire, tied: tiesFeeds(control, users), users };
    });
    const part = controlSwitch(job, control);
    return [{ control, part, feed, drawA, fuseA: fuse?.value ?? null, positions }];
  });
}
