import { terminalNode } from "../../../circuit/index.ts";
import { type ElementId, type Job, type NodeId, programOf } from "../../../job/index.ts";
import { wayRelay } from "../../../part/index.ts";
import type { Bench, WireSize } from "../assembly.ts";
import { AT_HAND_M, FLOOR_WIRE } from "../../defaults.ts";
import type { Laid } from "./origin.ts";
import type { FittedLoad, CircuitPlan } from "../../decide/plan.ts";
import { factoryCircuit, factoryGround } from "./sources.ts";
import { moduleTerminals } from "../../../unit/box/unit.ts";

/** Whether a lamp goes into the plug that the factory lamp sat on: nothing is cut or spliced. */
export const isPlugged = (plan: CircuitPlan, { lamp }: FittedLoad): boolean =>
  plan.plugs && lamp.joint !== "splice";

/** Whether every lamp of a circuit does. */
export const allPlugged = (plan: CircuitPlan): boolean =>
  plan.loads.length > 0 && plan.loads.every((load) => isPlugged(plan, load));

/** The wire size of a ready-made lead that nobody has told. */
export const leadSize = (job: Job): WireSize => ({ gaugeId: FLOOR_WIRE[job.practices.wireSystem] });

/** The plug that a factory lamp sat on: its feed, and its ground. */
export interface FactoryPlug {
  readonly from: NodeId;
  readonly to: NodeId;
  /** From that ground back to the source, by the vehicle's own loom. */
  readonly back: readonly ElementId[];
}

/** The factory plug behind a circuit's feed; `from` is where the feed has got to by then. */
export function factoryPlug(
  laid: Laid,
  b: Bench,
  plan: CircuitPlan,
  from: NodeId,
): FactoryPlug | null {
  const { source } = plan.feed;
  if (source.kind !== "pin") return null;
  const { unit } = factoryCircuit(laid.assembly, laid.job, source.pin, laid.factory);
  const { node, ids } = factoryGround(b, laid.job, source.pin, unit);
  return { from, to: node, back: ids };
}

/** What a circuit does on its way through a module. */
export interface Through {
  readonly path: readonly ElementId[];
  /** What the module senses its own input by. */
  readonly sense: readonly ElementId[];
  readonly node: NodeId;
}

/** Through a module between the factory's plug and its lamps: in by one plug, out by the other. */
export function layOutThrough(
  laid: Laid,
  b: Bench,
  plan: CircuitPlan,
  from: NodeId,
): Through | null {
  const { module } = plan;
  if (!module) return null;
  const { supply, part, channel } = module;
  const { assembly, job } = laid;
  const harness = `leads of ${supply.name}`;
  const size = leadSize(job);
  const { source } = plan.feed;
  let unit = laid.modules.get(supply.id);
  const negId = `${supply.id}_neg`;
  if (!unit) {
    unit = b.unit(`module_${supply.id}`, {
      ...{ kind: "box", name: supply.name, site: { kind: "supply", supplyId: supply.id } },
      terminals: moduleTerminals(part),
    });
    laid.modules.set(supply.id, unit);
    if (source.kind === "pin") {
      const { unit: factory } = factoryCircuit(assembly, job, source.pin, laid.factory);
      const ground = factoryGround(b, job, source.pin, factory);
      const neg = terminalNode(unit, "neg");
      b.wire(negId, "coilReturn", neg, ground.node, size, AT_HAND_M, harness);
    }
  }
  const [input, output] = [
    assembly.terminal(unit, `in${channel}`, "cavity"),
    assembly.terminal(unit, `out${channel}`, "loom"),
  ];
  const relay = wayRelay(part, channel);
  const into = b.wire("toModule", "tap", from, input, size, AT_HAND_M, harness);
  const coil = b.inside(unit, "sense", {
    ...{ kind: "coil", from: input, to: terminalNode(unit, "neg"), part: relay },
    plusTerminal: "86",
  });
  const contact = b.inside(unit, "through", {
    ...{ kind: "contact", from: input, to: output, part: relay, coilId: coil },
    ...{ inBox: supply.name, normallyClosed: false, program: programOf(laid.job, plan.run) },
  });
  return { path: [into, contact], sense: [into, coil], node: output };
}
