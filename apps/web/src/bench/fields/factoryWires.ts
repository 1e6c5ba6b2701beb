import {
  LAMP_PLACES,
  type BaseLoad,
  type BaseLoadKind,
  type ConnectorPin,
  type Job,
  type Lamp,
  type Vehicle,
} from "@dragonet/core";

/** Factory wires that a lamp may hang on: live with something, and not tied to ground. */
export const wiresToHangOn = (job: Job): readonly ConnectorPin[] =>
  job.vehicle.pins.filter(
    (pin) => pin.family !== "ground" && pin.liveWhen !== "ground" && pin.switches === "positive",
  );

/** Wires as a list to choose from, with the plug that each is in. */
export const pinOptions = (job: Job, wires: readonly ConnectorPin[]) =>
  wires.map((pin) => {
    const plug = job.vehicle.connectors.find((c) => c.id === pin.connectorId)?.name ?? "";
    return { value: pin.id, label: `${pin.carries}, ${plug} ${pin.cavity}` };
  });

/** Loads that may be a lamp behind a plug: nobody plugs a brake pulse before the engine's pump. */
const LIT: ReadonlySet<BaseLoadKind> = new Set(["lamp", "other"]);

/** Loads of the vehicle that may be a lamp, or several: one side of them may be replaced after the other. */
export const litLoads = (job: Job): readonly BaseLoad[] =>
  job.vehicle.baseLoads.filter(({ kind }) => LIT.has(kind));

/** Whether a place is nearer the end of the vehicle where rear lamps sit; not known without a map. */
function isNearRear({ places }: Vehicle, at: string): boolean {
  const spot = places.find((place) => place.id === at);
  const front = places.find(({ role }) => role === "front");
  const rear = places.find(({ role }) => role === "rear");
  if (!spot || !front || !rear) return false;
  return Math.abs(spot.backM - rear.backM) < Math.abs(spot.backM - front.backM);
}

/** Where the lamp on a wire may sit, the likeliest first: by its signal, and by its plug's place. */
export function placesFor({ vehicle }: Job, pin: ConnectorPin): readonly Lamp["place"][] {
  const at = vehicle.connectors.find((c) => c.id === pin.connectorId)?.at ?? "";
  const isBehind = ["brake", "reverse", "park"].includes(pin.liveWhen) || isNearRear(vehicle, at);
  const first = isBehind ? "rear" : "front";
  return [first, ...LAMP_PLACES.filter((place) => place !== first)];
}
