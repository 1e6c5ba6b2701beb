import { IsBoolean, IsIn } from "class-validator";
import { LAMP_JOINTS, LAMP_PLACES, type Lamp } from "@dragonet/core";
import { IsAmount, IsId, IsRef, IsText } from "../fields.ts";
import type { ShapeOf } from "../shape.ts";

/** A lamp of a job, or of what a kit lays out. */
export class LampDto implements ShapeOf<Lamp> {
  @IsId()
  id!: string;

  @IsText(120)
  label!: string;

  @IsId()
  partId!: string;

  @IsId()
  runId!: string;

  @IsIn(LAMP_PLACES)
  place!: string;

  @IsText(40)
  light!: string;

  @IsRef("a lamp")
  housing!: string;

  @IsAmount(0, 1000)
  lengthM!: number;

  @IsRef("a place")
  at!: string;

  @IsRef("a load of the vehicle")
  replaces!: string;

  @IsIn(LAMP_JOINTS)
  joint!: string;

  @IsBoolean()
  factory!: boolean;
}
