import type { CoilLane, LaidCircuit } from "../../circuit/index.ts";
import { inputWord, type ElementId, type NodeId } from "../../job/index.ts";
import { siteOf, type SignalWire } from "../pick/signalWire.ts";
import type { Bench, WireSize } from "./assembly.ts";
import { AT_HAND_M, COIL_FUSE_A, COIL_FUSE_AT_M, COIL_WIRE } from "../defaults.ts";
import { toNegative, type Negative } from "./piece/grounds.ts";
import { fuseInLine, relayUnit, switchUnit } from "./piece/inline.ts";
import type { InterposingRelay, Clause } from "../decide/circuit/logic.ts";
import { tapOf, type Laid } from "./from/origin.ts";
import { rangeOfRoot } from "../draw/rangeOf.ts";
import { rootOfPin } from "../pick/pinOrigin.ts";
import { controlFeedOf } from "./layOutControlFeed.ts";
import { relayOnWire } from "../pick/coilsOn.ts";
import type { CircuitPlan } from "../decide/plan.ts";
import { DIODE_TERMINALS } from "../../unit/diode/unit.ts";
import { terminalNode, type Site } from "../../circuit/index.ts";

/** Terminals of the coil that a control path works: a relay's own, or a box's channel. */
export interface CoilEnds {
  readonly coil: ElementId;
  readonly plus: NodeId;
  /** null where the box has the other side wired inside. */
  readonly minus: NodeId | null;
  /** What feeds the positive side inside the box; null where a wire has to. */
  readonly jumper: ElementId | null;
}

/** Where a control may be fed from behind the run's own fuse, and the negative of that. */
export interface Fused {
  readonly node: NodeId;
  readonly negative: Negative;
}

interface Lead {
  readonly ids: readonly ElementId[];
  readonly node: NodeId;
  readonly shared: readonly ElementId[];
  readonly negative: Negative;
}

/** Lays out what works a run's relay, with wires of the control's size. */
export class ControlPath {
  private readonly size: WireSize;
  private readonly relaySite: Site;
  private readonly switchSite: Site;

  constructor(
    private readonly laid: Laid,
    private readonly b: Bench,
    private readonly plan: CircuitPlan,
    private fused: Fused,
  ) {
    this.size = { gaugeId: COIL_WIRE[laid.job.practices.wireSystem] };
    this.relaySite = { kind: "relay", runId: plan.run.id };
    this.switchSite = { kind: "switch", runId: plan.run.id };
  }

  /** What tells a coil's fuse from the others of its circuit: its wire where there are several, or the coil. */
  private toldApart(tag: string, wire: SignalWire | null): { readonly of?: string } {
    // One switch of the kit may have a contact for each of several signals.
    const words = wire?.from.kind === "kit" ? wire.words : wire?.name;
    if (tag !== "") return { of: words ?? `own feed ${tag}` };
    return this.plan.fuseA === COIL_FUSE_A ? { of: "coil" } : {};
  }

  /** A feed from a factory wire or a control, or from behind the run's own fuse, with a fuse of its own. */
  private lead(tag: string, wire: SignalWire | null): Lead {
    const { b, plan, laid, fused, size } = this;
    // Where a wire works more coils than this one they share its fuse.
    const common = wire && controlFeedOf(laid, wire);
    if (common) {
      const { before, path, node, shared, negative } = common;
      return { ids: [...before, ...path], node, shared, negative };
    }
    const tap = wire ? tapOf(laid, b, `tap${tag}`, wire) : null;
    const from = tap?.node ?? fused.node;
    const negative = tap?.negative ?? fused.negative;
    const shared = tap?.path ?? [];
    const site = wire ? siteOf(wire) : this.relaySite;
    const fuse = fuseInLine(
      b,
      {
        ...{ stub: `coilStub${tag}`, fuse: `coilFuse${tag}`, role: "tap" },
        ...this.toldApart(tag, wire),
      },
      from,
      site,
      size,
      {
        ratingA: COIL_FUSE_A,
        resets: false,
        // What is tapped from a pack is broken at the pack's volts, whatever the lamps are fed with.
        systemV: wire ? rangeOfRoot(laid.job, rootOfPin(wire)).highV : plan.feed.range.highV,
        fromSourceM: COIL_FUSE_AT_M,
      },
    );
    return { ids: [...(tap?.ids ?? []), ...fuse.ids], node: fuse.node, shared, negative };
  }

  /** Where a switch wants a negative for its tell-tale, a wire there. */
  private tellTale(name: string, node: NodeId | null, negative: Negative): void {
    if (!node) return;
    toNegative(this.b, name, node, negative, this.size, this.plan.run.controlM);
  }

  private ground(name: string, from: NodeId, negative: Negative): ElementId[] {
    return toNegative(this.b, name, from, negative, this.size, this.plan.run.feedM);
  }

  /** One coil, one way to it. */
  plain(
    ends: CoilEnds,
    boxed: boolean,
  ): { coil: LaidCircuit["coil"]; shared: readonly ElementId[] } {
    const { b, plan, size } = this;
    const { run, coilTap, switching } = plan;
    const grounds = coilTap?.switches === "ground" ? coilTap : null;
    // A coil that is worked by its ground is fed from behind the run's own fuse.
    const lead: Lead = ends.jumper
      ? { ids: [ends.jumper], node: ends.plus, shared: [], negative: this.fused.negative }
      : this.lead("", grounds ? null : coilTap);
    const path: ElementId[] = [...lead.ids];
    let node = lead.node;
    let shared = lead.shared;
    const wire = (name: string, role: "tap" | "coilFeed", to: NodeId, lengthM: typeof run.tapM) => {
      path.push(b.wire(name, role, node, to, size, lengthM));
      node = to;
    };
    const through = (): void => {
      const knob = switchUnit(b, "switch", this.switchSite, plan.switchPart);
      this.tellTale("tellTale", knob.tellTale, lead.negative);
      wire(
        switching === "positive" ? "tapWire" : "coilFeed",
        switching === "positive" ? "tap" : "coilFeed",
        knob.in,
        switching === "positive" ? run.tapM : run.controlM,
      );
      path.push(knob.id);
      node = knob.out;
    };
    if (plan.ownSwitch && switching === "positive" && !ends.jumper) {
      through();
      wire("coilFeed", "coilFeed", ends.plus, run.controlM);
    } else if (!ends.jumper) {
      wire("tapWire", "tap", ends.plus, run.tapM);
    }
    path.push(ends.coil);
    if (ends.minus) {
      node = ends.minus;
      if (plan.ownSwitch && (switching === "negative" || ends.jumper)) through();
      if (grounds) {
        const tap = tapOf(this.laid, b, "groundTap", grounds);
        shared = tap.path;
        path.push(
          b.wire("coilReturn", "coilReturn", node, tap.node, size, run.controlM),
          ...tap.ids,
        );
      } else path.push(...this.ground("coilReturn", node, lead.negative));
    }
    const label = boxed ? "input" : "coil";
    return {
      coil: {
        path,
        lanes: [{ label, ids: path }],
        switching: grounds ? "negative" : ends.minus ? switching : "positive",
      },
      shared,
    };
  }

  /** A interposing relay: its coil on a lane of its own, its contact in the way it opens or closes. */
  private helper(helper: InterposingRelay, tag: string, node: NodeId) {
    const { b, plan, size } = this;
    const grounds = helper.wire.switches === "ground";
    const lead = this.lead(tag, grounds ? null : helper.wire);
    const part = relayOnWire(helper.wire, plan.packV);
    const relay = relayUnit(
      b,
      { unit: `helper${tag}`, contact: `coilGate${tag}`, coil: `coil${tag}` },
      `relay ${inputWord(helper.input)}`,
      this.relaySite,
      part,
      "86",
      helper.negated,
    );
    const fed = b.wire(`tapWire${tag}`, "tap", lead.node, relay.plus, size, plan.run.tapM);
    const tap = grounds ? tapOf(this.laid, b, `groundTap${tag}`, helper.wire) : null;
    const ground = tap
      ? [
          b.wire(`coilReturn${tag}`, "coilReturn", relay.minus, tap.node, size, plan.run.tapM),
          ...tap.ids,
        ]
      : this.ground(`coilReturn${tag}`, relay.minus, lead.negative);
    const link = b.wire(`toGate${tag}`, "tap", node, relay.from, size, AT_HAND_M);
    const lane: CoilLane = {
      label: `${helper.negated ? "not " : ""}${inputWord(helper.input)}`,
      ids: [...lead.ids, fed, relay.coil, ...ground],
    };
    const shared = [...lead.shared, ...(tap?.path ?? [])];
    return { ids: [link, relay.contact], node: relay.to, lane, shared };
  }

  /**
   * The control of a run that is on in more ways than one relay and one switch can tell: ways
   * in parallel, interposing relays in line, diodes between the ways, then the coil.
   */
  logic(
    ways: readonly Clause[],
    ends: CoilEnds,
  ): { coil: NonNullable<LaidCircuit["coil"]>; shared: readonly ElementId[] } {
    const { b, plan, size } = this;
    const shared: ElementId[] = [];
    const lanes: CoilLane[] = [];
    const helping: CoilLane[] = [];
    let negative = this.fused.negative;
    const poles = ways.filter((way) => way.ownSwitch).length;
    const grounded = ways.flatMap((way) => way.helpers.filter((h) => h.wire.switches === "ground"));
    if (ways.filter((way) => way.feed === null).length + grounded.length > 1) {
      // Several ways hang behind the run's own fuse: they part from a splice of its own size.
      const from = this.fused.node;
      const node = b.splice("fusedSplice", "feed splice", this.relaySite);
      shared.push(b.wire("toFusedSplice", "feed", from, node, { group: plan.run.id }, AT_HAND_M));
      this.fused = { ...this.fused, node };
    }
    // Two wires in one spade are the most that hold.
    const many = ways.length > 2;
    const joint = many ? b.splice("coilJoint", "coil splice", this.relaySite) : ends.plus;
    ways.forEach((way, i) => {
      const lead = this.lead(`${i + 1}`, way.feed);
      if (i === 0) negative = lead.negative;
      shared.push(...lead.shared);
      const ids: ElementId[] = [...lead.ids];
      let node = lead.node;
      way.helpers.forEach((helper, k) => {
        const made = this.helper(helper, `${i + 1}_${k + 1}`, node);
        shared.push(...made.shared);
        ids.push(...made.ids);
        helping.push(made.lane);
        node = made.node;
      });
      if (way.ownSwitch) {
        const words = poles > 1 ? `switch, pole ${i + 1}` : "switch";
        const knob = switchUnit(b, `switch${i + 1}`, this.switchSite, plan.switchPart, words);
        this.tellTale(`tellTale${i + 1}`, knob.tellTale, lead.negative);
        ids.push(b.wire(`toSwitch${i + 1}`, "tap", node, knob.in, size, plan.run.tapM), knob.id);
        node = knob.out;
      }
      const unit = b.unit(`diode${i + 1}`, {
        ...{ kind: "diode", name: `diode ${i + 1}`, site: this.relaySite },
        terminals: DIODE_TERMINALS,
      });
      const [anode, cathode] = [terminalNode(unit, "a"), terminalNode(unit, "k")];
      ids.push(b.wire(`coilFeed${i + 1}`, "coilFeed", node, anode, size, plan.run.controlM));
      ids.push(b.inside(unit, `coilDiode${i + 1}`, { kind: "diode", from: anode, to: cathode }));
      ids.push(b.wire(`fromDiode${i + 1}`, "coilFeed", cathode, joint, size, AT_HAND_M));
      lanes.push({ label: i === 0 ? "coil" : "or", ids });
    });
    const ground = ends.minus ? this.ground("coilReturn", ends.minus, negative) : [];
    const [first, ...others] = lanes;
    const last = many ? [b.wire("fromJoint", "coilFeed", joint, ends.plus, size, AT_HAND_M)] : [];
    const main = { label: "coil", ids: [...(first?.ids ?? []), ...last, ends.coil, ...ground] };
    return {
      coil: { path: [], lanes: [main, ...others, ...helping], switching: "positive" },
      shared,
    };
  }
}
