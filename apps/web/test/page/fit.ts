import type { Job } from "@dragonet/core";
import { open } from "./open.tsx";
import { Shop, demoWhere } from "./shop.ts";

/** A page of a job that is fitted, with nothing of the model before it. */
export const openFit = (job: Job, page: string, shop = new Shop()) => {
  shop.answers("GET jobs/j/ledger-before", () => ({ status: 200, body: null }));
  return open(shop.withJob("j", job), `/jobs/j/fit/${page}`);
};
/** A job of the demo that has holes, bonds and ways. */
export const fitted = (): Job =>
  demoWhere((j) => j.holes.length > 0 && j.bonds.length > 0 && j.vehicle.segments.length > 0);
