import type { Change, Edit } from "@dragonet/core";

export interface Sent {
  readonly path: string;
  readonly baseRevision: number;
  readonly known: number;
  readonly follows: readonly string[];
  readonly edits: readonly Edit[];
  readonly acts: readonly { readonly id: string; readonly edits: number }[];
  readonly batchId: string;
}

export type Reply = { status: number; body: unknown; retryAfter?: string };
export type Answer = (sent: Sent) => Reply | "lost" | Promise<Reply>;

export const change = (
  revision: number,
  edits: readonly Edit[],
  batchId = `theirs-${revision}`,
): Change => ({
  revision,
  batchId,
  who: "Pim Okkerse",
  acts: [],
  edits,
});

/** A server that answers as told, and remembers what it was sent. */
export class StandIn {
  readonly sent: Sent[] = [];
  answers: Answer[] = [];
  changes: Change[] = [];
  /** What a job is where it is read whole; null where that cannot be reached. */
  read: () => Reply | null = () => null;

  /** Takes a batch on top of what is there, as the real one does. */
  readonly take: Answer = ({ known, edits, batchId }) => {
    this.changes.push(change(this.revision + 1, edits, batchId));
    return {
      status: 200,
      body: { revision: this.revision, changes: this.changes.filter((c) => c.revision > known) },
    };
  };

  get revision(): number {
    return this.changes.at(-1)?.revision ?? 1;
  }

  install(): void {
    globalThis.fetch = (async (path: string, init?: { method?: string; body?: string }) => {
      if (init?.method !== "POST" && !path.includes("/changes")) {
        const whole = this.read();
        if (!whole) throw new TypeError("network");
        return this.reply(whole);
      }
      if (init?.method !== "POST") {
        const since = Number(new URL(path, "http://x").searchParams.get("since"));
        const changes = this.changes.filter((c) => c.revision > since);
        return this.reply({ status: 200, body: { revision: this.revision, changes } });
      }
      const sent = { ...(JSON.parse(init.body ?? "{}") as Sent), path };
      this.sent.push(sent);
      const answer = await (this.answers.shift() ?? this.take)(sent);
      if (answer === "lost") throw new TypeError("network");
      return this.reply(answer);
    }) as unknown as typeof fetch;
  }

  private reply({ status, body, retryAfter }: Reply) {
    const headers = new Headers(retryAfter === undefined ? {} : { "retry-after": retryAfter });
    return { ok: status < 400, status, headers, json: async () => body };
  }
}
