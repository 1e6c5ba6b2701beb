import { DEFAULT_AIMING } from "../record/aim.ts";
import type { Plain } from "./plain.ts";

/** A job document of version 4 as one of version 5: what is read at tests and at the wall is kept. */
export const toVersion5 = (document: Plain): Plain => ({
  readings: [],
  aims: [],
  aiming: DEFAULT_AIMING,
  ...document,
  format: "dragonet-job/5",
});
