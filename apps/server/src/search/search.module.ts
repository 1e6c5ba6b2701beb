import { Controller, Get, Inject, Module, Query } from "@nestjs/common";
import { ApiQuery } from "@nestjs/swagger";
import { FoundAnswer } from "@dragonet/contract";
import { Answers } from "../docs/answers.ts";
import { askedWords } from "../http/askedWords.ts";
import { SearchService } from "./search.service.ts";

@Controller("api/search")
class SearchController {
  constructor(@Inject(SearchService) private readonly search: SearchService) {}

  @Get()
  @ApiQuery({ name: "q", type: String })
  @Answers("Jobs, parts and vehicles that have every word, written right or nearly", [FoundAnswer])
  find(@Query("q") question?: unknown): Promise<FoundAnswer[]> {
    return this.search.find(askedWords(question));
  }
}

@Module({ controllers: [SearchController], providers: [SearchService] })
export class SearchModule {}
