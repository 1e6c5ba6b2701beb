import {
  Body,
  Controller,
  Get,
  Inject,
  Module,
  Param,
  ParseUUIDPipe,
  Post,
  Put,
  Res,
} from "@nestjs/common";
import type { Response } from "express";
import {
  BookingRequest,
  CalendarAnswer,
  ImportedAnswer,
  ShopCalendarDto,
  TextRequest,
} from "@dragonet/contract";
import { Audit } from "../audit/audit.ts";
import { Answers, AnswersFile, AnswersNothing } from "../docs/answers.ts";
import { sendFile } from "../http/download.ts";
import { JobsModule } from "../jobs/jobs.module.ts";
import { BoardService } from "../jobs/board.service.ts";
import { CurrentUser, RequireRole, type SignedIn } from "../people/access.ts";
import { benchCalendar } from "./benchCalendar.ts";
import { CalendarService } from "./calendar.service.ts";

@Controller("api/calendar")
class CalendarController {
  constructor(
    @Inject(CalendarService) private readonly calendar: CalendarService,
    @Inject(BoardService) private readonly board: BoardService,
    @Inject(Audit) private readonly audit: Audit,
  ) {}

  @Get()
  @Answers("What the benches are planned with", CalendarAnswer)
  read(): Promise<CalendarAnswer> {
    return this.calendar.read();
  }

  /** For any calendar program. */
  @Get("bench.ics")
  @AnswersFile(
    "The plan of the benches, promised days and curing adhesive (iCalendar)",
    "text/calendar",
  )
  async ics(@Res() res: Response): Promise<void> {
    const [plan, jobs] = await Promise.all([this.calendar.plan(), this.board.open()]);
    sendFile(res, "bench.ics", "text/calendar", benchCalendar(jobs, plan));
  }

  @Get("week.pdf")
  @AnswersFile(
    "The next open days, five where there is room, on one sheet, for the shop's wall",
    "application/pdf",
  )
  async week(@Res() res: Response): Promise<void> {
    sendFile(res, "week.pdf", "application/pdf", await this.calendar.weekSheet(), "inline");
  }

  @Get("file")
  @AnswersFile("Everything that the plan is made of, for the command line", "application/json")
  async file(@Res() res: Response, @CurrentUser() me: SignedIn): Promise<void> {
    await this.audit.note(me.name, "took out a file", "shop.calendar.json");
    const text = `${JSON.stringify(await this.calendar.file(), null, 2)}\n`;
    sendFile(res, "shop.calendar.json", "application/json", text);
  }

  @RequireRole("owner")
  @Put()
  @AnswersNothing("Keeps benches, hours, closed days and the shop's place")
  async keep(@Body() body: ShopCalendarDto, @CurrentUser() me: SignedIn): Promise<void> {
    await this.calendar.setCalendar({ ...body });
    await this.audit.note(me.name, "changed the calendar", "benches, hours or place");
  }

  @RequireRole("owner")
  @Post("closed")
  @Answers("Takes the days of an iCalendar file as closed: all of them, or nothing", ImportedAnswer)
  async close(@Body() body: TextRequest, @CurrentUser() me: SignedIn): Promise<ImportedAnswer> {
    const taken = await this.calendar.close(body.text);
    await this.audit.note(me.name, "changed the calendar", `${taken.added} closed days`);
    return taken;
  }

  @RequireRole("installer")
  @Put("bookings/:jobId")
  @AnswersNothing("Keeps when and where a job is done, or what day it waits for")
  async book(
    @Param("jobId", ParseUUIDPipe) jobId: string,
    @Body() body: BookingRequest,
    @CurrentUser() me: SignedIn,
  ): Promise<void> {
    const title = await this.calendar.book(jobId, body, me);
    const where = body.start === "" ? "" : `, ${body.bench} from ${body.start.replace("T", " ")}`;
    const waits = body.notBefore === "" ? "" : `, not before ${body.notBefore}`;
    await this.audit.note(me.name, "changed the calendar", `${title}${where}${waits}`);
  }
}

@Module({ imports: [JobsModule], controllers: [CalendarController], providers: [CalendarService] })
export class CalendarModule {}
