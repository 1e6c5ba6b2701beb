import type { ConnectorPin, Job } from "@dragonet/core";

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
