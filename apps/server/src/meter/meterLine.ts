import { connect, type Socket } from "node:net";
import { createInterface } from "node:readline";
import { Injectable, type OnModuleDestroy } from "@nestjs/common";
import { perUnit } from "@dragonet/core";
import { noMeter } from "../http/refusal.ts";
import { patience } from "../work/patience.ts";

/** Where a meter that speaks SCPI listens: a raw socket, 5025 by custom (IANA: scpi-raw). */
const DEFAULT_AT = "127.0.0.1:5025";
/** How long an answer is waited for, in ms. */
const PATIENCE_MS = 3000;
/** What SCPI answers for "not a number" (SCPI-99, from memory). */
const NOT_A_NUMBER = 9.91e37;

interface Waiting {
  readonly done: (line: string) => void;
  readonly fail: (error: Error) => void;
}

/**
 * The one line to the shop's meter. Asked one question at a time; a meter that is not there, is
 * unplugged or does not answer is told in a sentence, and looked for again at the next question.
 */
@Injectable()
export class MeterLine implements OnModuleDestroy {
  private socket: Socket | null = null;
  private waiting: Waiting | null = null;
  private last: Promise<unknown> = Promise.resolve();

  get address(): string {
    return process.env.DRAGONET_METER ?? DEFAULT_AT;
  }

  onModuleDestroy(): void {
    this.hangUp(new Error("the server stops"));
  }

  private hangUp(error: Error): void {
    this.socket?.destroy();
    this.socket = null;
    const { waiting } = this;
    this.waiting = null;
    waiting?.fail(error);
  }

  private async open(): Promise<Socket> {
    if (this.socket && !this.socket.destroyed) return this.socket;
    const { address } = this;
    const [, host = "", port = ""] = /^(.*):(\d+)$/.exec(address) ?? [];
    const socket = connect({ host, port: Number(port) });
    await new Promise<void>((done, fail) => {
      socket.setTimeout(PATIENCE_MS * patience(), () => fail(new Error("no answer")));
      socket.once("connect", done);
      socket.once("error", fail);
    });
    socket.setTimeout(0);
    const end = (): void => {
      if (this.socket === socket) this.hangUp(new Error("unplugged"));
    };
    socket.on("error", end);
    socket.on("close", end);
    createInterface({ input: socket }).on("line", (line) => {
      const { waiting } = this;
      this.waiting = null;
      waiting?.done(line);
    });
    this.socket = socket;
    return socket;
  }

  private async exchange(lines: readonly string[]): Promise<string> {
    const { address } = this;
    try {
      const socket = await this.open();
      return await new Promise<string>((done, fail) => {
        const timer = setTimeout(
          () => this.hangUp(new Error("no answer")),
          PATIENCE_MS * patience(),
        );
        const over =
          <T>(then: (value: T) => void) =>
          (value: T): void => {
            clearTimeout(timer);
            then(value);
          };
        this.waiting = { done: over(done), fail: over(fail) };
        socket.write(`${lines.join("\n")}\n`);
      });
    } catch (error) {
      const why = error instanceof Error ? error.message : String(error);
      throw noMeter(`${address} (${why})`);
    }
  }

  /** The answer to the last of some lines, which asks. Throws a refusal where no meter answers. */
  ask(...lines: readonly string[]): Promise<string> {
    const mine = this.last.then(
      () => this.exchange(lines),
      () => this.exchange(lines),
    );
    this.last = mine;
    return mine;
  }

  /** What the meter reads at a step, in the step's own unit; null where it shows nothing. */
  async read(step: string): Promise<number | null> {
    const value = Number(await this.ask(`ROUT:CLOS "${step}"`, "READ?"));
    return Number.isFinite(value) && value < NOT_A_NUMBER / 10 ? value * perUnit(step) : null;
  }
}
