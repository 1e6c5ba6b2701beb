import { BATTERY, PACK, splitNode } from "../../circuit/index.ts";
import { openCircuitV, packRestV, restVolts, type SourceVolts } from "../../source/index.ts";
import type { Vehicle } from "../../vehicle/index.ts";
import type { Probe } from "./probe.ts";
import type { TakenReading } from "../reading/taken.ts";
import type { Testable } from "../script/testable.ts";
import { allOff } from "./states.ts";

/** Below this charge a test tells of the battery and not of what was built: common practice. */
const LEAST_SOC = 0.5;
/** Straight off a charger a battery stands higher for some hours, as a share: common practice. */
const SURFACE_SHARE = 0.03;

const unitOf = ({ at }: Probe) => {
  if (at.kind !== "volts") return null;
  const { unit, terminal } = splitNode(at.node);
  return terminal === "pos" && (unit === BATTERY || unit === PACK) ? unit : null;
};

/** What is measured before anything is tried: the posts of battery and pack with everything off. */
export function restProbes(groups: readonly Testable[]): Probe[] {
  const found = new Map<string, Probe>();
  for (const { runs } of groups) {
    for (const probe of runs.flatMap((run) => run.probes)) {
      const unit = unitOf(probe);
      if (unit !== null && allOff(probe.state) && !found.has(unit)) found.set(unit, probe);
    }
  }
  return [...found.values()];
}

/** From half charged to straight off its charger, V: what a test may begin with. */
export function restRange({ system }: Vehicle, probe: Probe): readonly [number, number] {
  const unit = unitOf(probe);
  if (unit === PACK && system.kind !== "engine") {
    const { pack } = system;
    return [packRestV(pack, LEAST_SOC), pack.topOfChargeV.high];
  }
  if (system.kind === "pack") return [-Infinity, Infinity];
  const { chemistry, cells } = system.battery;
  const full = openCircuitV(chemistry, 1, cells);
  return [openCircuitV(chemistry, LEAST_SOC, cells), full * (1 + SURFACE_SHARE)];
}

/** Battery and pack as they were measured first; as they rest where nobody has, or could not have. */
export function measuredVolts(
  vehicle: Vehicle,
  probes: readonly Probe[],
  taken: readonly TakenReading[],
): SourceVolts {
  const rest = restVolts(vehicle);
  const read = (unit: string): number | null => {
    const probe = probes.find((p) => unitOf(p) === unit);
    const value = taken.findLast((r) => r.step === probe?.id)?.value ?? null;
    return value !== null && value > 0 ? value : null;
  };
  return { sourceV: read(BATTERY) ?? rest.sourceV, packV: read(PACK) ?? rest.packV };
}
