import { DEFAULT_PRACTICES, type Practices } from "../job/index.ts";

export const DEMO_SHOP_NAME = "Hollin Beck Lamp & Loom";

export { DEMO_PEOPLE } from "./signIns.ts";

/** What the demo shop does, and asks for it. */
export const DEMO_PRACTICES: Practices = {
  ...DEFAULT_PRACTICES,
  tariff: { currency: "EUR", hourMinor: 5800, taxShare: 0.2, markupShare: 0.15, validDays: 30 },
};
