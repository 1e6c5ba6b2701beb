import { ArrayMaxSize, ArrayUnique, IsArray, IsBoolean, IsIn } from "class-validator";
import {
  HAZARDS,
  PLACE_ROLES,
  type BoundedValue,
  type VehicleSize,
  type MapPlace,
  type MapSegment,
} from "@dragonet/core";
import { IsAmount, IsFact, IsId, IsText } from "../../fields.ts";
import type { ShapeOf } from "../../shape.ts";

/** The map that wires are led over: size, places, stretches. */
export class SizeDto implements ShapeOf<VehicleSize> {
  @IsFact()
  lengthM!: BoundedValue;

  @IsFact()
  widthM!: BoundedValue;

  @IsFact()
  heightM!: BoundedValue;
}

export class PlaceDto implements ShapeOf<MapPlace> {
  @IsId()
  id!: string;

  @IsText(120)
  name!: string;

  @IsIn(PLACE_ROLES)
  role!: string;

  @IsAmount(0, 20)
  backM!: number;

  @IsAmount(-5, 5)
  rightM!: number;
}

export class SegmentDto implements ShapeOf<MapSegment> {
  @IsId()
  id!: string;

  @IsId()
  fromId!: string;

  @IsId()
  toId!: string;

  @IsFact()
  lengthM!: BoundedValue;

  @IsBoolean()
  factory!: boolean;

  @IsArray()
  @ArrayMaxSize(HAZARDS.length)
  @ArrayUnique()
  @IsIn(HAZARDS, { each: true })
  hazards!: string[];

  @IsText()
  note!: string;
}
