import {
  RIDE_START_SOC,
  SHIPPED_RIDES,
  breakEven,
  decimal,
  lastsFor,
  planJob,
  simulateRide,
  span,
  speedsOf,
  synthesise,
  times,
  type Job,
} from "@dragonet/core";
import { printJson, type Verb } from "../world.ts";

function rides(job: Job) {
  const { system } = job.vehicle;
  if (system.kind !== "engine") return [];
  const { charging, battery } = system;
  const circuit = synthesise(job);
  const own = job.ride.length > 0 ? [{ name: "own ride", legs: job.ride }] : [];
  const shipped = SHIPPED_RIDES.map((r) => ({ name: r.name, legs: r.legs(speedsOf(charging)) }));
  return [...own, ...shipped].map(({ name, legs }) => {
    const ride = simulateRide({ ...job, ride: legs }, circuit, charging, battery, RIDE_START_SOC);
    const { endSoc, lowestSoc, chargedAh, drawnAh, noStartMinute } = ride;
    return { name, startSoc: RIDE_START_SOC, endSoc, lowestSoc, chargedAh, drawnAh, noStartMinute };
  });
}

function evens(job: Job) {
  const { system } = job.vehicle;
  if (system.kind !== "engine") return [];
  const circuit = synthesise(job);
  return (["idle", "town", "cruise"] as const).map((state) => ({
    state,
    ...breakEven(job, circuit, system.charging, state),
  }));
}

/** Everything the budget says: running, engine off, parked, rides, an evening on the pack. */
export const budgetVerb: Verb = ({ job, json, world }) => {
  const { budget } = planJob(job, "metric");
  const made = { ...budget, rides: rides(job), breakEven: evens(job) };
  if (json) {
    printJson(world, made);
    return 0;
  }
  for (const b of budget.running) {
    world.out(
      `${b.state}: ${span(b.spareA)} A to spare, ${span(b.baseSpareA)} A without these lamps, ${b.verdict}\n`,
    );
  }
  for (const even of made.breakEven) {
    const rpm = (x: number | null): string => (x === null ? "never" : `${decimal(x, 0)} rpm`);
    world.out(
      `${even.state} load carried from ${rpm(even.likelyRpm)}, surely ${rpm(even.surelyRpm)}\n`,
    );
  }
  if (budget.engineOff?.minutes) {
    const { value, unit } = lastsFor(times(budget.engineOff.minutes, 1 / 60));
    world.out(`engine off: ${value} ${unit}\n`);
  }
  for (const { name, usedH, allOnH, chargeH } of budget.own) {
    const said = (hours: typeof usedH): string => {
      if (!hours) return "for ever: nothing draws";
      const { value, unit } = lastsFor(hours);
      return `${value} ${unit}`;
    };
    const charge = chargeH === null ? "" : `, ${decimal(chargeH)} h back to full`;
    world.out(
      `${name}: lasts ${said(usedH)} as used, ${said(allOnH)} with everything on${charge}\n`,
    );
  }
  if (budget.parked?.days) world.out(`parked: ${span(budget.parked.days)} days\n`);
  for (const ride of made.rides) {
    world.out(
      `${ride.name}: battery ${decimal(ride.startSoc * 100, 0)} to ${decimal(ride.endSoc * 100, 0)} %, lowest ${decimal(ride.lowestSoc * 100, 0)} %\n`,
    );
  }
  const { evening, charging } = budget;
  if (evening) {
    world.out(
      `evening of ${decimal(evening.hours)} h: ${decimal(evening.packWh, 0)} Wh, ${decimal(evening.packShare * 100)} % of the pack, ${decimal(evening.rangeKm)} km; blocks ${decimal(evening.apartAh)} Ah apart\n`,
    );
  }
  if (charging) {
    world.out(
      `charging from half: ${decimal(charging.packH)} h, outlet ${decimal(charging.inletA)} A\n`,
    );
  }
  return 0;
};
