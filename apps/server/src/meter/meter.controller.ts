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
import { MeterStepQuery } from "@dragonet/contract";
import { Needs } from "../people/access.ts";
import { MeterLine } from "./meterLine.ts";

/** How often a meter that streams is read, in ms: as hand meters show a new figure. */
const EVERY_MS = 600;
const MOST_READINGS = 2000;

/** What a page shows of the shop's meter. */
export interface MeterView {
  readonly address: string;
  /** As it names itself: maker, model, serial, version. */
  readonly name: string;
}

const messageOf = (error: unknown): string => {
  const body = error instanceof HttpException ? error.getResponse() : null;
  return typeof body === "object" && body && "message" in body
    ? String(body.message)
    : "the meter cannot be read";
};

/** The shop's meter, read for the pages of who may write readings down. */
@Needs("installer")
@Controller("api/meter")
export class MeterController {
  constructor(@Inject(MeterLine) private readonly line: MeterLine) {}

  @Get()
  async who(): Promise<MeterView> {
    return { address: this.line.address, name: await this.line.ask("*IDN?") };
  }

  /** Readings at one step, until nobody listens or the meter is gone; that is told, and ends it. */
  @Sse("stream")
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
