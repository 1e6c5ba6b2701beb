import { terminalNode, type Site, type LaidFeeder } from "../../circuit/index.ts";
import { boxOf, channelsOf, type ElementId, type NodeId } from "../../job/index.ts";
import { isApart, type Part } from "../../part/index.ts";
import { assumed } from "../../quantity/index.ts";
import { Bench, type WireSize } from "./assembly.ts";
import { ownerOf, type KitSwitchPlan, type SupplyPlan } from "../decide/decideFeeders.ts";
import { AT_HAND_M, COIL_WIRE, OUTLET_M, STRAP_OHM } from "../defaults.ts";
import { layOutFeeder, layOutGate, outlet } from "./feeder.ts";
import type { FeedPoint } from "../decide/feedPoint.ts";
import { frameLug, hasFrameReturn, toNegative, type Negative } from "./piece/grounds.ts";
import { fuseInside } from "./piece/inline.ts";
import { negativeOf, originOf, type BoxUnit, type Laid, type Origin } from "./from/origin.ts";
import { BATTERY_TERMINALS } from "../../unit/battery/unit.ts";
import { boxTerminals } from "../../unit/box/unit.ts";
import { CONVERTER_TERMINALS } from "../../unit/converter/unit.ts";
import { flasherTerminals } from "../../unit/flasher/unit.ts";

const NONE: readonly ElementId[] = [];

/** How many wires start at a supply: runs, controls and further supplies on it. */
function usersOf({ job }: Laid, id: string): number {
  const on = [...job.runs, ...job.controls, ...job.supplies];
  return on.filter(({ feed }) => feed.kind === "supply" && feed.supplyId === id).length;
}

/** Whether anything behind a supply means to go back by the frame. */
const wantsFrame = ({ job }: Laid, id: string): boolean =>
  job.runs.some(
    (r) => r.feed.kind === "supply" && r.feed.supplyId === id && r.return === "chassis",
  );

interface Given {
  readonly node: NodeId;
  readonly path: readonly ElementId[];
  readonly negative: Negative;
}

/** A negative of its own: wires go back to it, and the frame only where it is tied to that. */
function ownNegativeOf(laid: Laid, b: Bench, plan: SupplyPlan, node: NodeId): Negative {
  const { supply } = plan;
  const site: Site = { kind: "supply", supplyId: supply.id };
  const words = `${supply.name} −`;
  const size = { group: `${supply.id}.out` };
  // Behind a bridge the frame is the coil's other end: tied to it, half of each wave is shorted.
  const bridged = plan.part?.kind === "converter" && plan.part.input === "alternating";
  const onFrame = !bridged && hasFrameReturn(laid.job) && wantsFrame(laid, supply.id);
  const users = usersOf(laid, supply.id);
  // Every circuit on it brings a wire or more back here: lamps, coils, tell-tales.
  const joint = users === 0 ? node : b.splice("negSplice", `${supply.name} −`, site);
  const path = users === 0 ? NONE : [b.wire("neg", "return", joint, node, size, OUTLET_M)];
  if (onFrame) {
    const lug = frameLug(b, "bond");
    b.wire("bond", "return", joint, lug.node, size, AT_HAND_M);
  }
  return { node: joint, path, words, onFrame };
}

/** A battery of its own: its negative floats, but for a leak that gives it a voltage. */
function layOutBattery(
  laid: Laid,
  b: Bench,
  plan: SupplyPlan,
  part: Extract<Part, { kind: "battery" }>,
): Given {
  const { supply } = plan;
  const site: Site = { kind: "supply", supplyId: supply.id };
  const unit = b.unit("battery", {
    ...{ kind: "battery", name: supply.name, site },
    terminals: BATTERY_TERMINALS,
  });
  const [plus, minus] = [terminalNode(unit, "pos"), terminalNode(unit, "neg")];
  const id = b.inside(unit, "battery", { kind: "battery", from: minus, to: plus, part });
  return { node: plus, path: [id], negative: ownNegativeOf(laid, b, plan, minus) };
}

/** Something that is fed, and what it gives. */
function layOutFed(
  laid: Laid,
  b: Bench,
  plan: SupplyPlan,
  origin: Origin,
  feed: FeedPoint,
): Given & {
  readonly shared: readonly ElementId[];
  readonly gate: readonly ElementId[];
  readonly box: BoxUnit | null;
} {
  const { supply, part } = plan;
  const site: Site = { kind: "supply", supplyId: supply.id };
  const size: WireSize = { group: supply.id };
  const outSize: WireSize = { group: `${supply.id}.out` };
  const coilSize = { gaugeId: COIL_WIRE[laid.job.practices.wireSystem] };
  const users = usersOf(laid, supply.id);
  const feeder = {
    feed,
    origin,
    site: { kind: "source", feed: supply.feed } as const,
    fuseA: plan.fuseA,
    resets: supply.fuse.kind === "breaker",
    fuseAtM: supply.fuseAtM,
    feedM: supply.feedM,
    size,
  };
  const { negative } = origin;
  const join = (input: NodeId) => {
    const gate = layOutGate(laid, b, plan, size, input, negative);
    const fed = layOutFeeder(b, feeder, gate.entry);
    return { path: [...fed.path, ...gate.path], shared: fed.shared, gate: gate.gate };
  };
  if (part?.kind === "converter") {
    const unit = b.unit("converter", {
      ...{ kind: "converter", name: supply.name, site },
      terminals: CONVERTER_TERMINALS,
    });
    const at = (terminal: string): NodeId => terminalNode(unit, terminal);
    const before = join(at("in_pos"));
    toNegative(b, "inNeg", at("in_neg"), negative, size, supply.feedM);
    const [inNeg, outNeg] = [at("in_neg"), at("out_neg")];
    const id = b.inside(unit, "converter", {
      ...{ kind: "converter", from: at("in_pos"), to: at("out_pos"), inNeg, outNeg, part },
    });
    if (!isApart(part)) {
      b.inside(unit, "common", { kind: "strap", from: inNeg, to: outNeg, ohm: STRAP_OHM });
    }
    const out = outlet(b, "out", at("out_pos"), users, site, outSize);
    return {
      ...before,
      path: [...before.path, id, ...out.ids],
      node: out.node,
      negative: ownNegativeOf(laid, b, plan, outNeg),
      box: null,
    };
  }
  if (part?.kind === "flasher") {
    // A thermal one lives of the load's own current; what is electronic wants a ground.
    const grounded = part.principle !== "thermal";
    const unit = b.unit("flasher", {
      ...{ kind: "flasher", name: supply.name, site },
      terminals: flasherTerminals(grounded),
    });
    const [input, output] = [terminalNode(unit, "49"), terminalNode(unit, "49a")];
    const before = join(input);
    const id = b.inside(unit, "flasher", { kind: "flasher", from: input, to: output, part });
    if (grounded) {
      toNegative(b, "ground", terminalNode(unit, "31"), negative, coilSize, supply.feedM);
    }
    const out = outlet(b, "out", output, users, site, size);
    return {
      ...before,
      path: [...before.path, id, ...out.ids],
      node: out.node,
      negative,
      box: null,
    };
  }
  const ways = part?.kind === "box" ? part.ways : 0;
  const worked = part?.kind === "box" && part.form !== "fuseBlock";
  const boxUnit = b.unit("box", {
    ...{ kind: "box", name: supply.name, site },
    terminals: boxTerminals(ways, worked),
  });
  const input = terminalNode(boxUnit, "in");
  const before = join(input);
  const mainA = part?.kind === "box" ? part.mainBreakerA : 0;
  // Behind a main breaker the bar has a stud of its own, for what is not on a channel.
  const bar =
    mainA > 0
      ? b.assembly.terminal(boxUnit, "bar", "stud", "nothing is taken from the bar itself")
      : input;
  const main =
    mainA > 0
      ? [
          fuseInside(
            b,
            boxUnit,
            "main",
            input,
            bar,
            {
              ...{
                ratingA: mainA,
                resets: true,
                systemV: feed.range.highV,
                fromSourceM: supply.feedM,
              },
            },
            true,
          ),
        ]
      : NONE;
  if (worked) {
    // A hub that switches ground carries every lamp's current there.
    const heavy = boxOf(laid.job, supply.id)?.switches === "ground" ? size : coilSize;
    toNegative(b, "boxNeg", terminalNode(boxUnit, "neg"), negative, heavy, supply.feedM);
  }
  const given = new Set(channelsOf(laid.job, supply.id).values());
  // More feeders than channels are found by a rule; each still gets a place of its own here.
  const most = ways + laid.job.supplies.length + laid.job.controls.length;
  const free = Array.from({ length: most }, (_, i) => i + 1).filter((n) => !given.has(n));
  const box = part?.kind === "box" ? { unit: boxUnit, part, bar, free } : null;
  return { ...before, path: [...before.path, ...main], node: bar, negative, box };
}

/** Lays out one supply, and notes where runs start from it. */
export function layOutSupply(laid: Laid, plan: SupplyPlan): LaidFeeder | null {
  const { supply, part, feed, root, drawA } = plan;
  // A module between a factory plug and its lamps is fed by what goes through it.
  if (part?.kind === "box" && part.form === "plugIn") return null;
  const ownerId = ownerOf(supply.id);
  const b = new Bench(laid.assembly, ownerId);
  const base = { ownerId, kind: "supply", name: supply.name, root, drawA } as const;
  if (part?.kind === "battery") {
    const { node, path, negative } = layOutBattery(laid, b, plan, part);
    laid.supplies.set(supply.id, { node, path, negative, box: null });
    const source = { kind: "supply", supplyId: supply.id } as const;
    return { ...base, source, feedRoot: root, shared: NONE, path, gate: NONE, node };
  }
  const origin = feed && originOf(laid, supply.feed);
  if (!feed || !origin) return null;
  const made = layOutFed(laid, b, plan, origin, feed);
  const { node, path, shared, negative, gate, box } = made;
  laid.supplies.set(supply.id, { node, path: [...shared, ...path], negative, box });
  return { ...base, source: feed.source, feedRoot: feed.root, shared, path, gate, node };
}

/** Lays out one of the kit's own controls, and notes where runs start from its positions. */
export function layOutKitSwitch(laid: Laid, plan: KitSwitchPlan): LaidFeeder | null {
  const { control, part, feed, drawA, positions } = plan;
  const ownerId = ownerOf(control.id);
  const b = new Bench(laid.assembly, ownerId);
  const grounds = control.switches === "ground";
  const origin = grounds ? null : originOf(laid, control.feed);
  const negative = origin?.negative ?? negativeOf(laid, control.feed);
  if (!negative) return null;
  const site: Site = { kind: "control", controlId: control.id };
  const size: WireSize = { group: control.id };
  const host = control.housing === "" ? undefined : laid.switches.get(control.housing);
  const guest = host !== undefined;
  const lit = !grounds && !guest && part.tellTale !== "none" && part.tellTaleA.value > 0;
  const unit =
    host ?? b.unit("control", { ...{ kind: "control", name: control.name, site }, terminals: [] });
  laid.switches.set(control.id, unit);
  const common = b.assembly.nextTerminal(unit, "com", "blade");
  for (const { input } of positions.filter((p) => p.users === 0)) {
    b.assembly.terminal(unit, input, "blade", `nothing is on ${input}`);
  }
  if (lit) b.assembly.terminal(unit, "neg", "blade");
  const fed = !origin
    ? { path: toNegative(b, "ground", common, negative, size, control.feedM), shared: NONE }
    : layOutFeeder(
        b,
        {
          ...{
            feed,
            origin,
            size,
            fuseA: plan.fuseA,
            resets: control.fuse.kind === "breaker",
            feedM: control.feedM,
          },
          site: { kind: "source", feed: control.feed },
          // Close to a battery; beside whatever else feeds it, where a holder finds room.
          fuseAtM: control.feed.kind === "supply" ? AT_HAND_M : assumed(0.15, 0.1, 0.2),
        },
        common,
      );
  const path = [...fed.shared, ...fed.path];
  const tellTaleTo = lit ? terminalNode(unit, "neg") : null;
  if (tellTaleTo) {
    const coilSize = { gaugeId: COIL_WIRE[laid.job.practices.wireSystem] };
    toNegative(b, "tellTale", tellTaleTo, negative, coilSize, control.feedM);
  }
  const tellTale = { to: tellTaleTo };
  for (const { input, wire, tied, users } of positions) {
    let sharedOut = null;
    if (tied) {
      const node = b.assembly.terminal(unit, input, "blade");
      const ends = grounds ? { from: node, to: common } : { from: common, to: node };
      const id = b.inside(unit, input, {
        ...{ kind: "switch", ...ends, input, part, tellTaleTo: tellTale.to },
      });
      tellTale.to = null;
      const out = outlet(b, `${input}Out`, node, users, site, size);
      sharedOut = { node: out.node, ids: [id, ...out.ids] };
    }
    laid.controls.set(wire.id, {
      ...{ input, part, unit, common, sharedOut, path, negative, tellTale },
      switches: control.switches,
    });
  }
  // What lies beyond its own wire to ground is everybody's way back.
  const own = grounds ? fed.path.slice(0, 1) : fed.path;
  return {
    ...{ ownerId, kind: "control", name: control.name, source: feed.source, root: feed.root },
    ...{ feedRoot: feed.root, shared: fed.shared, path: own, gate: NONE, node: common, drawA },
  };
}
