import { Body, Controller, Get, Inject, Post } from "@nestjs/common";
import { ApprenticeAnswer, TrainingAnswer, TrainingResultRequest } from "@dragonet/contract";
import { Answers, AnswersNothing } from "../docs/answers.ts";
import { CurrentUser, RequireRole, type SignedIn } from "../people/access.ts";
import { TrainingService } from "./training.service.ts";

@Controller("api/training")
export class TrainingController {
  constructor(@Inject(TrainingService) private readonly training: TrainingService) {}

  @Get()
  @Answers("How one's own drills and hidden faults went", [TrainingAnswer])
  mine(@CurrentUser() me: SignedIn): Promise<TrainingAnswer[]> {
    return this.training.of(me.id);
  }

  @Post("results")
  @AnswersNothing("Keeps how a drill or a hidden fault went")
  keep(@CurrentUser() me: SignedIn, @Body() body: TrainingResultRequest): Promise<void> {
    return this.training.keep(me, body);
  }

  @RequireRole("owner")
  @Get("everybody")
  @Answers("How far everybody is", [ApprenticeAnswer])
  everybody(): Promise<ApprenticeAnswer[]> {
    return this.training.everybody();
  }
}
