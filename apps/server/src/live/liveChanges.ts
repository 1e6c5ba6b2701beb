import { Injectable, Logger, type OnModuleDestroy, type OnModuleInit } from "@nestjs/common";
import pg from "pg";
import { Subject, type Observable } from "rxjs";
import { directUrl } from "../database/addresses.ts";

/** What pages are told: which job has which revision now. */
export interface JobMoved {
  readonly kind: "job";
  readonly id: string;
  readonly revision: number;
}

/** Something may have been missed: whoever listens looks for itself. */
export interface Gap {
  readonly kind: "gap";
}

export type LiveChange = JobMoved | Gap;

/** The channel that the trigger on `job_change` speaks on. */
const CHANNEL = "dragonet_job";
/** First and longest pause before listening again, in ms. */
const PAUSE_MS = 200;
const LONGEST_PAUSE_MS = 5000;

/**
 * What the database says of changed jobs, whichever server stored them. A connection of its
 * own, since a pool's may be handed to somebody else; when it breaks it is made anew, and
 * listeners are told that there may be a gap.
 */
@Injectable()
export class LiveChanges implements OnModuleInit, OnModuleDestroy {
  private readonly subject = new Subject<LiveChange>();
  private client: pg.Client | null = null;
  private pauseMs = PAUSE_MS;
  private timer: NodeJS.Timeout | null = null;
  private closed = false;

  readonly changes: Observable<LiveChange> = this.subject.asObservable();

  async onModuleInit(): Promise<void> {
    await this.listen();
  }

  async onModuleDestroy(): Promise<void> {
    this.closed = true;
    if (this.timer) clearTimeout(this.timer);
    this.subject.complete();
    await this.client?.end().catch(() => undefined);
  }

  private async listen(): Promise<void> {
    const client = new pg.Client({
      connectionString: directUrl(),
      keepAlive: true,
      connectionTimeoutMillis: 10_000,
    });
    // Both are said of one loss; the second finds that the client is not ours any more.
    client.on("error", () => this.lost(client));
    client.on("end", () => this.lost(client));
    client.on("notification", ({ payload }) => this.tell(payload ?? ""));
    this.client = client;
    try {
      await client.connect();
      await client.query(`listen ${CHANNEL}`);
      this.pauseMs = PAUSE_MS;
      this.subject.next({ kind: "gap" });
    } catch {
      this.lost(client);
    }
  }

  private lost(client: pg.Client): void {
    if (this.client !== client || this.closed) return;
    this.client = null;
    client.end().catch(() => undefined);
    new Logger("live").warn(`the database does not speak: trying again in ${this.pauseMs} ms`);
    this.timer = setTimeout(() => void this.listen(), this.pauseMs);
    this.pauseMs = Math.min(LONGEST_PAUSE_MS, this.pauseMs * 2);
  }

  private tell(payload: string): void {
    const [id, revision] = payload.split(" ");
    if (id === undefined || revision === undefined) return;
    this.subject.next({ kind: "job", id, revision: Number(revision) });
  }
}
