import type { LoggerService } from "@nestjs/common";
import { pino, type Logger } from "pino";

export const log: Logger = pino({ level: process.env.DRAGONET_LOG ?? "warn" });

/** Nest's own messages through pino. */
export class PinoLogger implements LoggerService {
  log(message: unknown, context?: string): void {
    log.info({ context }, String(message));
  }
  warn(message: unknown, context?: string): void {
    log.warn({ context }, String(message));
  }
  error(message: unknown, stack?: string, context?: string): void {
    // A failed start is told in one line by main; Nest would tell it a second time.
    if (context === "ExceptionHandler" || stack === "ExceptionHandler") return;
    log.error({ context, stack }, String(message));
  }
  debug(message: unknown, context?: string): void {
    log.debug({ context }, String(message));
  }
  verbose(message: unknown, context?: string): void {
    log.trace({ context }, String(message));
  }
}
