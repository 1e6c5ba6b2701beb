import { terminalNode, type Site, type WireRole } from "../../../circuit/index.ts";
import type { ElementId, NodeId, UnitId } from "../../../job/index.ts";
import type { RelayPart, SwitchPart } from "../../../part/index.ts";
import { decimal, type BoundedValue } from "../../../quantity/index.ts";
import { FUSE_TERMINALS } from "../../../unit/fuse/unit.ts";
import { relayTerminals } from "../../../unit/relay/unit.ts";
import { switchTerminals } from "../../../unit/switch/unit.ts";
import type { Bench, WireSize } from "../assembly.ts";

/** Ids in the order electricity takes them, and where they end. */
export interface Reached {
  readonly ids: readonly ElementId[];
  readonly node: NodeId;
}

interface FuseSpec {
  readonly ratingA: number;
  readonly resets: boolean;
  readonly systemV: number;
  readonly fromSourceM: BoundedValue;
}

/** A fuse inside a box, between its bar and one of its channels. */
export function fuseInside(
  b: Bench,
  unit: UnitId,
  name: string,
  from: NodeId,
  to: NodeId,
  spec: FuseSpec,
  builtIn = false,
): ElementId {
  return b.inside(unit, name, { kind: "fuse", from, to, ...spec, builtIn });
}

/** A fuse in a holder of its own, with the piece of wire before it. */
export function fuseInLine(
  b: Bench,
  names: {
    readonly stub: string;
    readonly fuse: string;
    readonly role: WireRole;
    /** What tells it from others of its circuit, in words. */
    readonly of?: string;
  },
  from: NodeId,
  site: Site,
  size: WireSize,
  spec: FuseSpec,
): Reached {
  const word = spec.resets ? "breaker" : "fuse";
  const called = `${decimal(spec.ratingA)} A ${word}`;
  const unit = b.unit(names.fuse, {
    ...{ kind: "fuse", name: names.of === undefined ? called : `${called}, ${names.of}`, site },
    terminals: FUSE_TERMINALS,
  });
  const [before, after] = [terminalNode(unit, "in"), terminalNode(unit, "out")];
  const stub = b.wire(names.stub, names.role, from, before, size, spec.fromSourceM);
  return { ids: [stub, fuseInside(b, unit, names.fuse, before, after, spec)], node: after };
}

export interface RelayUnit {
  readonly unit: UnitId;
  readonly contact: ElementId;
  readonly coil: ElementId;
  /** Terminals 30 and 87, or 87a of one that breaks; the coil's positive and negative. */
  readonly from: NodeId;
  readonly to: NodeId;
  readonly plus: NodeId;
  readonly minus: NodeId;
}

/** A relay in its socket: contact and coil, DIN 72552 on its terminals. */
export function relayUnit(
  b: Bench,
  names: { readonly unit: string; readonly contact: string; readonly coil: string },
  words: string,
  site: Site,
  part: RelayPart,
  plusTerminal: "85" | "86",
  normallyClosed = false,
): RelayUnit {
  const unit = b.unit(names.unit, {
    ...{ kind: "relay", name: words, site },
    terminals: relayTerminals(normallyClosed),
  });
  const at = (terminal: string): NodeId => terminalNode(unit, terminal);
  const minusTerminal = plusTerminal === "86" ? "85" : "86";
  const [plus, minus] = [at(plusTerminal), at(minusTerminal)];
  const coil = b.inside(unit, names.coil, {
    ...{ kind: "coil", from: plus, to: minus, part, plusTerminal },
  });
  const [from, to] = [at("30"), at(normallyClosed ? "87a" : "87")];
  const contact = b.inside(unit, names.contact, {
    ...{ kind: "contact", from, to, part, coilId: coil, inBox: "", normallyClosed, program: null },
  });
  return { unit, contact, coil, from, to, plus, minus };
}

export interface SwitchUnit {
  readonly id: ElementId;
  readonly in: NodeId;
  readonly out: NodeId;
  /** Where its tell-tale wants a negative; null without one. */
  readonly tellTale: NodeId | null;
}

/** A switch of its own, with a third terminal where its tell-tale needs one. */
export function switchUnit(
  b: Bench,
  name: string,
  site: Site,
  part: SwitchPart,
  words = "switch",
): SwitchUnit {
  const lit = part.tellTale !== "none" && part.tellTaleA.value > 0;
  const unit = b.unit(name, {
    ...{ kind: "switch", name: words, site },
    terminals: switchTerminals(lit),
  });
  const at = (terminal: string): NodeId => terminalNode(unit, terminal);
  const tellTale = lit ? at("neg") : null;
  const id = b.inside(unit, name, {
    ...{ kind: "switch", from: at("in"), to: at("out"), input: "switch", part },
    tellTaleTo: tellTale,
  });
  return { id, in: at("in"), out: at("out"), tellTale };
}
