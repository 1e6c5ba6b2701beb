import { Matches } from "class-validator";
import { IsAmount, IsId, IsMoment, IsNullable, IsText } from "./fields.ts";

/** A step of the test script: kind, controls and place, as the script names it. */
const STEP = /^(volts|amps|look)(\|[A-Za-z0-9_.+-]{1,300}){2,3}$/;

export class ReadingDto {
  @IsId()
  id!: string;

  @Matches(STEP, { message: "step must be one of the test script's" })
  step!: string;

  @IsNullable("number")
  @IsAmount(-1e6)
  value!: number | null;

  @IsNullable("number")
  @IsAmount(-1e6)
  low!: number | null;

  @IsNullable("number")
  @IsAmount(-1e6)
  high!: number | null;

  @IsText(500)
  note!: string;

  @IsText(120)
  by!: string;

  @IsMoment()
  at!: string;
}
