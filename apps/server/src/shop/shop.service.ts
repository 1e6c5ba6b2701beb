import { Inject, Injectable } from "@nestjs/common";
import { DEFAULT_PRACTICES, SHAPE_VERSION, type Practices } from "@dragonet/core";
import type { SettingsRequest } from "@dragonet/contract";
import { DATABASE, type Database } from "../database/database.ts";
import { shop } from "../database/schema.ts";

/** What the shop itself has set: how it works, and how long sessions last. */
@Injectable()
export class ShopService {
  constructor(@Inject(DATABASE) private readonly db: Database) {}

  async practices(): Promise<Practices> {
    const [row] = await this.db.select({ practices: shop.practices }).from(shop);
    return row?.practices ?? DEFAULT_PRACTICES;
  }

  async setPractices(practices: Practices): Promise<void> {
    await this.db.update(shop).set({ practices, shape: SHAPE_VERSION });
  }

  async setSettings({ idleHours, sessionDays }: SettingsRequest): Promise<void> {
    await this.db.update(shop).set({ idleHours, sessionDays });
  }
}
