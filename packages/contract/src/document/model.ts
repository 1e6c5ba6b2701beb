import { Equals, IsInt, IsNumber, Matches, Max, Min } from "class-validator";
import { MODEL_FORMAT, SHAPE_VERSION, type Measurement, type ModelFile } from "@dragonet/core";
import { IsDay } from "./calendar.ts";
import { IsListOf, IsNullable, IsObjectOf, IsText } from "../fields.ts";
import { VehicleDto } from "./vehicle/vehicle.ts";
import type { ShapeOf } from "../shape.ts";

/** Most measurements that a file tells of a model. */
export const MOST_MEASUREMENTS = 20_000;

export class MeasurementDto implements ShapeOf<Measurement> {
  @IsText(300)
  key!: string;

  @IsText(300)
  words!: string;

  @IsText(20)
  unit!: string;

  @IsNullable("number")
  @IsNumber()
  value!: number | null;

  @IsNullable("number")
  @IsNumber()
  low!: number | null;

  @IsNullable("number")
  @IsNumber()
  high!: number | null;

  @IsText(400)
  said!: string;

  @IsText(120)
  machine!: string;

  @IsInt()
  @Min(0)
  @Max(2100)
  year!: number;

  @IsText(120)
  variant!: string;

  @IsText(120)
  who!: string;

  @IsDay()
  day!: string;

  @IsText(64)
  jobId!: string;

  @IsText(120)
  from!: string;
}

export class ModelFileDto implements ShapeOf<ModelFile> {
  @Equals(MODEL_FORMAT)
  format!: string;

  @Equals(SHAPE_VERSION)
  shape!: number;

  @IsText(120)
  @Matches(/\S/, { message: "$property must be the name of the shop that it comes from" })
  shop!: string;

  @IsDay()
  day!: string;

  @IsObjectOf(() => VehicleDto)
  vehicle!: VehicleDto;

  @IsListOf(() => MeasurementDto, MOST_MEASUREMENTS)
  measurements!: MeasurementDto[];
}
