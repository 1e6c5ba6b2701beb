import { Controller, Get, Inject, Query } from "@nestjs/common";
import {
  BoardAnswer,
  JobOnBoardAnswer,
  JobsPageAnswer,
  JobsOfModelAnswer,
  ShopFiguresAnswer,
  TimeAnswer,
} from "@dragonet/contract";
import { Answers } from "../docs/answers.ts";
import { BoardService } from "./board.service.ts";
import { AsksFor, AsksForPages, readSize } from "../http/listQuery.ts";
import { readBoardQuery, readJobPlace } from "./boardQuery.ts";

/** What of the jobs may be asked for in an address. */
export const AsksForJobs = (): MethodDecorator =>
  AsksFor("q", "waits", "bench", "stage", "model", "before");

@Controller("api/board")
export class BoardController {
  constructor(@Inject(BoardService) private readonly board: BoardService) {}

  @Get()
  @AsksForJobs()
  @Answers("The first jobs of every stage, and what stands on the benches", BoardAnswer)
  read(@Query() asked: Record<string, unknown>): Promise<BoardAnswer> {
    return this.board.board(readBoardQuery(asked));
  }

  @Get("page")
  @AsksForJobs()
  @AsksForPages()
  @Answers("Some jobs, and what is asked for to see those after them", JobsPageAnswer)
  page(@Query() asked: Record<string, unknown>): Promise<JobsPageAnswer> {
    return this.board.page(readBoardQuery(asked), readSize(asked), readJobPlace(asked));
  }

  @Get("open")
  @Answers("Jobs with work left, the first promised first", [JobOnBoardAnswer])
  open(): Promise<JobOnBoardAnswer[]> {
    return this.board.open();
  }

  @Get("times")
  @Answers("Time planned and taken on the latest jobs that were timed, the oldest first", [
    TimeAnswer,
  ])
  times(): Promise<TimeAnswer[]> {
    return this.board.times();
  }

  @Get("figures")
  @Answers("What the shop's jobs say about the shop", ShopFiguresAnswer)
  figures(): Promise<ShopFiguresAnswer> {
    return this.board.figures();
  }

  @Get("models")
  @Answers("Models that there were jobs on, and how many", [JobsOfModelAnswer])
  models(): Promise<JobsOfModelAnswer[]> {
    return this.board.models();
  }

  @Get("customers")
  @Answers("Customers of the latest jobs, each once", [String])
  customers(): Promise<string[]> {
    return this.board.customers();
  }
}
