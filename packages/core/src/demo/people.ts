import { DEFAULT_PRACTICES, type Practices } from "../job/index.ts";

/** The demo shop's people. All invented; the passwords are printed at every start of the demo. */
export const DEMO_SHOP_NAME = "Hollin Beck Lamp & Loom";

export const DEMO_PEOPLE = [
  { name: "Ansa Tordoff", signIn: "ansa", password: "lamp-and-loom", role: "owner" },
  { name: "Pim Okkerse", signIn: "pim", password: "lamp-and-loom", role: "installer" },
  { name: "Wren Dalby", signIn: "wren", password: "lamp-and-loom", role: "viewer" },
] as const;

/** What the demo shop does, and asks for it. */
export const DEMO_PRACTICES: Practices = {
  ...DEFAULT_PRACTICES,
  tariff: { currency: "EUR", hourMinor: 5800, taxShare: 0.2, markupShare: 0.15, validDays: 30 },
};
