import {
  Catch,
  HttpException,
  HttpStatus,
  type ArgumentsHost,
  type ExceptionFilter,
} from "@nestjs/common";
import type { Response } from "express";
import { log } from "./pinoLogger.ts";

/** Postgres says disk_full (53100) or out of memory (53200) so. */
const FULL = new Set(["53100", "53200", "ENOSPC"]);

const codeOf = (error: unknown): string => {
  const { code, cause } = (error ?? {}) as { code?: unknown; cause?: unknown };
  return typeof code === "string" ? code : cause ? codeOf(cause) : "";
};

/** One shape for every error; what is not ours to explain is logged and told in general. */
@Catch()
export class ErrorFilter implements ExceptionFilter {
  catch(error: unknown, host: ArgumentsHost): void {
    const res = host.switchToHttp().getResponse<Response>();
    if (error instanceof HttpException) {
      const body = error.getResponse();
      const status = error.getStatus();
      res.status(status).json(typeof body === "string" ? { message: body } : body);
      return;
    }
    const type = (error as { type?: string } | null)?.type;
    if (type === "entity.too.large") {
      res
        .status(HttpStatus.PAYLOAD_TOO_LARGE)
        .json({ message: "too large (8 MB at most; a picture 12 MB)" });
      return;
    }
    if (type === "entity.parse.failed") {
      res.status(HttpStatus.BAD_REQUEST).json({ message: "the request is not JSON" });
      return;
    }
    log.error({ err: error }, "unexpected");
    const message = FULL.has(codeOf(error))
      ? "the disk is full: nothing was stored"
      : "something went wrong on the server; nothing was stored";
    res.status(HttpStatus.INTERNAL_SERVER_ERROR).json({ message });
  }
}
