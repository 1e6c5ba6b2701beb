import { Body, Controller, Get, HttpCode, Inject, Post } from "@nestjs/common";
import type { Apprentice, TrainingRecord } from "@dragonet/core";
import { TrainingResultRequest } from "@dragonet/contract";
import { Me, Needs, type SignedIn } from "../people/access.ts";
import { TrainingService } from "./training.service.ts";

@Controller("api/training")
export class TrainingController {
  constructor(@Inject(TrainingService) private readonly training: TrainingService) {}

  @Get()
  mine(@Me() me: SignedIn): Promise<TrainingRecord[]> {
    return this.training.of(me.id);
  }

  @Post("results")
  @HttpCode(204)
  keep(@Me() me: SignedIn, @Body() body: TrainingResultRequest): Promise<void> {
    return this.training.keep(me, body);
  }

  @Needs("owner")
  @Get("everybody")
  everybody(): Promise<Apprentice[]> {
    return this.training.everybody();
  }
}
