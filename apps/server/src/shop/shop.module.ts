import { Body, Controller, Get, Inject, Module, Put } from "@nestjs/common";
import type { Practices } from "@dragonet/core";
import { PracticesDto, SettingsRequest } from "@dragonet/contract";
import { Audit } from "../audit/audit.ts";
import { Answers, AnswersNothing } from "../docs/answers.ts";
import { CurrentUser, RequireRole, type SignedIn } from "../people/access.ts";
import { Sessions } from "../people/sessions.ts";
import { ArchiveController } from "./archive.controller.ts";
import { Archive } from "./archive.ts";
import { ShopService } from "./shop.service.ts";

@Controller("api")
class ShopController {
  constructor(
    @Inject(ShopService) private readonly shop: ShopService,
    @Inject(Sessions) private readonly sessions: Sessions,
    @Inject(Audit) private readonly audit: Audit,
  ) {}

  @Get("practices")
  @Answers("The shop's practices", PracticesDto)
  practices(): Promise<Practices> {
    return this.shop.practices();
  }

  @RequireRole("owner")
  @Put("practices")
  @AnswersNothing("Keeps the shop's practices; a job takes its own copy when it is opened")
  async setPractices(@Body() body: PracticesDto, @CurrentUser() me: SignedIn): Promise<void> {
    await this.shop.setPractices({ ...body } as unknown as Practices);
    await this.audit.note(me.name, "changed practices");
  }

  @RequireRole("owner")
  @Get("settings")
  @Answers("How long sessions last", SettingsRequest)
  settings(): Promise<SettingsRequest> {
    return this.sessions.limits();
  }

  @RequireRole("owner")
  @Put("settings")
  @AnswersNothing("Keeps how long sessions last")
  async setSettings(@Body() body: SettingsRequest, @CurrentUser() me: SignedIn): Promise<void> {
    await this.shop.setSettings(body);
    const about = `sessions: ${body.idleHours} h unused, ${body.sessionDays} days at most`;
    await this.audit.note(me.name, "changed settings", about);
  }
}

@Module({ controllers: [ShopController, ArchiveController], providers: [Archive, ShopService] })
export class ShopModule {}
