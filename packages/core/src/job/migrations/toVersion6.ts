import { DEFAULT_TARIFF } from "../record/tariff.ts";
import { withDefaults, type Plain } from "./plain.ts";

/** Practices of version 5 as of version 6: what the shop asks for its work. */
export const practicesTo6 = (practices: unknown): unknown =>
  withDefaults(practices, { tariff: DEFAULT_TARIFF });

/** A job document of version 5 as one of version 6: options of its quote, time, signatures. */
export const toVersion6 = (document: Plain): Plain => ({
  options: [],
  worked: [],
  signatures: [],
  ...document,
  practices: practicesTo6(document.practices),
  format: "dragonet-job/6",
});
