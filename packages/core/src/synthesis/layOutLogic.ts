import type { ControlLane, RunCircuit } from "../circuit/index.ts";
import { inputWord, type ElementId, type NodeId } from "../job/index.ts";
import { GENERIC_RELAY, relayForV } from "../part/index.ts";
import type { ConnectorPin } from "../vehicle/index.ts";
import { COIL_FUSE_A, COIL_FUSE_AT_M, GROUND_TAIL_M } from "./defaults.ts";
import type { Helper, Way } from "./logic.ts";
import type { RunPlan } from "./plan.ts";
import { GROUND, type RunBuilder } from "./runBuilder.ts";
import { layOutTap, type TapPlace } from "./layOutTap.ts";

/** A fused lead from a factory wire, or from behind the run's own fuse where `pin` is null. */
function fusedLead(
  b: RunBuilder,
  plan: RunPlan,
  tag: string,
  size: string,
  pin: ConnectorPin | null,
  fused: NodeId,
  place: TapPlace,
) {
  const ids: ElementId[] = [];
  let shared: readonly ElementId[] = [];
  let node = fused;
  if (pin) {
    const tap = layOutTap(b, `tap${tag}`, pin, place);
    ids.push(...tap.ids);
    shared = tap.shared;
    node = tap.node;
  }
  const behind = b.node(`coilFused${tag}`);
  ids.push(
    b.add({
      kind: "fuse",
      ...b.base(`coilFuse${tag}`, node, behind),
      ratingA: COIL_FUSE_A,
      resets: false,
      systemV: plan.feed.volts,
      fromSourceM: COIL_FUSE_AT_M,
    }),
  );
  const end = b.node(`tapWire${tag}End`);
  const origin = pin ? "tap" : "fuse";
  ids.push(b.wire(`tapWire${tag}`, "tap", behind, end, size, plan.run.tapM, [origin, "control"]));
  return { ids, node: end, shared };
}

/** A helping relay: its coil on a lane of its own, its contact in the way it opens or closes. */
function layOutHelper(
  b: RunBuilder,
  plan: RunPlan,
  helper: Helper,
  tag: string,
  size: string,
  from: NodeId,
  fused: NodeId,
  place: TapPlace,
) {
  const lead = fusedLead(b, plan, tag, size, helper.pin, fused, place);
  const part = helper.pin.supply === "pack" ? relayForV(plan.packV) : GENERIC_RELAY;
  const coilEnd = b.node(`coilOut${tag}`);
  const coilId = b.add({
    kind: "coil",
    ...b.base(`coil${tag}`, lead.node, coilEnd),
    part,
    plusTerminal: "86",
  });
  const ground = b.wire(`coilReturn${tag}`, "coilReturn", coilEnd, GROUND, size, GROUND_TAIL_M, [
    "relay 85",
    "ground",
  ]);
  const to = b.node(`coilGate${tag}`);
  const contact = b.add({
    kind: "contact",
    ...b.base(`coilGate${tag}`, from, to),
    part,
    coilId,
    inBox: "",
    normallyClosed: helper.negated,
  });
  const lane: ControlLane = {
    label: `${helper.negated ? "not " : ""}${inputWord(helper.input)}`,
    ids: [...lead.ids, coilId, ground],
  };
  return { contact, to, lane, shared: lead.shared };
}

/**
 * The control of a run that is on in more ways than one relay and one switch can tell:
 * ways side by side, helping relays in line, diodes between the ways, then the coil.
 */
export function layOutLogic(
  b: RunBuilder,
  plan: RunPlan,
  ways: readonly Way[],
  size: string,
  fused: NodeId,
  place: TapPlace,
): { readonly coil: NonNullable<RunCircuit["coil"]>; readonly shared: readonly ElementId[] } {
  const shared: ElementId[] = [];
  const coilPlus = b.node("coilIn");
  const lanes: ControlLane[] = [];
  const helping: ControlLane[] = [];
  ways.forEach((way, i) => {
    const lead = fusedLead(b, plan, `${i + 1}`, size, way.feed, fused, place);
    shared.push(...lead.shared);
    const ids = [...lead.ids];
    let node = lead.node;
    way.helpers.forEach((helper, k) => {
      const made = layOutHelper(b, plan, helper, `${i + 1}_${k + 1}`, size, node, fused, place);
      shared.push(...made.shared);
      ids.push(made.contact);
      helping.push(made.lane);
      node = made.to;
    });
    if (way.ownSwitch) {
      const to = b.node(`switched${i + 1}`);
      ids.push(
        b.add({
          kind: "switch",
          ...b.base(`switch${i + 1}`, node, to),
          input: "switch",
          part: plan.switchPart,
        }),
      );
      node = to;
    }
    const end = b.node(`way${i + 1}End`);
    ids.push(
      b.wire(`coilFeed${i + 1}`, "coilFeed", node, end, size, plan.run.controlM, [
        "control",
        `relay ${plan.plusTerminal}`,
      ]),
    );
    ids.push(b.add({ kind: "diode", ...b.base(`coilDiode${i + 1}`, end, coilPlus) }));
    lanes.push({ label: i === 0 ? "coil" : "or", ids });
  });
  const coilEnd = b.node("coilOut");
  const coil = b.add({
    kind: "coil",
    ...b.base("coil", coilPlus, coilEnd),
    part: plan.relayPart,
    plusTerminal: plan.plusTerminal,
  });
  const ground = b.wire("coilReturn", "coilReturn", coilEnd, GROUND, size, GROUND_TAIL_M, [
    `relay ${plan.plusTerminal === "86" ? "85" : "86"}`,
    "ground",
  ]);
  const [first, ...others] = lanes;
  const main = { label: "coil", ids: [...(first?.ids ?? []), coil, ground] };
  const coilPath = {
    path: [],
    lanes: [main, ...others, ...helping],
    switching: "positive" as const,
  };
  return { coil: coilPath, shared };
}
