import type { NextFunction, Request, Response } from "express";
import { answerSeconds } from "../health/health.ts";
import type { SignedIn } from "../people/access.ts";
import { log } from "./pinoLogger.ts";

let count = 0;

/** The route as it is written, without the ids of what was asked for. */
const routeOf = (req: Request): string => {
  const route = req.route as { path?: unknown } | undefined;
  return typeof route?.path === "string" ? route.path : "none";
};

/** A line for every answer: who, what route, which status, how long; never what was in it. */
export function requestLog(
  req: Request & { person?: SignedIn },
  res: Response,
  next: NextFunction,
): void {
  const began = performance.now();
  const id = (count += 1);
  res.once("finish", () => {
    const ms = performance.now() - began;
    const [method, route, status] = [req.method, routeOf(req), res.statusCode];
    answerSeconds.observe({ method, route, status }, ms / 1000);
    log.info(
      { id, person: req.person?.id ?? null, method, route, status, ms: Math.round(ms * 10) / 10 },
      "answered",
    );
  });
  next();
}
