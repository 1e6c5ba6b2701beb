import { ArrayMaxSize, IsArray, IsBoolean, IsIn, IsInt, Max, Min } from "class-validator";
import { INPUTS, type Behaviour } from "@dragonet/core";
import { IsAmount, IsShare, IsText } from "../../fields.ts";
import type { ShapeOf } from "../../shape.ts";

/** What electronics do over time. */
export class BehaviourDto implements ShapeOf<Behaviour> {
  @IsText(120)
  label!: string;

  @IsAmount(0, 3600)
  delayS!: number;

  @IsAmount(0, 3600)
  runOnS!: number;

  @IsInt()
  @Min(-1)
  @Max(1000)
  flashes!: number;

  @IsAmount(0.01, 60)
  onS!: number;

  @IsAmount(0.01, 60)
  offS!: number;

  @IsAmount(0, 3600)
  lockoutS!: number;

  @IsShare()
  level!: number;

  @IsShare()
  boostLevel!: number;

  @IsArray()
  @ArrayMaxSize(12)
  @IsIn(INPUTS, { each: true })
  boostWith!: string[];

  @IsArray()
  @ArrayMaxSize(12)
  @IsIn(INPUTS, { each: true })
  flashWith!: string[];

  @IsArray()
  @ArrayMaxSize(12)
  @IsIn(INPUTS, { each: true })
  offWith!: string[];

  @IsAmount(0, 3600)
  offHoldS!: number;

  @IsBoolean()
  latch!: boolean;

  @IsAmount(0, 400)
  flashFromKmh!: number;

  @IsAmount(0, 60)
  softS!: number;

  @IsAmount(0, 500)
  tripA!: number;

  @IsInt()
  @Min(0)
  @Max(1000)
  retries!: number;

  @IsAmount(0.01, 3600)
  retryS!: number;
}
