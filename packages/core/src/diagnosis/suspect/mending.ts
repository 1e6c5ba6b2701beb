import {
  TERMINAL_FORMS,
  elementOf,
  unitAt,
  type Circuit,
  type Element,
} from "../../circuit/index.ts";
import { cutListOf, type CutLine } from "../../fit/index.ts";
import type { Job, PartId } from "../../job/index.ts";
import { lengthText, type UnitSystem } from "../../quantity/index.ts";
import { insideOf, type FaultKind } from "../../unit/index.ts";
import { shows } from "../expect/apart.ts";
import type { Testable } from "../script/testable.ts";
import type { FaultSuspect } from "./suspects.ts";

/** How a fault is put right: what is done, with what, and which steps are then read again. */
export interface MendPlan {
  /** Wire or unit that it is at. */
  readonly at: string;
  readonly what: string;
  readonly done: string;
  /** What it takes: wire as cut, terminals, a unit. */
  readonly takes: readonly string[];
  /** The part it uses up; "" where it is wire and terminals alone. */
  readonly partId: PartId | "";
  readonly minutes: number;
  /** Steps read so far that the fault would have moved. */
  readonly again: readonly string[];
}

/** What is done about each kind of fault, and the minutes that it takes: common practice. */
const MENDING: Readonly<Record<FaultKind, readonly [done: string, minutes: number]>> = {
  open: ["make the wire anew and lead it as before; look why it broke", 20],
  badJoint: ["cut the joint off, crimp it anew, pull on it, shrink it", 10],
  groundLost: ["take the ring off, bare metal, new ring, tighten, then grease over it", 10],
  chafed: ["make the wire anew, lead it clear of the edge, in a sleeve where it crosses", 25],
  fuseBlown: ["look for what blew it before a new one goes in; then one of the same rating", 5],
  switchOpen: ["change the switch", 15],
  switchStuck: ["change the switch", 15],
  relayDead: ["look for 12 V across its coil; where it is there, change the relay", 8],
  relayStuck: ["change the relay; look whether it carried more than it may", 8],
  deadUnit: ["look at its plug and its ground first; then change it", 20],
  shorted: ["change it; look at its fuse too", 20],
};

/** The part that a unit was laid out from; "" for what comes by the metre or is the vehicle's. */
function partIdOf(job: Job, element: Element): PartId | "" {
  const named = "part" in element ? element.part.id : "";
  return job.parts.find((part) => part.id === named)?.id ?? "";
}

/** The job that is mended: with its whole circuit, and in the units of who mends it. */
interface Shop {
  readonly job: Job;
  readonly circuit: Circuit;
  readonly units: UnitSystem;
}

/** What goes on an end; a part that has a lead of its own is joined to that. */
const endTakes = ({ terminal, at }: CutLine["from"]): string =>
  terminal === TERMINAL_FORMS.own.crimp ? `joined to what ${at} has` : `${terminal} at ${at}`;

/** Wire as cut and what goes on its ends; nothing for what comes made up. */
function wireTakes({ job, circuit, units }: Shop, element: Element): string[] {
  if (element.kind !== "wire") return [];
  const line = cutListOf(job, circuit).lines.find((l) => l.label === element.label);
  if (!line) return [];
  const length = lengthText(line.cutM, units);
  return [`${length} of ${line.gaugeId} ${line.colour}`, ...[line.from, line.to].map(endTakes)];
}

/** Whether it is mended where it is: a wire and its joints, or a ground; anything else is changed. */
const isWiring = ({ kind }: Element): boolean => kind === "wire" || kind === "chassis";

/** What is broken inside a unit is a dead unit to whoever holds it. */
const kindOf = (element: Element, fault: FaultKind): FaultKind =>
  fault === "open" && !isWiring(element) ? "deadUnit" : fault;

function takesOf(shop: Shop, element: Element, fault: FaultKind): string[] {
  if (!isWiring(element)) return [insideOf(element).words(element)];
  const wire = wireTakes(shop, element);
  // A joint takes what goes on its end, and no new wire.
  return fault === "badJoint" || fault === "groundLost" ? wire.slice(1) : wire;
}

/**
 * How a suspect is put right, once it was found. `read` are the steps read so far: those that
 * it would have moved are to be read again, whatever they said.
 */
export function mendPlan(
  shop: Shop,
  group: Testable,
  suspect: FaultSuspect,
  read: ReadonlySet<string>,
): MendPlan {
  const [elementId] = suspect.elementIds;
  if (elementId === undefined) throw new Error(`a fault in nothing: ${suspect.id}`);
  const element = elementOf(shop.circuit, elementId);
  const [done, minutes] = MENDING[kindOf(element, suspect.fault)];
  const probes = group.runs.flatMap((run) => run.probes).filter(({ id }) => read.has(id));
  return {
    at: element.unit === "" ? element.id : (unitAt(shop.circuit, element.from)?.id ?? element.unit),
    what: suspect.words,
    done,
    takes: suspect.elementIds.flatMap((id) =>
      takesOf(shop, elementOf(shop.circuit, id), suspect.fault),
    ),
    partId: isWiring(element) ? "" : partIdOf(shop.job, element),
    minutes: minutes * suspect.elementIds.length,
    again: probes.filter((probe) => shows(probe, suspect)).map(({ id }) => id),
  };
}
