import type { Plain } from "./plain.ts";

/** A job document of version 4 as one of version 5: what is read at tests is kept. */
export const toVersion5 = (document: Plain): Plain => ({
  readings: [],
  ...document,
  format: "dragonet-job/5",
});
