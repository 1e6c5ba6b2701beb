import { DEFAULT_CALENDAR, printDay, shopTimeOf } from "@dragonet/core";
import type { Database, Transaction } from "../database/database.ts";
import { shop } from "../database/schema.ts";

/** The day of a moment by the shop's own clocks, ISO date. */
export async function shopDay(db: Database | Transaction, moment = new Date()): Promise<string> {
  const [row] = await db.select({ calendar: shop.calendar }).from(shop);
  return printDay(shopTimeOf(moment, (row?.calendar ?? DEFAULT_CALENDAR).zone));
}
