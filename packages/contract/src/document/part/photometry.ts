import { ArrayMaxSize, ArrayMinSize, IsArray, IsIn, IsNumber, Min } from "class-validator";
import { MOST_ANGLES, MOST_CANDELA } from "@dragonet/core";
import { IsAmount, IsNullable, IsText } from "../../fields.ts";

/** What a lamp sends where; how its angles go together is looked at with the part. */
export class PhotometryDto {
  @IsText(200)
  name!: string;

  @IsText(200)
  by!: string;

  @IsIn(["file", "fiveReadings", "invented"])
  source!: string;

  @IsIn(["A", "B", "C"])
  type!: string;

  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(MOST_ANGLES)
  @IsNumber({}, { each: true })
  vertical!: number[];

  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(MOST_ANGLES)
  @IsNumber({}, { each: true })
  horizontal!: number[];

  @IsArray()
  @ArrayMaxSize(MOST_CANDELA)
  @IsNumber({}, { each: true })
  @Min(0, { each: true })
  candela!: number[];

  @IsNullable("number")
  @IsAmount(0, 1e7)
  lampLumens!: number | null;

  @IsAmount(0, 1e5)
  watts!: number;
}
