import { Controller, Get, Inject, Query } from "@nestjs/common";
import { ApiQuery } from "@nestjs/swagger";
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
import { readBoardQuery, readPlace, readSize } from "./boardQuery.ts";

/** What of the jobs may be asked for in an address. */
export const AsksForJobs = (): MethodDecorator => (target, key, descriptor) => {
  for (const name of ["q", "waits", "bench", "stage", "model", "before"]) {
    ApiQuery({ name, type: String, required: false })(target, key, descriptor);
  }
};

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
  @ApiQuery({ name: "after", type: String, required: false })
  @ApiQuery({ name: "size", type: Number, required: false })
  @Answers("Some jobs, and what is asked for to see those after them", JobsPageAnswer)
  page(@Query() asked: Record<string, unknown>): Promise<JobsPageAnswer> {
    return this.board.page(readBoardQuery(asked), readSize(asked), readPlace(asked));
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
