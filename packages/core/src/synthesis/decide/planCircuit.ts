import { decimal } from "../../quantity/index.ts";
import type { Choice, ChoiceKind } from "../../circuit/index.ts";
import { conditionText, type Feed, type Job, type LightingCircuit } from "../../job/index.ts";
import { isUnfound, type ConnectorPin } from "../../vehicle/index.ts";
import { fuseForDraw } from "../../protection/index.ts";
import { decideCoil } from "../pick/coil.ts";
import { controlOf } from "../pick/control.ts";
import { drawOf, loadsOf, mostDrawA } from "../draw/draw.ts";
import { decideFuse } from "../pick/fuse.ts";
import { logicOf, needsLogic, type Clause } from "./logic.ts";
import type { Decision } from "./decision.ts";
import type { CircuitPlan, Notes } from "./plan.ts";
import { decideRelay } from "../pick/relay.ts";
import { feedPointOf, type FeedPoint } from "./feedPoint.ts";
import { controlOfPin } from "../pick/kitSwitch.ts";
import { behindA, describeSwitch, moduleOf, plugOf, relayOf, switchOf } from "./circuitParts.ts";
import { chooseTap, chooseUnfound, pinText, unfoundDetail } from "../pick/tap.ts";

/** Relays that a control of several ways takes, the run's own apart, in words. */
function countOf(ways: readonly Clause[]): string {
  const helpers = ways.reduce((n, way) => n + way.helpers.length, 0);
  const relays =
    helpers === 0 ? "" : ` and ${helpers} interposing relay${helpers === 1 ? "" : "s"}`;
  return `${ways.length} wire${ways.length === 1 ? "" : "s"} to the coil${relays}`;
}

/** Draw in A up to which a lamp may hang on a factory wire that has it to spare: common practice. */
const SMALL_A = 0.5;

/**
 * Whether a factory wire carries so small a load beside its own, with a fuse and no relay. Not the
 * ignition's, and on a bus vehicle not the lamps' own wires, which the vehicle watches.
 */
export function tapCarries(job: Job, tap: ConnectorPin | null, drawA: number): boolean {
  if (!tap || controlOfPin(job, tap) !== null || drawA > SMALL_A) return false;
  const watched = job.vehicle.turn?.principle === "bus" && tap.family !== "accessory";
  return tap.family !== "ignition" && !watched && tap.mayGiveA.low >= drawA;
}

const sameFeed = (a: Feed, b: Feed): boolean => JSON.stringify(a) === JSON.stringify(b);

/** Whether a feed is, or lies on the way to, another: through a flasher, a box. */
function leadsTo(job: Job, from: Feed, to: Feed, deep = 0): boolean {
  if (sameFeed(from, to)) return true;
  if (to.kind !== "supply" || deep > job.supplies.length) return false;
  const supply = job.supplies.find((s) => s.id === to.supplyId);
  const kind = job.parts.find((p) => p.id === supply?.partId)?.kind;
  if (!supply || kind === "converter" || kind === "battery") return false;
  return leadsTo(job, from, supply.feed, deep + 1);
}

/**
 * Whether a position of the kit's controls may carry a run's load: only where what the control
 * is fed from lies behind what the run is to be fed from. A run that is to be fed from the
 * pack, or from a flasher that the control does not hang on, would not be.
 */
function carriesFor(job: Job, run: LightingCircuit, pin: ConnectorPin): boolean {
  const at = controlOfPin(job, pin);
  return at !== null && leadsTo(job, run.feed, at.control.feed);
}

/** Ways that are each just a position of the kit's own controls, with nothing to help them. */
function directWays(job: Job, run: LightingCircuit, ways: readonly Clause[] | null, drawA: number) {
  if (!ways || run.relay === "yes") return null;
  const pins = ways.flatMap((way) =>
    way.feed?.switches === "positive" &&
    way.helpers.length === 0 &&
    !way.ownSwitch &&
    carriesFor(job, run, way.feed)
      ? [way.feed]
      : [],
  );
  return pins.length === ways.length && pins.every((pin) => drawA <= pin.mayGiveA.value)
    ? pins
    : null;
}

const feedReason = (feed: FeedPoint, direct: ConnectorPin | null, kit: boolean): string => {
  if (kit) return "Through a control of the kit, which is rated for it.";
  if (direct)
    return `Taken from a factory wire that gives ${decimal(direct.mayGiveA.low)} A at most.`;
  switch (feed.source.kind) {
    case "supply":
      return feed.box
        ? `A channel of its own on ${feed.words}.`
        : `From ${feed.words}, which gives ${decimal(feed.volts)} V.`;
    case "pack":
      return "Across the whole pack, so that every block is drawn down alike.";
    case "block":
      return "From part of the pack: the blocks below the tap are drawn down more than the others.";
    default:
      return "Straight from the battery through a fuse of its own, so no factory fuse carries it.";
  }
};

/** Makes every decision about one run but its wire, noting choices and gaps as it goes. null: no source. */
export function planCircuit(
  job: Job,
  run: LightingCircuit,
  { choices, gaps }: Notes,
): CircuitPlan | null {
  const note = (kind: ChoiceKind, d: Omit<Choice, "runId" | "kind">): void => {
    const { picked, reason, pinned } = d;
    choices.push({ runId: run.id, kind, picked, reason, pinned });
  };
  const wantedFeed = feedPointOf(job, run.feed);
  if (!wantedFeed) {
    gaps.push({
      runId: run.id,
      kind: "noSource",
      detail:
        job.vehicle.system.kind === "pack"
          ? "this vehicle has no 12 V battery: feed it from a converter, the pack or a battery of its own"
          : "what it is fed from is not on this vehicle, or has nothing to give: circuits go through a plug-in module, and none is fed from it",
    });
    return null;
  }
  const loads = loadsOf(job, run);
  const usual = drawOf(run, loads, wantedFeed.volts);
  const most = mostDrawA(run, loads, wantedFeed.range);
  const drawA = { ...usual, high: Math.max(usual.high, most) };
  if (loads.length === 0) {
    gaps.push({ runId: run.id, kind: "noLoads", detail: "nothing is on this circuit yet" });
  }
  const driven = loads.find(({ part }) => part.load.kind === "drivenLed");
  if (run.arrangement === "series" && driven) {
    gaps.push({
      runId: run.id,
      kind: "notInSeries",
      detail: `${driven.part.name} has a switching driver inside`,
    });
  }
  const { box } = wantedFeed;
  const feedPin = wantedFeed.source.kind === "pin" ? wantedFeed.source.pin : null;
  const control = controlOf(job, run);
  const logic = needsLogic(run) ? logicOf(job, run) : null;
  if (logic?.kind === "notBuildable") {
    gaps.push({ runId: run.id, kind: "conditionNotBuildable", detail: logic.detail });
  }
  const switched = box !== null && box.form !== "fuseBlock";
  const ways = logic?.kind === "built" ? logic.ways : null;
  const direct = switched ? null : directWays(job, run, ways, drawA.mid);
  if (ways && !direct && run.relay === "no" && !switched) {
    gaps.push({
      runId: run.id,
      kind: "conditionNotBuildable",
      detail: `“${conditionText(run.condition)}” cannot be told without a relay, and none is pinned`,
    });
  }
  const signal = control.signals[0] ?? null;
  const known = signal === null ? null : chooseTap(job, run, signal);
  const alone = logic === null && signal !== null && known === null ? [signal] : [];
  for (const input of logic?.kind === "built" ? logic.unfound : alone) {
    gaps.push({ runId: run.id, kind: "tapUnknown", detail: unfoundDetail(input) });
  }
  const tap = known ?? (signal === null ? null : chooseUnfound(job, signal));
  const switchPart = switchOf(job, run, wantedFeed, tap?.value ?? null);
  const relayPart = relayOf(job, run, box, tap?.value ?? null);
  const wantedFuseA = fuseForDraw(drawA.high, job.practices.fuseSchool);
  if (wantedFuseA === null) {
    gaps.push({
      runId: run.id,
      kind: "loadAboveLadder",
      detail: `${decimal(drawA.high)} A is more than one blade fuse can carry`,
    });
  }
  const grounds = tap?.value.switches === "ground" ? tap.value : null;
  const kitTap = tap && !grounds && carriesFor(job, run, tap.value) ? tap.value : null;
  const deaf = switched && (box.form !== "relayBoard" || box.switches === "ground");
  if (grounds && (deaf || run.relay === "no")) {
    const what = pinText(job.vehicle, grounds);
    gaps.push({
      runId: run.id,
      kind: "conditionNotBuildable",
      detail: deaf
        ? `${what} switches ground, and the inputs of ${box.name} want a positive: take a relay or a relay board`
        : `${what} switches ground: it can work a coil, and no relay is pinned`,
    });
  }
  const relay = ((): Decision<boolean> => {
    if (switched) {
      return {
        value: true,
        picked: relayPart.name,
        reason: `${box.name} turns it on and off; ${box.switches === "ground" ? "its channels switch the lamp's ground" : "its channels switch the lamp's positive"}.`,
        pinned: false,
      };
    }
    if (direct) {
      return {
        value: false,
        picked: "no relay",
        reason:
          "Each of its signals closes a contact of the kit's own, with a pole to itself where it has enough.",
        pinned: run.relay === "no",
      };
    }
    if (ways && run.relay !== "no") {
      return {
        value: true,
        picked: relayPart.name,
        reason: `“${conditionText(run.condition)}” takes ${countOf(ways)}; diodes keep them apart.`,
        pinned: run.relay === "yes",
      };
    }
    return decideRelay({
      run,
      drawA: drawA.mid,
      fuseA: wantedFuseA,
      ownSwitch: control.ownSwitch,
      switchPart,
      relayPart,
      signal,
      signalA: kitTap ? kitTap.mayGiveA.value : 0,
      tapA:
        !grounds && !feedPin && tap && tapCarries(job, tap.value, drawA.high)
          ? tap.value.mayGiveA.low
          : 0,
    });
  })();

  // Without a relay the trigger wire has to carry the load: people do it, and rules judge it.
  const strange = !relay.value && tap !== null && kitTap === null && controlOfPin(job, tap.value);
  if (strange) {
    const { control } = strange;
    const own = feedPointOf(job, control.feed)?.words ?? "another feed";
    gaps.push({
      runId: run.id,
      kind: "feedNotUsed",
      detail: `${control.name} is fed from ${own}, not from ${wantedFeed.words}; without a relay its current comes from there`,
    });
  }
  // What nobody has found carries nothing: without a relay the load stays on what was chosen.
  const carries = !relay.value && tap !== null && !grounds && !isUnfound(tap.value);
  const through = direct?.[0] ?? (carries ? tap.value : null);
  const carrying = through ?? feedPin;
  const kit = through ? controlOfPin(job, through) : null;
  const feed: FeedPoint = ((): FeedPoint => {
    if (!through) return wantedFeed;
    if (!kit) {
      return feedPointOf(job, { kind: "pin", pinId: through.id }) ?? wantedFeed;
    }
    const behind = feedPointOf(job, kit.control.feed) ?? wantedFeed;
    return {
      ...behind,
      source: { kind: "control", controlId: kit.control.id },
      words: pinText(job.vehicle, through),
      box: null,
    };
  })();
  note("feed", {
    picked: feed.words,
    reason: feedReason(feed, carrying, kit !== null),
    pinned: run.feed.kind === "pin",
  });
  if (tap && relay.value) note("tap", tap);
  note("relay", relay);
  const coil = decideCoil(run, relayPart, job.practices);
  if (relay.value) note("coil", coil);
  if (control.ownSwitch)
    note(
      "switch",
      describeSwitch(switchPart, drawA.mid, relay.value, switchPart.id === run.switchPartId),
    );
  const factory = feed.source.kind === "pin" ? feed.source.pin : null;
  const plugs = factory !== null && !relay.value && !control.ownSwitch;
  const module = moduleOf(job, run);
  if ((module || loads.some(({ lamp }) => lamp.joint !== "splice")) && !plugs) {
    gaps.push({
      runId: run.id,
      kind: "plugNotPossible",
      detail: `plugs and plug-in modules take a factory wire as it comes: feed it from the wire that the factory lamp hangs on, with no relay and no switch of its own (now ${feed.words})`,
    });
  }
  // A lamp in the place of the factory's has the factory's fuse.
  const behindFactory =
    factory !== null &&
    plugs &&
    run.fuse.kind === "auto" &&
    loads.length > 0 &&
    loads.every(({ lamp }) => lamp.joint !== "splice" || lamp.replaces !== "");
  const behindControl = kit !== null && run.fuse.kind === "auto";
  const fuse: Decision<number | null> = behindControl
    ? {
        value: null,
        picked: "none of its own",
        reason: `The fuse of ${kit.control.name} protects it: choose the wire by that one.`,
        pinned: false,
      }
    : behindFactory
      ? {
          value: null,
          picked: "the factory's own",
          reason:
            factory.fuseA > 0
              ? `It hangs where the factory lamp hung: the factory's ${decimal(factory.fuseA)} A fuse stays.`
              : "It hangs where the factory lamp hung: the factory's fuse stays, its rating not told yet.",
          pinned: false,
        }
      : decideFuse(run, drawA.high, job.practices, feed.range.highV, behindA(job, run, loads));
  note("fuse", fuse);
  const plug = plugOf(job, run);
  const adapted = loads.some(({ lamp }) => lamp.joint === "adapter");
  if (behindFactory) {
    note("plug", {
      picked: adapted ? (plug?.name ?? "adapter lead") : "the factory's plug",
      reason: adapted
        ? "Plug to plug: nothing is cut, and it comes out again."
        : "The lamp's own plug goes where the factory lamp's was.",
      pinned: plug !== null,
    });
  } else
    note("plug", {
      picked: plug?.name ?? "no plug",
      reason: plug
        ? `In each lamp's lead, so that it comes off with its panel; carries ${decimal(plug.ratingA)} A.`
        : "Spliced: nothing to corrode, and nothing to part when the panel comes off.",
      pinned: plug !== null,
    });

  return {
    run,
    loads,
    drawA,
    packV: job.vehicle.system.kind === "engine" ? 0 : job.vehicle.system.pack.nominalV,
    feed,
    feedPin: carrying,
    signals: control.signals,
    ownSwitch: control.ownSwitch,
    useRelay: relay.value,
    relayPart,
    switchPart,
    box,
    connectorPart: plug,
    plugs,
    factoryFused: behindFactory,
    module: plugs ? module : null,
    coilTap: tap && relay.value && !(grounds && deaf) ? tap.value : null,
    logic: relay.value ? ways : null,
    direct,
    switching: coil.value.switching,
    plusTerminal: coil.value.plusTerminal,
    fuseA: fuse.value,
  };
}
