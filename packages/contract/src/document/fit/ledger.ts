import { ArrayMaxSize, IsArray, IsBoolean, IsIn, IsInt, Max, Min } from "class-validator";
import {
  DRIVES,
  LOCKERS,
  STEP_STATES,
  type TeardownStep,
  type Spot,
  type Fastener,
  type TeardownPlug,
} from "@dragonet/core";
import { IsAmount, IsId, IsListOf, IsShare, IsText } from "../../fields.ts";
import type { ShapeOf } from "../../shape.ts";

export class TeardownStepDto implements ShapeOf<TeardownStep> {
  @IsId()
  id!: string;

  @IsText(120)
  name!: string;

  @IsArray()
  @ArrayMaxSize(50)
  @IsId({ each: true })
  after!: string[];

  @IsArray()
  @ArrayMaxSize(200)
  @IsId({ each: true })
  covers!: string[];

  @IsText()
  catches!: string;

  @IsBoolean()
  hold!: boolean;

  @IsBoolean()
  paint!: boolean;

  @IsText()
  forget!: string;

  @IsAmount(0, 10_000)
  estimateMin!: number;

  @IsAmount(0, 10_000)
  tookMin!: number;

  @IsIn(STEP_STATES)
  state!: string;
}

class SpotDto implements ShapeOf<Spot> {
  @IsShare()
  x!: number;

  @IsShare()
  y!: number;
}

export class FastenerDto implements ShapeOf<Fastener> {
  @IsId()
  id!: string;

  @IsId()
  stepId!: string;

  @IsIn(DRIVES)
  drive!: string;

  @IsText(40)
  size!: string;

  @IsAmount(0, 1000)
  lengthMm!: number;

  @IsInt()
  @Min(1)
  @Max(99)
  count!: number;

  @IsText(120)
  where!: string;

  @IsListOf(() => SpotDto, 99)
  spots!: SpotDto[];

  @IsAmount(0, 500)
  torqueNm!: number;

  @IsIn(LOCKERS)
  locker!: string;

  @IsInt()
  @Min(0)
  @Max(99)
  back!: number;
}

export class TeardownPlugDto implements ShapeOf<TeardownPlug> {
  @IsId()
  id!: string;

  @IsId()
  stepId!: string;

  @IsText(120)
  name!: string;

  @IsText(200)
  where!: string;

  @IsBoolean()
  parted!: boolean;

  @IsBoolean()
  joined!: boolean;
}
