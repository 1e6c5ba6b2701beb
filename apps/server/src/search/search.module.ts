import { Controller, Get, Inject, Module, Query } from "@nestjs/common";
import { ApiQuery } from "@nestjs/swagger";
import { FoundAnswer } from "@dragonet/contract";
import { Answers } from "../docs/answers.ts";
import { notValid } from "../http/refusal.ts";
import { SearchService } from "./search.service.ts";

/** Letters that a question may have. */
const LONGEST = 200;

@Controller("api/search")
class SearchController {
  constructor(@Inject(SearchService) private readonly search: SearchService) {}

  @Get()
  @ApiQuery({ name: "q", type: String })
  @Answers("Jobs, parts and vehicles that have every word, written right or nearly", [FoundAnswer])
  find(@Query("q") question?: unknown): Promise<FoundAnswer[]> {
    if (typeof question !== "string" || question.length > LONGEST) {
      throw notValid(`q: write what is looked for, at most ${LONGEST} letters`);
    }
    return this.search.find(question);
  }
}

@Module({ controllers: [SearchController], providers: [SearchService] })
export class SearchModule {}
