import { HttpException, HttpStatus } from "@nestjs/common";
import type { Fault } from "@dragonet/core";

/** What every refused request answers: one line for people, faults with their places, data. */
export interface RefusalBody {
  readonly message: string;
  readonly faults?: readonly Fault[];
  readonly [more: string]: unknown;
}

const refusal = (status: HttpStatus, body: RefusalBody): HttpException =>
  new HttpException(body, status);

export const notFound = (what: string, id: string): HttpException =>
  refusal(HttpStatus.NOT_FOUND, { message: `no ${what} with id "${id}"` });

export const notValid = (message: string, faults: readonly Fault[] = []): HttpException =>
  refusal(HttpStatus.UNPROCESSABLE_ENTITY, { message, faults });

export const conflict = (message: string, more: Record<string, unknown> = {}): HttpException =>
  refusal(HttpStatus.CONFLICT, { message, ...more });

export const gone = (message: string): HttpException => refusal(HttpStatus.GONE, { message });

export const tooLarge = (message: string): HttpException =>
  refusal(HttpStatus.PAYLOAD_TOO_LARGE, { message });

/** Asked again in a moment it may well be done. */
export const busy = (message: string): HttpException =>
  refusal(HttpStatus.SERVICE_UNAVAILABLE, { message, retryAfterS: 1 });

/** This server is older than the documents: another one, of their version, answers. */
export const superseded = (): HttpException =>
  refusal(HttpStatus.SERVICE_UNAVAILABLE, {
    message:
      "a later version of Dragonet keeps this shop now; nothing was stored, ask again in a moment",
    retryAfterS: 1,
  });

/** Something that is not plugged in: no fault of the server's, and nothing to wait for. */
export const noMeter = (at: string): HttpException =>
  refusal(HttpStatus.NOT_FOUND, {
    message: `no meter at ${at}: start it, or plug it in again; what was read stays`,
  });

/** Tries that come too fast: when the next may come, in s. */
export const tooMany = (waitS: number): HttpException =>
  refusal(HttpStatus.TOO_MANY_REQUESTS, {
    message: `too many tries: wait ${waitS} s`,
    retryAfterS: waitS,
  });

export const forbidden = (message: string): HttpException =>
  refusal(HttpStatus.FORBIDDEN, { message });

export const notSignedIn = (message = "sign in first"): HttpException =>
  refusal(HttpStatus.UNAUTHORIZED, { message });

/** A link that was never made, or whose job is gone: no word of which. */
export const refusedLink = (): HttpException =>
  refusal(HttpStatus.NOT_FOUND, {
    message: "this link leads to nothing: ask the shop for a new one",
  });
