import { IsIn } from "class-validator";
import { LOAD_KINDS, type BoundedValue, type LoadSpec } from "@dragonet/core";
import { IsAmount, IsFact } from "../../fields.ts";
import type { ShapeOfKind } from "../../shape.ts";

export class LoadSpecDto {
  @IsIn(LOAD_KINDS)
  kind!: string;
}

class DrivenLedDto extends LoadSpecDto implements ShapeOfKind<LoadSpec, "drivenLed"> {
  @IsFact()
  powerW!: BoundedValue;

  @IsAmount(1, 1000)
  minV!: number;

  @IsAmount(1, 1000)
  maxV!: number;
}

class RatedLoadDto extends LoadSpecDto implements ShapeOfKind<LoadSpec, "filament"> {
  @IsFact()
  powerW!: BoundedValue;

  @IsAmount(1, 1000)
  ratedV!: number;
}

class ConstantCurrentDto extends LoadSpecDto implements ShapeOfKind<LoadSpec, "constantCurrent"> {
  @IsFact()
  currentA!: BoundedValue;
}

class LedStripDto extends LoadSpecDto implements ShapeOfKind<LoadSpec, "ledStrip"> {
  @IsFact()
  powerWPerM!: BoundedValue;

  @IsAmount(1, 1000)
  ratedV!: number;

  @IsAmount(0, 1000)
  forwardV!: number;

  @IsAmount(0.001, 10)
  groupM!: number;

  @IsAmount(0.001, 1000)
  lengthM!: number;
}

/** The kinds of loads, by what they do with the volts they get. */
export const LOAD_TYPES = [
  { name: "drivenLed", value: DrivenLedDto },
  { name: "filament", value: RatedLoadDto },
  { name: "resistive", value: RatedLoadDto },
  { name: "constantCurrent", value: ConstantCurrentDto },
  { name: "ledStrip", value: LedStripDto },
];
