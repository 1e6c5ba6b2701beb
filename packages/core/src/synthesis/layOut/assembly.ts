import {
  terminalNode,
  type Element,
  type Post,
  type Site,
  type Terminal,
  type TerminalFormName,
  type Unit,
  type UnitKind,
  type WireRole,
} from "../../circuit/index.ts";
import {
  asId,
  type ElementId,
  type Harness,
  type NodeId,
  type CircuitId,
  type UnitId,
  elementIdOf,
} from "../../job/index.ts";
import type { BoundedValue } from "../../quantity/index.ts";
import type { TerminalList } from "../../unit/thing.ts";
import { SPLICE_TERMINALS } from "../../unit/splice/unit.ts";

/** An element without what the bench that adds it knows already. */
type Inside<E extends Element = Element> = E extends Element
  ? Omit<E, "id" | "runId" | "unit">
  : never;

/** How a wire gets its size: together with others, or as it is given. */
export type WireSize = { readonly group: string } | { readonly gaugeId: string };

export interface UnitSpec {
  readonly kind: UnitKind;
  readonly name: string;
  readonly site: Site;
  /** Terminal, form, and why it may stay open where it may. */
  readonly terminals: TerminalList;
  /** false for what the vehicle has, or what is only a joint of wires. */
  readonly fitted?: boolean;
}

/** Letters, digits and underscores, a letter first: what a netlist and a spreadsheet both take. */
const safe = (text: string): string => {
  const plain = text.replace(/[^A-Za-z0-9_]/g, "_");
  return /^[A-Za-z]/.test(plain) ? plain : `n${plain}`;
};

/** The units and elements of a circuit while it is laid out. */
export class Assembly {
  readonly units = new Map<UnitId, Unit>();
  readonly elements = new Map<ElementId, Element>();
  readonly posts: Post[] = [];
  private readonly taken = new Set<string>();

  /** A free id, distinct from others whatever the case of its letters. */
  claim(wanted: string): UnitId {
    const plain = safe(wanted);
    let free = plain;
    for (let n = 2; this.taken.has(free.toLowerCase()); n += 1) free = `${plain}_${n}`;
    this.taken.add(free.toLowerCase());
    return asId<UnitId>(free);
  }

  put(id: UnitId, ownerId: CircuitId | "", spec: UnitSpec): UnitId {
    const terminals = spec.terminals.map(([name, form, spare = ""]): Terminal => ({
      name,
      form,
      spare,
    }));
    const { kind, name, site, fitted = true } = spec;
    this.units.set(id, { id, kind, name, ownerId, site, terminals, fitted });
    return id;
  }

  /** Gives a unit one more terminal, unless it has it. */
  terminal(id: UnitId, name: string, form: TerminalFormName, spare = ""): NodeId {
    const unit = this.units.get(id);
    if (!unit) throw new Error(`no unit "${id}" to give a terminal`);
    if (!unit.terminals.some((t) => t.name === name)) {
      this.units.set(id, { ...unit, terminals: [...unit.terminals, { name, form, spare }] });
    }
    return terminalNode(id, name);
  }

  /** Gives a unit the next terminal of a name that several of its own have: pos, pos2, pos3. */
  nextTerminal(id: UnitId, first: string, form: TerminalFormName, join = ""): NodeId {
    const taken = new Set(this.units.get(id)?.terminals.map(({ name }) => name));
    let name = first;
    for (let n = 2; taken.has(name); n += 1) name = `${first}${join}${n}`;
    return this.terminal(id, name, form);
  }
}

/** Adds the units, insides and wires of one run, supply or control to an assembly. */
export class Bench {
  constructor(
    readonly assembly: Assembly,
    readonly ownerId: CircuitId,
  ) {}

  id(name: string): ElementId {
    return elementIdOf(this.ownerId, name);
  }

  unit(name: string, spec: UnitSpec): UnitId {
    const id = this.assembly.claim(`${this.ownerId}_${name}`);
    return this.assembly.put(id, this.ownerId, spec);
  }

  /** Puts an element inside a unit. */
  inside(unit: UnitId, name: string, element: Inside): ElementId {
    const id = this.id(name);
    this.assembly.elements.set(id, { ...element, id, runId: this.ownerId, unit });
    return id;
  }

  wire(
    name: string,
    role: WireRole,
    from: NodeId,
    to: NodeId,
    size: WireSize,
    lengthM: BoundedValue,
    harness = "",
    colour = "",
  ): ElementId {
    const id = this.id(name);
    this.assembly.elements.set(id, {
      kind: "wire",
      ...{ id, runId: this.ownerId, unit: "", from, to, role, lengthM, harness },
      gaugeId: "gaugeId" in size ? size.gaugeId : "",
      group: "group" in size ? size.group : "",
      ...{ bridgesM: null, harnessId: "", bundle: 1, riseC: 0 },
      // Named last, when every wire is there; what comes made up may bring its colour along.
      ...{ colour, label: "" },
    });
    return id;
  }

  /** A wire of a harness that this job names, with the colour that it comes in. */
  madeUp(
    name: string,
    from: NodeId,
    to: NodeId,
    size: WireSize,
    lengthM: BoundedValue,
    of: { readonly harness: Harness; readonly colour: string },
  ): ElementId {
    const { harness, colour } = of;
    const id = this.wire(name, "tap", from, to, size, lengthM, harness.name, colour);
    const made = this.assembly.elements.get(id);
    if (made?.kind === "wire") {
      this.assembly.elements.set(id, { ...made, harnessId: harness.id });
    }
    return id;
  }

  /** A joint of wires. */
  splice(name: string, words: string, site: Site): NodeId {
    const unit = this.unit(name, {
      ...{ kind: "splice", name: words, site, fitted: false },
      terminals: SPLICE_TERMINALS,
    });
    return terminalNode(unit, "j");
  }
}
