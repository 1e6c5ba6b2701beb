import { Controller, Get, Inject, Module, Req, Res } from "@nestjs/common";
import type { Request, Response } from "express";
import { Registry, collectDefaultMetrics, Histogram } from "prom-client";
import { AliveAnswer, ReadyAnswer } from "@dragonet/contract";
import { Answers, AnswersFile } from "../docs/answers.ts";
import { forbidden } from "../http/refusal.ts";
import { Public, type SignedIn } from "../people/access.ts";
import { Readiness } from "./readiness.ts";

const registry = new Registry();
collectDefaultMetrics({ register: registry });

/** Answers by route and status, in the open exposition format at /api/metrics. */
export const answerSeconds = new Histogram({
  name: "dragonet_answer_seconds",
  help: "Time from request to answer",
  labelNames: ["method", "route", "status"],
  buckets: [0.005, 0.015, 0.05, 0.1, 0.25, 1, 5],
  registers: [registry],
});

const LOOPBACK = /^(::1|(::ffff:)?127\.)/;

/** Whether the server lives, whether it can work, and how it does. */
@Controller("api")
class HealthController {
  constructor(@Inject(Readiness) private readonly readiness: Readiness) {}

  /** The process answers; nothing else is asked. */
  @Public()
  @Get("health")
  @Answers("The process answers; nothing else is asked", AliveAnswer)
  health(): AliveAnswer {
    return { ok: true };
  }

  /** It can do its work: the database takes writes and has its tables, the disk has room. */
  @Public()
  @Get("ready")
  @Answers("It can do its work; 503 with the same shape where it cannot", ReadyAnswer)
  async ready(@Res() res: Response): Promise<void> {
    const wrong = await this.readiness.wrong();
    res.status(wrong.length === 0 ? 200 : 503).json({ ready: wrong.length === 0, wrong });
  }

  /** For the machine itself and for owners: it tells how busy the shop is. */
  @Public()
  @Get("metrics")
  @AnswersFile("Measures of the process, in the open exposition format", "text/plain")
  async metrics(@Req() req: Request & { person?: SignedIn }, @Res() res: Response): Promise<void> {
    // What a proxy hands on comes from its machine and is somebody else's.
    const here =
      LOOPBACK.test(req.socket.remoteAddress ?? "") && req.get("x-forwarded-for") === undefined;
    if (!here && req.person?.role !== "owner") {
      throw forbidden("metrics are for this machine and for owners");
    }
    res.type(registry.contentType).send(await registry.metrics());
  }
}

@Module({ controllers: [HealthController], providers: [Readiness] })
export class HealthModule {}
