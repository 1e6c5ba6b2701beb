import { Inject, Injectable, type CanActivate, type ExecutionContext } from "@nestjs/common";
import type { Request } from "express";
import { SHAPE_VERSION } from "@dragonet/core";
import { superseded } from "../http/refusal.ts";
import { DATABASE, type Database } from "./database.ts";
import { shop } from "./schema.ts";

/** How long an answer holds, in ms: what is written is looked at by itself, whatever this says. */
const HOLDS_MS = 1000;

/** What tells how the server is stays open: by that others learn to ask elsewhere. */
const STILL_OPEN = /^\/api\/(health|ready|metrics)$/;

/**
 * Whether a later version keeps this shop by now: its servers brought the documents up while this one was still
 * running. It would not know what is in them.
 */
@Injectable()
export class Superseded {
  private lookedAt = -HOLDS_MS;
  private isSo = false;

  constructor(@Inject(DATABASE) private readonly db: Database) {}

  async look(): Promise<boolean> {
    const now = performance.now();
    if (this.isSo || now - this.lookedAt < HOLDS_MS) return this.isSo;
    this.lookedAt = now;
    // Every document is brought up at one moment, the shop's own among them. Whoever asks next is told of a
    // database that is away.
    const rows = await this.db
      .select({ shape: shop.shape })
      .from(shop)
      .catch(() => []);
    this.isSo = rows.some(({ shape }) => shape > SHAPE_VERSION);
    return this.isSo;
  }
}

/** Answers 503 where a later version keeps the shop: what stands before the servers asks another of them. */
@Injectable()
export class SupersededGuard implements CanActivate {
  constructor(@Inject(Superseded) private readonly state: Superseded) {}

  async canActivate(context: ExecutionContext): Promise<boolean> {
    const { path } = context.switchToHttp().getRequest<Request>();
    if (!STILL_OPEN.test(path) && (await this.state.look())) throw superseded();
    return true;
  }
}
