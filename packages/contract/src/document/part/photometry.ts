import { ArrayMaxSize, ArrayMinSize, IsArray, IsIn } from "class-validator";
import { MOST_ANGLES, MOST_CANDELA, type Photometry } from "@dragonet/core";
import { AreNumbers, IsAmount, IsNullable, IsText } from "../../fields.ts";
import type { ShapeOf } from "../../shape.ts";

/** What a lamp sends where; how its angles go together is looked at with the part. */
export class PhotometryDto implements ShapeOf<Photometry> {
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
  @AreNumbers()
  vertical!: number[];

  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(MOST_ANGLES)
  @AreNumbers()
  horizontal!: number[];

  @IsArray()
  @ArrayMaxSize(MOST_CANDELA)
  @AreNumbers(0)
  candela!: number[];

  @IsNullable("number")
  @IsAmount(0, 1e7)
  lampLumens!: number | null;

  @IsAmount(0, 1e5)
  watts!: number;
}
