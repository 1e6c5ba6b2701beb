import {
  LAMP_PLACES,
  type BaseLoad,
  type BaseLoadKind,
  type ConnectorPin,
  type Job,
  type Lamp,
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

/** Where the lamp on a wire may sit, the likeliest first: by its signal, and by its plug's place. */
export function placesFor(job: Job, pin: ConnectorPin): readonly Lamp["place"][] {
  const at = job.vehicle.connectors.find((c) => c.id === pin.connectorId)?.at;
  const role = job.vehicle.places.find((place) => place.id === at)?.role;
  const isBehind = pin.liveWhen === "brake" || pin.liveWhen === "reverse" || role === "rear";
  const first = isBehind || pin.liveWhen === "park" ? "rear" : "front";
  return [first, ...LAMP_PLACES.filter((place) => place !== first)];
}
