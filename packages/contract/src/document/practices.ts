import { IsIn, IsInt, IsNumber, Max, Min } from "class-validator";
import {
  FUSE_SCHOOLS,
  PLACES,
  SLACK_SCHOOLS,
  WIRE_USES,
  type UseColour,
  type Practices,
} from "@dragonet/core";
import { IsListOf, IsObjectOf, IsText } from "../fields.ts";
import { TariffDto } from "./part/trade.ts";
import type { ShapeOf } from "../shape.ts";

class UseColourDto implements ShapeOf<UseColour> {
  @IsIn(WIRE_USES)
  use!: string;

  @IsText(40)
  colour!: string;
}

/** A shop's practices as they are stored and sent. */
export class PracticesDto implements ShapeOf<Practices> {
  @IsIn(FUSE_SCHOOLS)
  fuseSchool!: string;

  @IsIn(["positive", "negative"])
  coilSwitching!: string;

  @IsIn(["awg", "metric"])
  wireSystem!: string;

  @IsNumber()
  @Min(0.005)
  @Max(0.2)
  dropTarget!: number;

  @IsNumber()
  @Min(-40)
  @Max(120)
  ambientC!: number;

  @IsNumber()
  @Min(60)
  @Max(200)
  insulationC!: number;

  @IsInt()
  @Min(1)
  @Max(50)
  bundledWires!: number;

  @IsIn(SLACK_SCHOOLS)
  slack!: string;

  @IsIn(["", ...PLACES.map((p) => p.id)])
  place!: string;

  @IsListOf(() => UseColourDto, 20)
  colours!: UseColourDto[];

  @IsObjectOf(() => TariffDto)
  tariff!: TariffDto;
}
