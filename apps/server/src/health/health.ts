import { statfs } from "node:fs/promises";
import { Controller, Get, Inject, Module, Req, Res } from "@nestjs/common";
import { sql } from "drizzle-orm";
import type { Request, Response } from "express";
import { Registry, collectDefaultMetrics, Histogram } from "prom-client";
import { DATABASE, type Database } from "../database/database.ts";
import { forbidden } from "../http/refusal.ts";
import { Open, type SignedIn } from "../people/access.ts";

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

/** Free space below which the shop is not ready, in bytes. */
const LEAST_FREE = 100 * 1024 * 1024;

const LOOPBACK = /^(::1|(::ffff:)?127\.)/;

/** Whether the server lives, whether it can work, and how it does. */
@Controller("api")
class HealthController {
  constructor(@Inject(DATABASE) private readonly db: Database) {}

  /** The process answers; nothing else is asked. */
  @Open()
  @Get("health")
  health(): { ok: true } {
    return { ok: true };
  }

  /** It can do its work: the database takes writes and has its tables, the disk has room. */
  @Open()
  @Get("ready")
  async ready(@Res() res: Response): Promise<void> {
    const wrong: string[] = [];
    const [state] = await this.db
      .execute<{ standby: boolean }>(sql`select pg_is_in_recovery() as standby`)
      .then(({ rows }) => rows)
      .catch(() => []);
    if (!state) wrong.push("the database does not answer");
    else if (state.standby) wrong.push("the database is a standby and takes no writes");
    else {
      const tables = await this.db
        .execute(sql`select 1 from audit limit 0`)
        .then(() => true)
        .catch(() => false);
      if (!tables) wrong.push("the tables are not up to date");
    }
    const { bavail, bsize } = await statfs(process.cwd());
    if (bavail * bsize < LEAST_FREE) wrong.push("the disk has less than 100 MB left");
    res.status(wrong.length === 0 ? 200 : 503).json({ ready: wrong.length === 0, wrong });
  }

  /** For the machine itself and for owners: it tells how busy the shop is. */
  @Open()
  @Get("metrics")
  async metrics(@Req() req: Request & { person?: SignedIn }, @Res() res: Response): Promise<void> {
    const here = LOOPBACK.test(req.socket.remoteAddress ?? "");
    if (!here && req.person?.role !== "owner") {
      throw forbidden("metrics are for this machine and for owners");
    }
    res.type(registry.contentType).send(await registry.metrics());
  }
}

@Module({ controllers: [HealthController] })
export class HealthModule {}
