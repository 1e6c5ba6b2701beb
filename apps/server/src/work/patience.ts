import { wholeSetting } from "./setting.ts";

/**
 * By how much longer than usual is waited for work and for a meter before it is given up, on a
 * machine that much else keeps busy: `DRAGONET_PATIENCE`, or 1. Throws where that is none.
 */
export const patience = (): number =>
  wholeSetting("DRAGONET_PATIENCE", { usual: 1, least: 1, most: 100 });
