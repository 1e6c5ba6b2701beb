import { CARRICK } from "./vehicle/carrick.ts";
import { FELLRUNNER } from "./vehicle/fellrunner.ts";
import { LAPWING } from "./vehicle/lapwing.ts";
import { LITTER } from "./vehicle/litter.ts";
import { MIDGE } from "./vehicle/midge.ts";
import { PETREL } from "./vehicle/petrel.ts";
import { PORTER } from "./vehicle/porter.ts";
import { SWATHE } from "./vehicle/swathe.ts";
import type { Vehicle } from "../vehicle/index.ts";

export { CARRICK, FELLRUNNER, LAPWING, LITTER, MIDGE, PETREL, PORTER, SWATHE };

export { DEMO_MEASUREMENTS } from "./vehicle/measurements.ts";

/** The demo's vehicles: invented models of usual kinds. */
export const DEMO_VEHICLES: readonly Vehicle[] = [
  FELLRUNNER,
  PETREL,
  PORTER,
  SWATHE,
  LAPWING,
  MIDGE,
  CARRICK,
  LITTER,
];
