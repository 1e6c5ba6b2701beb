import type { Circuit, CoilElement, Element, SwitchElement } from "../circuit/index.ts";
import { asId, type ElementId, type NodeId } from "../job/index.ts";
import { FILAMENT_CURRENT_EXPONENT, stripOhm, type LoadSpec } from "../part/index.ts";
import { openCircuitV } from "../source/index.ts";
import type { ConnectorPin } from "../vehicle/index.ts";
import { LEAST_OHM, OPEN_OHM } from "../solve/defaults.ts";
import { elementOhm, type Estimate } from "../solve/elementOhm.ts";
import type { BranchModel, Network, NetworkBranch } from "./network.ts";
import type { Position } from "./position.ts";

export const BATTERY_PLUS = asId<NodeId>("battery-plus");
export const PACK_PLUS = asId<NodeId>("pack-plus");
export const GROUND = asId<NodeId>("ground");

/** A factory wire between its own fuse and where it is tapped, in Ω: assumed. */
const TAP_OHM = 0.01;

/** The diode across a coil: a plain 1 A rectifier, good enough to show a dead short (m). */
const COIL_DIODE = { saturationA: 1e-12, thermalV: 0.03 };

/** The voltage for which a tell-tale's current is stated. */
const TELL_TALE_V = 12;

/** Whether a factory wire is live in a position. */
function isLive(pin: ConnectorPin, { inputs }: Position): boolean {
  if (pin.liveWhen === "always") return true;
  if (pin.liveWhen === "ground" || pin.liveWhen === "unknown") return false;
  return inputs.has(pin.liveWhen);
}

function loadModel(spec: LoadSpec, estimate: Estimate): BranchModel {
  switch (spec.kind) {
    case "drivenLed":
      return { kind: "power", powerW: spec.powerW[estimate], minV: spec.minV };
    case "filament":
      return {
        kind: "filament",
        ratedA: spec.powerW[estimate] / spec.ratedV,
        ratedV: spec.ratedV,
        exponent: FILAMENT_CURRENT_EXPONENT,
      };
    case "resistive": {
      const watts = spec.powerW[estimate];
      return { kind: "resistor", ohm: watts > 0 ? spec.ratedV ** 2 / watts : OPEN_OHM };
    }
    case "constantCurrent":
      return { kind: "current", currentA: spec.currentA[estimate] };
    case "ledStrip": {
      const ohm = stripOhm(spec, estimate);
      return Number.isFinite(ohm)
        ? { kind: "dies", forwardV: spec.forwardV, ohm }
        : { kind: "resistor", ohm: OPEN_OHM };
    }
  }
}

function wordsOf(element: Element): string {
  switch (element.kind) {
    case "wire":
      return `${element.colour} ${element.gaugeId} wire ${element.label} (${element.ends.join(" to ")})`;
    case "chassis":
      return "the frame";
    case "fuse":
      return `${element.ratingA} A fuse`;
    case "switch":
    case "contact":
      return element.part.name;
    case "diode":
      return "diode between ways to the coil";
    case "coil":
      return `coil of ${element.part.name}`;
    case "connector":
    case "converter":
    case "battery":
    case "flasher":
      return element.part.name;
    case "load":
      return element.label;
    case "tap":
      return element.pin.carries;
  }
}

function tellTale(element: SwitchElement): NetworkBranch[] {
  const { tellTale: kind, tellTaleA } = element.part;
  if (kind === "none" || tellTaleA.value <= 0) return [];
  return [
    {
      id: asId<ElementId>(`${element.id}.tellTale`),
      from: kind === "always" ? element.from : element.to,
      to: GROUND,
      model: { kind: "resistor", ohm: TELL_TALE_V / tellTaleA.value },
      words: `tell-tale of ${element.part.name}`,
    },
  ];
}

/** The diode of a relay lies against the coil's current when 86 is positive, with it when 85 is. */
function coilDiode(element: CoilElement): NetworkBranch[] {
  if (!element.part.diode) return [];
  const right = element.plusTerminal === "86";
  return [
    {
      id: asId<ElementId>(`${element.id}.diode`),
      from: right ? element.to : element.from,
      to: right ? element.from : element.to,
      model: { kind: "diode", ...COIL_DIODE },
      words: `diode of ${element.part.name}`,
    },
  ];
}

export interface NetworkOptions {
  readonly position: Position;
  /** Contacts that are closed: their relays have pulled in. */
  readonly closed: ReadonlySet<ElementId>;
  readonly celsius: number;
  readonly estimate?: Estimate;
  /** What each converter does; one that is not told is off. */
  readonly converters?: ReadonlyMap<ElementId, ConverterState>;
}

/** A converter as it stands in one round of solving. */
export interface ConverterState {
  /** What it holds its output at, in V; 0 while it is off. */
  readonly outV: number;
  /** What it takes from its input, in W. */
  readonly inputW: number;
}

/** Inside a source, before its resistance. */
export const insideOf = (id: ElementId): NodeId => asId<NodeId>(`${id}.inside`);

const isOn = (element: SwitchElement, position: Position): boolean =>
  element.input === "switch"
    ? position.switches.has(element.runId)
    : position.inputs.has(element.input);

function branchesOf(element: Element, o: NetworkOptions): NetworkBranch[] {
  const { id, from, to } = element;
  const estimate = o.estimate ?? "value";
  const branch = (model: BranchModel): NetworkBranch => ({
    id,
    from,
    to,
    model,
    words: wordsOf(element),
  });
  const ohm = (): BranchModel => ({
    kind: "resistor",
    ohm: Math.max(LEAST_OHM, elementOhm(element, estimate, o.celsius)),
  });
  const gate = (on: boolean): BranchModel => (on ? ohm() : { kind: "resistor", ohm: OPEN_OHM });
  switch (element.kind) {
    case "wire":
    case "chassis":
    case "fuse":
      return [branch(ohm())];
    case "switch":
      return [branch(gate(isOn(element, o.position))), ...tellTale(element)];
    case "contact":
      return [branch(gate(o.closed.has(id) !== element.normallyClosed))];
    case "diode":
      return [branch({ kind: "diode", ...COIL_DIODE })];
    case "coil":
      return [branch(ohm()), ...coilDiode(element)];
    case "connector":
    case "flasher":
    case "battery":
      return [branch(ohm())];
    case "converter": {
      const state = o.converters?.get(id);
      const on = state !== undefined && state.outV > 0;
      return [
        {
          id: asId<ElementId>(`${id}.input`),
          from,
          to: GROUND,
          model: on
            ? { kind: "power", powerW: state.inputW, minV: element.part.cutOffV }
            : { kind: "resistor", ohm: OPEN_OHM },
          words: `input of ${element.part.name}`,
        },
        { ...branch(on ? ohm() : { kind: "resistor", ohm: OPEN_OHM }), from: insideOf(id) },
      ];
    }
    case "load":
      return [branch(loadModel(element.part.load, estimate))];
    case "tap":
      return [
        branch({ kind: "resistor", ohm: isLive(element.pin, o.position) ? TAP_OHM : OPEN_OHM }),
      ];
  }
}

/** Nodes of a pack between its blocks, with the share of its voltage that each has. */
function heldTaps(circuit: Circuit, packV: number): [NodeId, number][] {
  const share = new Map<NodeId, number>();
  for (const run of circuit.runs) {
    if (run.source.kind === "block" && run.root.kind === "pack") {
      share.set(blockTap(run.source.blocks), run.root.share);
    }
  }
  for (const trunk of circuit.trunks) {
    if (trunk.source.kind === "block" && trunk.feedRoot.kind === "pack") {
      share.set(blockTap(trunk.source.blocks), trunk.feedRoot.share);
    }
  }
  return [...share].map(([node, s]) => [node, s * packV]);
}

const blockTap = (blocks: number): NodeId => asId<NodeId>(`pack-block-${blocks}`);

/** The network of a circuit in a position, its relays and converters as told. */
export function networkOf(circuit: Circuit, options: NetworkOptions): Network {
  const { sourceV, packV } = options.position;
  const held = new Map<NodeId, number>([
    [GROUND, 0],
    [BATTERY_PLUS, sourceV],
  ]);
  if (packV > 0) held.set(PACK_PLUS, packV);
  for (const [node, volts] of heldTaps(circuit, packV)) held.set(node, volts);
  const branches: NetworkBranch[] = [];
  for (const element of circuit.elements.values()) {
    branches.push(...branchesOf(element, options));
    if (element.kind === "converter") {
      held.set(insideOf(element.id), options.converters?.get(element.id)?.outV ?? 0);
    } else if (element.kind === "battery") {
      held.set(element.from, openCircuitV(element.part.chemistry, 1));
    }
  }
  return { branches, held };
}
