import { IsBoolean, IsInt, IsNumber, IsString, Max, Min } from "class-validator";
import type { Apprentice, TopicProgress, TrainingRecord } from "@dragonet/core";
import { IsListOf, IsMoment, IsNullable } from "../fields.ts";

/** How one drill or one hidden fault went. */
export class TrainingAnswer implements TrainingRecord {
  @IsString()
  readonly topic!: string;

  @IsBoolean()
  readonly right!: boolean;

  @IsMoment()
  readonly at!: string;

  /** Of a hidden fault, 0 to 100; null of a drill. */
  @IsNullable("number")
  @IsNumber()
  @Min(0)
  @Max(100)
  readonly score!: number | null;

  @IsString()
  readonly about!: string;
}

/** One topic of an apprentice. */
export class TopicAnswer implements TopicProgress {
  @IsString()
  readonly topic!: string;

  @IsInt()
  readonly right!: number;

  @IsInt()
  readonly wrong!: number;

  @IsInt()
  readonly box!: number;

  @IsMoment()
  readonly due!: string;
}

/** How far somebody is, as the owner sees it. */
export class ApprenticeAnswer implements Apprentice {
  @IsString()
  readonly id!: string;

  @IsString()
  readonly name!: string;

  @IsInt()
  readonly results!: number;

  @IsNullable("number")
  @IsNumber()
  readonly meanScore!: number | null;

  @IsListOf(() => TopicAnswer)
  readonly topics!: readonly TopicAnswer[];

  /** "" where there is none. */
  @IsString()
  readonly lastAt!: string;
}
