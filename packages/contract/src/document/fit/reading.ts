import type { Reading, Mend } from "@dragonet/core";
import { ArrayMaxSize, IsArray, Matches } from "class-validator";
import { CIRCUIT_ID, IsAmount, IsId, IsMoment, IsNullable, IsRef, IsText } from "../../fields.ts";
import type { ShapeOf } from "../../shape.ts";

/** A step of the test script: kind, controls and place, as the script names it. */
export const TEST_STEP = /^(volts|amps|milliamps|ohms|look)(\|[A-Za-z0-9_.+-]{1,300}){2,3}$/;

export class ReadingDto implements ShapeOf<Reading> {
  @IsId()
  id!: string;

  @Matches(TEST_STEP, { message: "step must be one of the test script's" })
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

export class MendDto implements ShapeOf<Mend> {
  @IsId()
  id!: string;

  @IsText(500)
  what!: string;

  @IsText(500)
  done!: string;

  @Matches(CIRCUIT_ID)
  at!: string;

  @IsRef("a part")
  partId!: string;

  @IsAmount(0, 6000)
  minutes!: number;

  @IsArray()
  @ArrayMaxSize(2000)
  @Matches(TEST_STEP, { each: true, message: "again must be steps of the test script" })
  again!: string[];

  @IsText(120)
  by!: string;

  @IsMoment()
  when!: string;
}
