import { Body, Controller, Get, HttpCode, Inject, Module, Put } from "@nestjs/common";
import { Audit } from "../audit/audit.ts";
import { DATABASE, type Database } from "../database/database.ts";
import { shop } from "../database/schema.ts";
import { DEFAULT_PRACTICES, SHAPE_VERSION, type Practices } from "@dragonet/core";
import { PracticesRequest, SettingsRequest } from "@dragonet/contract";
import { Archive } from "./archive.ts";
import { ArchiveController } from "./archive.controller.ts";
import { Me, Needs, type SignedIn } from "../people/access.ts";
import { Sessions } from "../people/sessions.ts";

@Controller("api")
class ShopController {
  constructor(
    @Inject(DATABASE) private readonly db: Database,
    @Inject(Sessions) private readonly sessions: Sessions,
    @Inject(Audit) private readonly audit: Audit,
  ) {}

  @Get("practices")
  async practices(): Promise<Practices> {
    const [row] = await this.db.select({ practices: shop.practices }).from(shop);
    return row?.practices ?? DEFAULT_PRACTICES;
  }

  /** The shop's practices; a job takes its own copy when it is opened. */
  @Needs("owner")
  @Put("practices")
  @HttpCode(204)
  async setPractices(@Body() body: PracticesRequest, @Me() me: SignedIn): Promise<void> {
    const practices = { ...body } as unknown as Practices;
    await this.db.update(shop).set({ practices, shape: SHAPE_VERSION });
    await this.audit.note(me.name, "changed practices");
  }

  @Needs("owner")
  @Get("settings")
  settings(): Promise<{ idleHours: number; sessionDays: number }> {
    return this.sessions.limits();
  }

  @Needs("owner")
  @Put("settings")
  @HttpCode(204)
  async setSettings(@Body() body: SettingsRequest, @Me() me: SignedIn): Promise<void> {
    const { idleHours, sessionDays } = body;
    await this.db.update(shop).set({ idleHours, sessionDays });
    const about = `sessions: ${idleHours} h unused, ${sessionDays} days at most`;
    await this.audit.note(me.name, "changed settings", about);
  }
}

@Module({ controllers: [ShopController, ArchiveController], providers: [Archive] })
export class ShopModule {}
