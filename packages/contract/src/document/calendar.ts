import {
  ArrayMaxSize,
  ArrayMinSize,
  ArrayUnique,
  Equals,
  IsArray,
  IsInt,
  IsNumber,
  IsObject,
  IsOptional,
  IsString,
  Matches,
  Max,
  MaxLength,
  Min,
  ValidateBy,
  ValidateNested,
} from "class-validator";
import { Type } from "class-transformer";
import { JSONSchema } from "class-validator-jsonschema";
import {
  CALENDAR_FORMAT,
  DAY_MIN,
  isZone,
  readShopTime,
  type CalendarFile,
  type ClosedDay,
  type DayHours,
  type JobInFile,
  type ShopCalendar,
  type DaysOff,
  type WorkLeft,
} from "@dragonet/core";
import { applyDecorators } from "../applyDecorators.ts";
import { IsAmount, IsId, IsListOf, IsNullable, IsObjectOf, IsText } from "../fields.ts";
import type { ShapeOf } from "../shape.ts";

const MOST_BENCHES = 40;
const MOST_CLOSED = 1000;
const MOST_JOBS = 2000;

/** A day of the calendar that there is; with `orNone` also "". */
export const IsDay = ({ orNone = false } = {}): PropertyDecorator =>
  applyDecorators(
    IsString(),
    ValidateBy({
      name: "isDay",
      validator: {
        validate: (value) =>
          (orNone && value === "") ||
          (typeof value === "string" && value.length === 10 && readShopTime(value) !== null),
        defaultMessage: () => `$property must be a day as 2026-12-31${orNone ? ", or empty" : ""}`,
      },
    }),
  );

/** A moment by the shop's clocks; with `orNone` also "". */
export const IsShopTime = ({ orNone = false } = {}): PropertyDecorator =>
  applyDecorators(
    IsString(),
    ValidateBy({
      name: "isShopTime",
      validator: {
        validate: (value) =>
          (orNone && value === "") || (typeof value === "string" && readShopTime(value) !== null),
        defaultMessage: () =>
          `$property must be a moment as 2026-12-31T08:30${orNone ? ", or empty" : ""}`,
      },
    }),
  );

export class DayHoursDto implements DayHours {
  @IsInt()
  @Min(0)
  @Max(DAY_MIN)
  readonly open!: number;

  @IsInt()
  @Min(0)
  @Max(DAY_MIN)
  readonly close!: number;
}

export class ClosedDayDto implements ClosedDay {
  @IsDay()
  readonly day!: string;

  @IsText(120)
  readonly name!: string;
}

export class DaysOffDto implements DaysOff {
  @IsText(120)
  @Matches(/\S/, { message: "$property must be the name of who is away" })
  readonly who!: string;

  @IsDay()
  readonly from!: string;

  /** The last of them: the same for one day. */
  @IsDay()
  @ValidateBy({
    name: "isNotBefore",
    validator: {
      validate: (value, args) => String(value) >= (args?.object as DaysOffDto).from,
      defaultMessage: () => "$property must be the first day or one after it",
    },
  })
  readonly to!: string;
}

/** What a shop works with, and when. */
export class ShopCalendarDto implements ShopCalendar {
  @IsString()
  @ValidateBy({
    name: "isZone",
    validator: {
      validate: (value) => typeof value === "string" && isZone(value),
      defaultMessage: () => "$property must be a time zone by its IANA name, such as Europe/Berlin",
    },
  })
  readonly zone!: string;

  /** Degrees, north positive. */
  @IsNumber()
  @Min(-90)
  @Max(90)
  readonly latitude!: number;

  /** Degrees, east positive. */
  @IsNumber()
  @Min(-180)
  @Max(180)
  readonly longitude!: number;

  @IsArray()
  @ArrayMaxSize(MOST_BENCHES)
  @ArrayUnique()
  @IsString({ each: true })
  @MaxLength(60, { each: true })
  @Matches(/\S/, { each: true, message: "each bench needs a name" })
  readonly benches!: readonly string[];

  @IsListOf(() => DayHoursDto, 7)
  @ArrayMinSize(7)
  readonly week!: readonly DayHoursDto[];

  @IsListOf(() => ClosedDayDto, MOST_CLOSED)
  readonly closed!: readonly ClosedDayDto[];

  @IsOptional()
  @IsListOf(() => DaysOffDto, MOST_CLOSED)
  readonly away?: readonly DaysOffDto[];

  @IsInt()
  @Min(0)
  @Max(DAY_MIN)
  readonly latest!: number;
}

/** What of a job is still to be done. */
export class WorkLeftDto implements WorkLeft {
  @IsAmount()
  readonly fitMin!: number;

  @IsAmount(0, 10_000)
  readonly cureH!: number;

  @IsAmount()
  readonly closeMin!: number;

  @IsAmount()
  readonly aimMin!: number;

  @IsAmount()
  readonly handOverMin!: number;
}

class PinDto implements ShapeOf<NonNullable<JobInFile["pin"]>> {
  @IsShopTime()
  readonly start!: string;

  @IsText(60)
  readonly bench!: string;
}

class JobInFileDto implements JobInFile {
  @IsId()
  readonly id!: string;

  @IsText()
  readonly title!: string;

  @IsDay({ orNone: true })
  readonly promised!: string;

  @IsObjectOf(() => WorkLeftDto)
  readonly work!: WorkLeftDto;

  @IsText(60)
  readonly bench!: string;

  @IsShopTime({ orNone: true })
  readonly notBefore!: string;

  @IsArray()
  @IsString({ each: true })
  readonly provided!: readonly string[];

  @IsNullable("object")
  @IsObject({ message: "needs an object, or null" })
  @ValidateNested()
  @Type(() => PinDto)
  readonly pin!: PinDto | null;
}

/** Everything that a plan of the benches is made of, as an open file. */
@JSONSchema({ title: "Dragonet calendar" })
export class CalendarFileDto implements CalendarFile {
  @Equals(CALENDAR_FORMAT)
  readonly format!: typeof CALENDAR_FORMAT;

  @IsShopTime()
  readonly now!: string;

  @IsObjectOf(() => ShopCalendarDto)
  readonly calendar!: ShopCalendarDto;

  @IsArray()
  @ArrayMaxSize(200)
  @IsString({ each: true })
  readonly people!: readonly string[];

  @IsListOf(() => JobInFileDto, MOST_JOBS)
  readonly jobs!: readonly JobInFileDto[];
}
