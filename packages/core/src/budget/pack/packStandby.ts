import { elementOf, type Circuit } from "../../circuit/index.ts";
import type { Job } from "../../job/index.ts";
import { packRestV } from "../../source/index.ts";

/** What the additions take from a resting pack while it stands, in W. */
export function standbyWOf(job: Job, circuit: Circuit): number {
  const { system } = job.vehicle;
  if (system.kind === "engine") return 0;
  const packV = packRestV(system.pack, 1);
  return circuit.feeders.reduce((watts, feeder) => {
    if (feeder.feedRoot.kind !== "pack") return watts;
    const gated = feeder.path.some((id) => {
      const { kind } = elementOf(circuit, id);
      return kind === "contact" || kind === "switch";
    });
    if (gated) return watts;
    const idleA = feeder.path.reduce((amps, id) => {
      const element = elementOf(circuit, id);
      return element.kind === "converter" ? amps + element.part.idleA.value : amps;
    }, 0);
    return watts + idleA * packV * feeder.feedRoot.share;
  }, 0);
}
