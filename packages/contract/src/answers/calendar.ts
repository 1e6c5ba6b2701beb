import { IsArray, IsString, IsUUID } from "class-validator";
import { IsDay, IsShopTime, ShopCalendarDto } from "../document/calendar.ts";
import { IsListOf, IsObjectOf, IsText } from "../fields.ts";

/** What somebody said about when and where a job is done. */
export class BookingRequest {
  /** Where it stays, whatever else is planned; "" for wherever it fits. */
  @IsShopTime({ orNone: true })
  start!: string;

  @IsText(60)
  bench!: string;

  /** Its parts or its customer come then; "" for nothing that it waits for. */
  @IsDay({ orNone: true })
  notBefore!: string;
}

/** What is said of one job on the calendar, with the job that it is said of. */
export class BookingAnswer extends BookingRequest {
  @IsUUID()
  readonly jobId!: string;
}

/** What the benches are planned with; the plan itself is worked out of it and the jobs. */
export class CalendarAnswer {
  @IsObjectOf(() => ShopCalendarDto)
  readonly calendar!: ShopCalendarDto;

  /** Who works: everybody that may change jobs. */
  @IsArray()
  @IsString({ each: true })
  readonly people!: readonly string[];

  @IsListOf(() => BookingAnswer)
  readonly bookings!: readonly BookingAnswer[];
}
