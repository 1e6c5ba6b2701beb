import { carriesA, type Circuit, type FuseElement, type WireElement } from "../circuit/index.ts";
import type { ElementId, Job } from "../job/index.ts";
import { openingTime, overheatS, type OpeningTime } from "../protection/index.ts";
import { decimal } from "../quantity/index.ts";
import type { ConnectorPin } from "../vehicle/index.ts";
import { gaugeOf } from "../wire/index.ts";

/** A fuse that opens, in words, at what current and within what time. */
export interface Opens {
  readonly words: string;
  readonly currentA: number;
  readonly time: OpeningTime;
}

/** The fuse that opens first: the job's own, or the factory's behind one of its wires. */
export interface Opening {
  readonly fuse: FuseElement | null;
  readonly pin: ConnectorPin | null;
  readonly opens: Opens;
}

/** Fuse that a fault current opens first, by the least of the latest times. */
function firstFuse(
  circuit: Circuit,
  amps: ReadonlyMap<ElementId, number>,
): { fuse: FuseElement; currentA: number; time: OpeningTime } | null {
  const opening = [...circuit.elements.values()].flatMap((e) => {
    if (e.kind !== "fuse") return [];
    const currentA = Math.abs(amps.get(e.id) ?? 0);
    const time = openingTime(e.ratingA, currentA);
    return time ? [{ fuse: e, currentA, time }] : [];
  });
  return opening.sort((a, b) => a.time.mostS - b.time.mostS)[0] ?? null;
}

/** The first wire that may reach its limit before its fuse has opened for sure; null where none does. */
export function overheatedWire(
  circuit: Circuit,
  job: Job,
  amps: ReadonlyMap<ElementId, number>,
  afterS: number,
  /** Effective current of one that is let through now and then, as a share of it. */
  share: number,
): WireElement | null {
  for (const element of circuit.elements.values()) {
    // What the maker laid is not known well enough to say what burns.
    if (element.kind !== "wire" || element.role === "factory") continue;
    const gauge = gaugeOf(element.gaugeId);
    const limit = overheatS(
      gauge.areaM2,
      carriesA(element, job.practices),
      share * Math.abs(amps.get(element.id) ?? 0),
    );
    if (limit < afterS) return element;
  }
  return null;
}

/** The same in words. */
export function overheated(...asked: Parameters<typeof overheatedWire>): string | null {
  const wire = overheatedWire(...asked);
  return wire && `${wire.gaugeId} ${wire.harness === "" ? `wire ${wire.label}` : wire.harness}`;
}

/** A factory fuse that a fault behind a tap opens, and what goes with it. */
function factoryFuse(circuit: Circuit, amps: ReadonlyMap<ElementId, number>) {
  for (const element of circuit.elements.values()) {
    if (element.kind !== "tap" || element.pin.fuseA <= 0) continue;
    const currentA = Math.abs(amps.get(element.id) ?? 0);
    const time = openingTime(element.pin.fuseA, currentA);
    if (time) return { pin: element.pin, currentA, time };
  }
  return null;
}

/** The fuse that opens first, the job's own or the factory's behind one of its taps. */
export function openingIn(circuit: Circuit, amps: ReadonlyMap<ElementId, number>): Opening | null {
  const own = firstFuse(circuit, amps);
  const factory = factoryFuse(circuit, amps);
  if (own && (!factory || own.time.mostS <= factory.time.mostS)) {
    const { fuse, currentA, time } = own;
    const kind = fuse.resets ? "breaker, again and again," : "fuse";
    return {
      fuse,
      pin: null,
      opens: { words: `own ${decimal(fuse.ratingA)} A ${kind}`, currentA, time },
    };
  }
  if (!factory) return null;
  const { pin, currentA, time } = factory;
  return {
    fuse: null,
    pin,
    opens: { words: `factory ${decimal(pin.fuseA)} A fuse of ${pin.carries}`, currentA, time },
  };
}
