import { IsInt, IsNumber, IsString, Min } from "class-validator";
import type { Measurement } from "@dragonet/core";
import { IsListOf, IsNullable } from "../fields.ts";

/** What somebody found out about a machine of a model. */
export class MeasurementAnswer implements Measurement {
  @IsString()
  readonly key!: string;

  @IsString()
  readonly words!: string;

  @IsString()
  readonly unit!: string;

  @IsNullable("number")
  @IsNumber()
  readonly value!: number | null;

  @IsNullable("number")
  @IsNumber()
  readonly low!: number | null;

  @IsNullable("number")
  @IsNumber()
  readonly high!: number | null;

  /** What a wire is; "" of a number. */
  @IsString()
  readonly said!: string;

  @IsString()
  readonly machine!: string;

  @IsInt()
  @Min(0)
  readonly year!: number;

  @IsString()
  readonly variant!: string;

  @IsString()
  readonly who!: string;

  @IsString()
  readonly day!: string;

  /** "" where it was not measured on a job of this shop. */
  @IsString()
  readonly jobId!: string;

  /** Name of the other shop; "" for one's own. */
  @IsString()
  readonly from!: string;
}

/** One thing that another shop says otherwise. */
export class DifferenceAnswer {
  @IsString()
  readonly id!: string;

  @IsString()
  readonly words!: string;

  @IsString()
  readonly mine!: string;

  @IsString()
  readonly theirs!: string;
}

/** Another shop's file of a model against one's own profile. */
export class ComparedModelAnswer {
  /** One's own profile of it; "" where there is none. */
  @IsString()
  readonly profileId!: string;

  @IsString()
  readonly model!: string;

  /** Of one's own profile; 0 where there is none. */
  @IsInt()
  @Min(0)
  readonly revision!: number;

  /** Whose file it is. */
  @IsString()
  readonly shop!: string;

  @IsListOf(() => DifferenceAnswer)
  readonly differences!: readonly DifferenceAnswer[];

  /** Measurements that come with it. */
  @IsInt()
  @Min(0)
  readonly measurements!: number;
}
