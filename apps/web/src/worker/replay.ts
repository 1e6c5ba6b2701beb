import {
  BusFollower,
  CandumpReader,
  SIMULATED_DBC,
  framesOf,
  printCandump,
  printScript,
  readDbc,
  readScript,
  type Fault,
  type Job,
} from "@dragonet/core";

/** What a log of the bus gave: the controls as a script, and how much of it was known. */
export interface Replay {
  readonly script: string;
  readonly known: number;
  readonly unknown: number;
  readonly faults: readonly Fault[];
}

let replaying = 0;

/** Faults of a DBC file; none when it can be used. */
export function checkDbc(text: string): readonly Fault[] {
  const read = readDbc(text);
  return read.ok ? [] : read.faults;
}

/** A script's controls as a candump log of the simulated bus. */
export function busLog(job: Job, text: string): string {
  const script = readScript(job, text);
  const dbc = readDbc(SIMULATED_DBC);
  return script.ok && dbc.ok ? printCandump(framesOf(dbc.value, script.value)) : "";
}

/** Follows a candump log of any length, piece by piece; null when it was stopped. */
export async function replay(
  file: File,
  dbcText: string | null,
  onProgress: (share: number) => void,
): Promise<Replay | null> {
  replaying += 1;
  const mine = replaying;
  const dbc = readDbc(dbcText ?? SIMULATED_DBC);
  if (!dbc.ok) return { script: "", known: 0, unknown: 0, faults: dbc.faults };
  const reader = new CandumpReader();
  const follower = new BusFollower(dbc.value);
  const stream = file.stream().pipeThrough(new TextDecoderStream()).getReader();
  let taken = 0;
  for (;;) {
    const { done, value } = await stream.read();
    if (done) break;
    if (mine !== replaying) {
      await stream.cancel();
      return null;
    }
    follower.push(reader.push(value));
    taken += value.length;
    onProgress(Math.min(1, taken / Math.max(1, file.size)));
  }
  follower.push(reader.end());
  const { events, endS, known, unknown } = follower;
  const script = events.length > 0 ? printScript({ events, endS: endS + 5 }) : "";
  return { script, known, unknown, faults: reader.faults };
}

/** Ends a log that is being followed. */
export function stopReplay(): void {
  replaying += 1;
}
