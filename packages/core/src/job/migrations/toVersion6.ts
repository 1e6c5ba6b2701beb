import { DEFAULT_TARIFF } from "../record/tariff.ts";
import type { Plain } from "./plain.ts";

/** Practices of version 5 as of version 6: what the shop asks for its work. */
export const practicesTo6 = (practices: unknown): unknown => ({
  tariff: DEFAULT_TARIFF,
  ...(practices as Plain),
});

/** A job document of version 5 as one of version 6: options of its quote, time, signatures. */
export const toVersion6 = (document: Plain): Plain => ({
  options: [],
  worked: [],
  signatures: [],
  ...document,
  practices: practicesTo6(document.practices),
  format: "dragonet-job/6",
});
