import { IsIn, IsInt, Matches, Max, Min } from "class-validator";
import {
  CURRENCY_CODES,
  GATES,
  FEED_WAYS,
  TASKS,
  type Tariff,
  type Worked,
  type OptionChange,
  type QuoteOption,
  type Lot,
  type Signature,
} from "@dragonet/core";
import { IsAmount, IsId, IsListOfKinds, IsMoment, IsRef, IsShare, IsText } from "../../fields.ts";
import type { ShapeOf, ShapeOfKind } from "../../shape.ts";

/** Most that a price may be, in the smallest unit of a currency. */
const MOST_MINOR = 1e9;
/** Most months that somebody answers for a thing. */
export const MOST_MONTHS = 240;

export class TariffDto implements ShapeOf<Tariff> {
  @IsIn(CURRENCY_CODES, { message: "$property must be a currency by ISO 4217, such as EUR" })
  currency!: string;

  @IsInt()
  @Min(0)
  @Max(MOST_MINOR)
  hourMinor!: number;

  @IsShare()
  taxShare!: number;

  @IsAmount(0, 10)
  markupShare!: number;

  @IsInt()
  @Min(1)
  @Max(366)
  validDays!: number;

  @IsInt()
  @Min(0)
  @Max(MOST_MONTHS)
  warrantyMonths!: number;
}

export class WorkedDto implements ShapeOf<Worked> {
  @IsId()
  id!: string;

  @IsIn(TASKS)
  task!: string;

  @IsAmount(0.1, 6000)
  minutes!: number;

  @IsText(120)
  by!: string;

  @IsMoment()
  at!: string;
}

class OptionChangeDto {
  @IsIn(["leaveOut", "otherPart", "way"])
  kind!: string;
}
class LeaveOutDto extends OptionChangeDto implements ShapeOfKind<OptionChange, "leaveOut"> {
  @IsId()
  runId!: string;
}
class OtherPartDto extends OptionChangeDto implements ShapeOfKind<OptionChange, "otherPart"> {
  @IsId()
  partId!: string;

  @IsId()
  insteadId!: string;
}
class WayDto extends OptionChangeDto implements ShapeOfKind<OptionChange, "way"> {
  @IsId()
  runId!: string;

  @IsIn(FEED_WAYS)
  way!: string;
}

export class QuoteOptionDto implements ShapeOf<QuoteOption> {
  @IsId()
  id!: string;

  @IsText(120)
  name!: string;

  @IsListOfKinds(
    () => OptionChangeDto,
    [
      { name: "leaveOut", value: LeaveOutDto },
      { name: "otherPart", value: OtherPartDto },
      { name: "way", value: WayDto },
    ],
    50,
  )
  changes!: OptionChangeDto[];
}

export class LotDto implements ShapeOf<Lot> {
  @IsId()
  id!: string;

  @IsRef("a part of the job")
  partId!: string;

  @IsText(80)
  @Matches(/\S/, { message: "$property must be the number of a lot" })
  lot!: string;

  @IsInt()
  @Min(1)
  @Max(10_000)
  count!: number;
}

export class SignatureDto implements ShapeOf<Signature> {
  @IsId()
  id!: string;

  @IsIn(["", ...GATES])
  gate!: string;

  @IsText(120)
  @Matches(/\S/, { message: "$property must be the name of who signs" })
  name!: string;

  @IsText(1000)
  reason!: string;

  @IsMoment()
  at!: string;
}
