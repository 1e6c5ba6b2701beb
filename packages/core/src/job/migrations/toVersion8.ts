import { madeMore, withDefaults, type Plain } from "./plain.ts";

/** A vehicle of version 7 as of version 8: nobody said of which year it is. */
export const vehicleTo8 = (vehicle: unknown): unknown => withDefaults(vehicle, { year: 0 });

/** Practices of version 7 as of version 8: the shop has not said how long it answers for its work. */
export const practicesTo8 = (practices: unknown): unknown =>
  madeMore(practices, (before) => ({
    ...before,
    tariff: withDefaults(before.tariff, { warrantyMonths: 0 }),
  }));

/** A job document of version 7 as one of version 8: no lot of any part was written down. */
export const toVersion8 = (document: Plain): Plain => ({
  lots: [],
  ...document,
  vehicle: vehicleTo8(document.vehicle),
  practices: practicesTo8(document.practices),
  format: "dragonet-job/8",
});
