import type { ElementId, NodeId, PinId } from "../job/index.ts";
import type { SwitchPart } from "../part/index.ts";
import type { ConnectorPin } from "../vehicle/index.ts";
import type { Input } from "../job/index.ts";
import { BATTERY_PLUS, PACK_PLUS, type RunBuilder } from "./runBuilder.ts";

/** A position of one of the kit's controls, as the runs that use it meet it. */
export interface ControlPosition {
  readonly input: Input;
  readonly part: SwitchPart;
  /** Where its poles get their feed. */
  readonly common: NodeId;
  /** The one contact that all runs share where there are too few poles; null for a pole each. */
  readonly sharedOut: { readonly node: NodeId; readonly id: ElementId } | null;
  /** Trunks up to and including the control. */
  readonly shared: readonly ElementId[];
}

export interface TapPlace {
  /** Positions of the kit's controls by the pin they stand for. */
  readonly controls: ReadonlyMap<PinId, ControlPosition>;
}

/** Takes a run's or coil's feed from a factory wire, or from a pole of one of the kit's controls. */
export function layOutTap(
  b: RunBuilder,
  name: string,
  pin: ConnectorPin,
  place: TapPlace,
): { readonly ids: ElementId[]; readonly node: NodeId; readonly shared: readonly ElementId[] } {
  const control = place.controls.get(pin.id);
  const node = b.node(name);
  if (!control) {
    const from = pin.supply === "pack" ? PACK_PLUS : BATTERY_PLUS;
    return { ids: [b.add({ kind: "tap", ...b.base(name, from, node), pin })], node, shared: [] };
  }
  if (control.sharedOut) {
    const { node: out, id } = control.sharedOut;
    return { ids: [], node: out, shared: [...control.shared, id] };
  }
  const { input, part, common, shared } = control;
  const pole = b.add({ kind: "switch", ...b.base(name, common, node), input, part });
  return { ids: [pole], node, shared };
}
