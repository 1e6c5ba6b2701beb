import {
  Catch,
  HttpException,
  HttpStatus,
  type ArgumentsHost,
  type ExceptionFilter,
} from "@nestjs/common";
import type { Response } from "express";
import { causesOf, forLog, type Causes } from "./forLog.ts";
import { log } from "./pinoLogger.ts";

/** PostgreSQL says disk_full (53100) so, the file system ENOSPC. */
const FULL = new Set(["53100", "ENOSPC"]);
/** Numbers or texts that the database cannot hold: too large, of no form, not UTF-8. */
const UNFIT = new Set(["22003", "22P02", "22P05", "22021", "22007", "22008"]);
/** The database is gone, going, coming, or has no connection left (classes 08, 53300, 57P). */
const AWAY =
  /^(08...|57P0[1-5]|53300|53200|40001|40P01|ECONNREFUSED|ECONNRESET|EPIPE|ETIMEDOUT|ENOTFOUND)$/;
const AWAY_WORDS =
  /Connection terminated|timeout exceeded when trying to connect|Client has encountered a connection error/;
/** When to ask again while the database is away, in seconds. */
const RETRY_AFTER_S = "1";

interface Told {
  readonly status: number;
  readonly message: string;
}

/** What a framework's own error says, such as a body that is no JSON. */
function ofFramework(error: unknown): Told | null {
  const { status, type } = (error ?? {}) as { status?: unknown; type?: string };
  if (type === "entity.too.large") {
    return { status: HttpStatus.PAYLOAD_TOO_LARGE, message: "too large (a picture 12 MB at most)" };
  }
  if (type === "entity.parse.failed") {
    return { status: HttpStatus.BAD_REQUEST, message: "the request is not JSON" };
  }
  if (typeof status !== "number" || status < 400 || status >= 500) return null;
  return { status, message: "this request cannot be read" };
}

function ofDatabase(error: unknown): Told | null {
  const causes = causesOf(error);
  const has = (test: (cause: Causes) => boolean): boolean => causes.some(test);
  const codes = (set: { has(code: string): boolean }) => (c: Causes) =>
    typeof c.code === "string" && set.has(c.code);
  if (has(codes(FULL))) {
    return { status: 507, message: "the disk is full: nothing was stored" };
  }
  if (has(codes(UNFIT))) {
    return {
      status: HttpStatus.UNPROCESSABLE_ENTITY,
      message: "a number or text is not one that can be kept; nothing was stored",
    };
  }
  const away =
    has((c) => typeof c.code === "string" && AWAY.test(c.code)) ||
    has((c) => typeof c.message === "string" && AWAY_WORDS.test(c.message));
  return away
    ? {
        status: HttpStatus.SERVICE_UNAVAILABLE,
        message: "the database does not answer just now; nothing was stored, try again in a moment",
      }
    : null;
}

/** One shape for every error; what is not ours to explain is logged and told in general. */
@Catch()
export class ErrorFilter implements ExceptionFilter {
  catch(error: unknown, host: ArgumentsHost): void {
    const res = host.switchToHttp().getResponse<Response>();
    // Half an answer is out already, as of a stream: nothing more can be said.
    if (res.headersSent) {
      res.end();
      return;
    }
    if (error instanceof HttpException) {
      const body = error.getResponse();
      const { retryAfterS } = body as { retryAfterS?: number };
      if (retryAfterS !== undefined) res.set("retry-after", String(retryAfterS));
      res.status(error.getStatus()).json(typeof body === "string" ? { message: body } : body);
      return;
    }
    const told = ofFramework(error) ?? ofDatabase(error);
    if (told) {
      if (told.status === 503) res.set("retry-after", RETRY_AFTER_S);
      if (told.status >= 500) log.warn(forLog(error), told.message);
      res.status(told.status).json({ message: told.message });
      return;
    }
    log.error(forLog(error), "unexpected");
    res
      .status(HttpStatus.INTERNAL_SERVER_ERROR)
      .json({ message: "something went wrong on the server; nothing was stored" });
  }
}
