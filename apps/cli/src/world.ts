import type { Job, Position } from "@dragonet/core";

/** The world as the command line sees it; handed in so that tests need no files. */
export interface World {
  read(path: string): string;
  write(path: string, text: string): void;
  out(text: string): void;
  err(text: string): void;
  /**
   * Answers lines on a loopback port until it is stopped; each connection has a listener of
   * its own. Says the port that it serves at.
   */
  serveLines(
    port: number,
    connect: () => (line: string) => string | null,
  ): ExitCode | Promise<ExitCode>;
}

/** 0: fine. 1: findings to stop for. 2: input that cannot be read, or a call that makes no sense. */
export type ExitCode = 0 | 1 | 2;

export type Controls = Pick<Position, "inputs" | "switches" | "phase" | "kmh"> & {
  /** How full battery and pack are, 0–1. */
  readonly charge: number;
};

export interface Call {
  readonly job: Job;
  readonly controls: Controls;
  readonly json: boolean;
  readonly world: World;
}

export type Verb = (call: Call) => ExitCode;

export const printJson = (world: World, value: unknown): void =>
  world.out(`${JSON.stringify(value, null, 2)}\n`);
