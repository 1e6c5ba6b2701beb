import { IsArray, IsBoolean, IsIn, IsInt, IsNumber, IsString, Min } from "class-validator";
import { STAGES, TASKS, type ShopFigures, type Stage, type Task } from "@dragonet/core";
import { IsListOf, IsNullable, IsObjectOf } from "../fields.ts";
import { JobOnBoardAnswer } from "./jobs.ts";

/** Some jobs, in the order of the board. */
export class JobsPageAnswer {
  @IsListOf(() => JobOnBoardAnswer)
  readonly jobs!: readonly JobOnBoardAnswer[];

  /** What is asked for to see those that come after; "" at the end. */
  @IsString()
  readonly next!: string;
}

/** The first jobs of one stage. */
export class BoardStageAnswer {
  @IsIn(STAGES)
  readonly stage!: Stage;

  /** Jobs at this stage, those that are not told here among them. */
  @IsInt()
  @Min(1)
  readonly count!: number;

  /** There are more than were counted. */
  @IsBoolean()
  readonly uncounted!: boolean;

  @IsListOf(() => JobOnBoardAnswer)
  readonly jobs!: readonly JobOnBoardAnswer[];
}

/** The board: the first jobs of every stage, and what stands on the benches. */
export class BoardAnswer {
  @IsListOf(() => BoardStageAnswer)
  readonly stages!: readonly BoardStageAnswer[];

  @IsListOf(() => JobOnBoardAnswer)
  readonly onBenches!: readonly JobOnBoardAnswer[];

  /** Names of benches that jobs stand at. */
  @IsArray()
  @IsString({ each: true })
  readonly benches!: readonly string[];

  /** The shop has jobs, whether or not they are looked at here. */
  @IsBoolean()
  readonly any!: boolean;
}

/** How many jobs a model has had. */
export class JobsOfModelAnswer {
  @IsString()
  readonly model!: string;

  @IsInt()
  @Min(1)
  readonly count!: number;

  /** There are more than were counted. */
  @IsBoolean()
  readonly uncounted!: boolean;
}

/** Hours of one kind of work over all jobs that were timed. */
export class HoursOfTaskAnswer {
  @IsIn(TASKS)
  readonly task!: Task;

  @IsNumber()
  readonly plannedH!: number;

  @IsNumber()
  readonly tookH!: number;

  @IsInt()
  readonly jobs!: number;
}

/** How far estimates lay off, each made of the jobs before it. */
export class BacktestAnswer {
  @IsInt()
  readonly jobs!: number;

  @IsNumber()
  readonly plainError!: number;

  @IsNumber()
  readonly learnedError!: number;
}

/** How often a thing is there. */
export class CountOfAnswer {
  @IsString()
  readonly what!: string;

  @IsNumber()
  readonly count!: number;
}

/** What the shop's jobs say about the shop. */
export class ShopFiguresAnswer implements ShopFigures {
  @IsListOf(() => HoursOfTaskAnswer)
  readonly hours!: readonly HoursOfTaskAnswer[];

  @IsNullable("object")
  @IsObjectOf(() => BacktestAnswer)
  readonly backtest!: BacktestAnswer | null;

  @IsListOf(() => CountOfAnswer)
  readonly waits!: readonly CountOfAnswer[];

  @IsListOf(() => CountOfAnswer)
  readonly sells!: readonly CountOfAnswer[];

  @IsListOf(() => CountOfAnswer)
  readonly comebacks!: readonly CountOfAnswer[];

  @IsListOf(() => CountOfAnswer)
  readonly mends!: readonly CountOfAnswer[];
}
