import { IsIn } from "class-validator";
import {
  ADJUSTERS,
  BEAM_KINDS,
  ROAD_SIDES,
  type AimError,
  type Aim,
  type Aiming,
} from "@dragonet/core";
import {
  IsAmount,
  IsId,
  IsListOf,
  IsMoment,
  IsNullable,
  IsObjectOf,
  IsText,
} from "../../fields.ts";
import type { ShapeOf } from "../../shape.ts";

class AimErrorDto implements ShapeOf<AimError> {
  @IsAmount(0.5, 100)
  distanceM!: number;

  @IsAmount(-20_000, 20_000)
  rightMm!: number;

  @IsAmount(-20_000, 20_000)
  upMm!: number;

  @IsText(120)
  by!: string;

  @IsMoment()
  at!: string;
}

export class AimDto implements ShapeOf<Aim> {
  @IsId()
  id!: string;

  @IsId()
  mountId!: string;

  @IsIn(BEAM_KINDS)
  beam!: string;

  @IsAmount(-45, 45)
  toeDeg!: number;

  @IsIn(ADJUSTERS)
  adjuster!: string;

  @IsAmount(0.1, 10)
  pitchMm!: number;

  @IsAmount(1, 1000)
  leverMm!: number;

  @IsListOf(() => AimErrorDto, 100)
  errors!: AimErrorDto[];
}

class DarkPlaceDto implements ShapeOf<NonNullable<Aiming["darkPlace"]>> {
  @IsText(80)
  name!: string;

  @IsAmount(-1000, 1000)
  aheadM!: number;

  @IsAmount(-1000, 1000)
  rightM!: number;

  @IsAmount(0, 200)
  upM!: number;

  @IsAmount(0, 1000)
  mostLux!: number;
}

export class AimingDto implements ShapeOf<Aiming> {
  @IsAmount(0.5, 100)
  distanceM!: number;

  @IsAmount(-500, 500)
  frontSagMm!: number;

  @IsAmount(-500, 500)
  rearSagMm!: number;

  @IsAmount(100, 10_000)
  baseMm!: number;

  @IsIn(ROAD_SIDES)
  keeps!: string;

  @IsAmount(0, 1e6)
  glareCd!: number;

  @IsNullable("object")
  @IsObjectOf(() => DarkPlaceDto)
  darkPlace!: DarkPlaceDto | null;
}
