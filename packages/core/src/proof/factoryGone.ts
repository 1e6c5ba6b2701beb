import { unitAt, type Circuit } from "../circuit/index.ts";
import { onceOf, type ElementId, type Job } from "../job/index.ts";
import type { ConnectorPin, FactoryLamp, MapPlace } from "../vehicle/index.ts";

/** Lamps without which nobody rides by night. */
export const BY_NIGHT: readonly FactoryLamp[] = ["headlight", "rearPosition"];

/** What of the factory's goes with one of its fuses, by what the wire behind it is live with. */
export function goesWith({ family, liveWhen }: ConnectorPin): readonly FactoryLamp[] {
  if (liveWhen === "brake" || liveWhen === "lever" || liveWhen === "pedal") return ["stop"];
  if (liveWhen === "left" || liveWhen === "right") return ["turnFront", "turnRear"];
  if (liveWhen === "low" || liveWhen === "high") return ["headlight"];
  // The lighting fuse of a small vehicle feeds headlight and tail lamp alike: common practice.
  return family === "lighting" || liveWhen === "park" ? BY_NIGHT : [];
}

/**
 * What of a harness between factory plugs also leads on to what the factory has there, with the
 * factory's wire: apart, it is not the job's lamps alone that go dark.
 */
const onward = onceOf((circuit: Circuit): ReadonlyMap<ElementId, ConnectorPin> => {
  const elements = [...circuit.elements.values()];
  const found = new Map<ElementId, ConnectorPin>();
  for (const tap of elements) {
    if (tap.kind !== "tap") continue;
    for (const wire of elements) {
      if (wire.kind !== "wire" || wire.harnessId === "") continue;
      const meets = [tap.from, tap.to].find((node) => node === wire.from || node === wire.to);
      if (meets === undefined) continue;
      const plug = wire.from === meets ? wire.to : wire.from;
      if (unitAt(circuit, plug)?.kind !== "passThrough") continue;
      found.set(wire.id, tap.pin);
      for (const contact of elements) {
        const isIn = contact.kind === "connector" && [contact.from, contact.to].includes(plug);
        if (isIn) found.set(contact.id, tap.pin);
      }
    }
  }
  return found;
});

/** The factory wire that leads no further where an element of a circuit is apart; null where none does. */
export const leadsOn = (circuit: Circuit, id: ElementId): ConnectorPin | null =>
  onward(circuit).get(id) ?? null;

const AT_END: Readonly<Partial<Record<MapPlace["role"], readonly FactoryLamp[]>>> = {
  front: ["headlight", "turnFront"],
  rear: ["rearPosition", "stop", "turnRear"],
};

/**
 * The factory's lamps behind one of its plugs, by what the wire in it is live with and by which end it
 * sits at. Where another plug at that end has a wire like it, some are left, and none is told.
 */
export function behindPlug({ vehicle }: Job, pin: ConnectorPin): readonly FactoryLamp[] {
  const { places, connectors, pins } = vehicle;
  const endOf = (connectorId: ConnectorPin["connectorId"]): MapPlace["role"] | null => {
    const at = connectors.find(({ id }) => id === connectorId)?.at;
    return places.find(({ id }) => id === at)?.role ?? null;
  };
  const end = endOf(pin.connectorId);
  const isDoubled = pins.some(
    (other) =>
      other.connectorId !== pin.connectorId &&
      other.liveWhen === pin.liveWhen &&
      other.family === pin.family &&
      endOf(other.connectorId) === end,
  );
  if (isDoubled) return [];
  const there = end === null ? undefined : AT_END[end];
  return goesWith(pin).filter((lamp) => there?.includes(lamp) ?? true);
}
