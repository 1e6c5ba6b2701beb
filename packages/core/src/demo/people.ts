import type { Billing } from "../invoice/index.ts";
import { DEFAULT_PRACTICES, type Practices } from "../job/index.ts";
import { DEFAULT_CALENDAR, type ShopCalendar } from "../schedule/index.ts";

/** The invented shop. */
export const DEMO_SHOP_NAME = "Hollin Beck Lamp & Loom";

export { DEMO_PEOPLE } from "./signIns.ts";

/** What the demo shop does, and asks for it. */
export const DEMO_PRACTICES: Practices = {
  ...DEFAULT_PRACTICES,
  tariff: {
    ...{ currency: "EUR", hourMinor: 5800, taxShare: 0.2, markupShare: 0.15, validDays: 30 },
    warrantyMonths: 24,
  },
};

/** Two benches below the hill: long evenings in winter are for aiming. The place is invented. */
export const DEMO_CALENDAR: ShopCalendar = {
  ...DEFAULT_CALENDAR,
  ...{ zone: "Europe/London", latitude: 54.6, longitude: -2.7 },
  benches: ["Bench 1", "Bench 2"],
  closed: [
    { day: "2026-12-25", name: "Christmas" },
    { day: "2026-12-28", name: "Boxing Day, moved" },
    { day: "2027-01-01", name: "New Year" },
  ],
  away: [{ who: "Pim Okkerse", from: "2026-12-21", to: "2026-12-24" }],
};

/** What the demo shop's invoices say of it: an invented address, and the account that IBANs are explained by. */
export const DEMO_BILLING: Billing = {
  ...{ street: "Hollin Beck 2", postcode: "0042", city: "Observatory Hill", country: "AT" },
  ...{ taxId: "ATU00000000", email: "lamps@hollin-beck.example" },
  ...{ iban: "AT61 1904 3002 3457 3201", dueDays: 14, untaxed: "" },
};
