import { sum, times, type Interval } from "../../quantity/index.ts";
import type { KitSwitch, Job, CircuitId, Supply, SupplyId } from "../../job/index.ts";
import { kitSwitchOf } from "../pick/signalWire.ts";
import { inputShare } from "./converterInput.ts";
import { wiresOf, type CircuitPlan } from "../decide/plan.ts";

/** What a coil or an input takes through a control of the kit, in A: a mini relay's, rounded up. */
const COIL_A = 0.15;

/** Runs whose load flows through a control of the kit. */
export const runsThrough = (plans: readonly CircuitPlan[], control: KitSwitch): CircuitPlan[] =>
  plans.filter(
    (plan) => !plan.useRelay && wiresOf(plan).some((wire) => kitSwitchOf(wire) === control),
  );

/** Runs that a control works, by their load or only by their coil. */
export function runsUsing(
  plans: readonly CircuitPlan[],
  control: KitSwitch,
  input: KitSwitch["inputs"][number],
): CircuitPlan[] {
  return plans.filter((plan) =>
    wiresOf(plan).some(
      ({ from }) => from.kind === "kit" && from.kitSwitch === control && from.input === input,
    ),
  );
}

/** Distinct runs behind a supply, through further supplies and controls, but not through converters. */
function reach(
  job: Job,
  plans: readonly CircuitPlan[],
  id: SupplyId,
  before: readonly SupplyId[] = [],
): Map<CircuitId, CircuitPlan> {
  const found = new Map<CircuitId, CircuitPlan>();
  const note = (plan: CircuitPlan): void => void found.set(plan.run.id, plan);
  for (const plan of plans) {
    const { source } = plan.feed;
    if (source.kind === "supply" && source.supplyId === id) note(plan);
  }
  for (const control of job.controls) {
    if (control.feed.kind === "supply" && control.feed.supplyId === id) {
      runsThrough(plans, control).forEach(note);
    }
  }
  for (const supply of job.supplies) {
    if (supply.feed.kind !== "supply" || supply.feed.supplyId !== id) continue;
    const kind = job.parts.find((p) => p.id === supply.partId)?.kind;
    if (kind === "converter" || kind === "battery" || before.includes(supply.id)) continue;
    for (const plan of reach(job, plans, supply.id, [...before, id]).values()) note(plan);
  }
  return found;
}

/** Draw in A on what a supply gives, everything on it on together. */
export function supplyDrawA(job: Job, plans: readonly CircuitPlan[], supply: Supply): Interval {
  const behind = [...reach(job, plans, supply.id).values()].map((plan) => plan.drawA);
  const converters = job.supplies
    .filter(
      (s) =>
        s.feed.kind === "supply" &&
        s.feed.supplyId === supply.id &&
        s.id !== supply.id &&
        job.parts.find((p) => p.id === s.partId)?.kind === "converter",
    )
    .map((s) => supplyInputA(job, plans, s));
  return sum([...behind, ...converters]);
}

/** Draw in A on what feeds a supply: a converter's is worked out at the lowest volts of its feed. */
export function supplyInputA(job: Job, plans: readonly CircuitPlan[], supply: Supply): Interval {
  const part = job.parts.find((p) => p.id === supply.partId);
  const out = supplyDrawA(job, plans, supply);
  return part?.kind === "converter" ? times(out, inputShare(job, supply, part)) : out;
}

/** Draw in A through a control: the position that takes most, where there is one at a time. */
export function controlDrawA(plans: readonly CircuitPlan[], control: KitSwitch): Interval {
  const through = new Set(runsThrough(plans, control));
  const positions = control.inputs.map((input) => {
    const using = runsUsing(plans, control, input);
    const loads = using.filter((plan) => through.has(plan)).map((plan) => plan.drawA);
    const coils = using.filter((plan) => !through.has(plan)).length * COIL_A;
    const total = sum(loads);
    return { low: total.low + coils, mid: total.mid + coils, high: total.high + coils };
  });
  return positions.reduce((most, p) => (p.high > most.high ? p : most));
}
