import {
  Controller,
  Get,
  HttpException,
  Inject,
  Query,
  Sse,
  type MessageEvent,
} from "@nestjs/common";
import { concatMap, catchError, endWith, map, of, take, timer, type Observable } from "rxjs";
import { ApiQuery } from "@nestjs/swagger";
import { MeterAnswer, MeterStepQuery } from "@dragonet/contract";
import { Answers, AnswersFile } from "../docs/answers.ts";
import { RequireRole } from "../people/access.ts";
import { MeterLine } from "./meterLine.ts";

/** How often a meter that streams is read, in ms: as hand meters show a new figure. */
const EVERY_MS = 600;
const MOST_READINGS = 2000;

const messageOf = (error: unknown): string => {
  const body = error instanceof HttpException ? error.getResponse() : null;
  return typeof body === "object" && body && "message" in body
    ? String(body.message)
    : "the meter cannot be read";
};

/** The shop's meter, read for the pages of who may write readings down. */
@RequireRole("installer")
@Controller("api/meter")
export class MeterController {
  constructor(@Inject(MeterLine) private readonly line: MeterLine) {}

  @Get()
  @Answers("The shop's meter", MeterAnswer)
  async who(): Promise<MeterAnswer> {
    return { address: this.line.address, name: await this.line.ask("*IDN?") };
  }

  /** Readings at one step, until nobody listens or the meter is gone; that is told, and ends it. */
  @Sse("stream")
  @ApiQuery({ name: "step", type: String })
  @AnswersFile("Readings at one step, as server-sent events", "text/event-stream")
  stream(@Query() { step }: MeterStepQuery): Observable<MessageEvent> {
    return timer(0, EVERY_MS).pipe(
      concatMap(async () => this.line.read(step)),
      map((value): MessageEvent => ({ type: "reading", data: { value } })),
      catchError((error: unknown) =>
        of<MessageEvent>({ type: "trouble", data: { message: messageOf(error) } }),
      ),
      endWith<MessageEvent>({ type: "end", data: "" }),
      // A page that was forgotten with a meter on does not read it for ever.
      take(MOST_READINGS),
    );
  }
}
