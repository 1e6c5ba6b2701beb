/** A page by itself, one event at a time by the clock: what it keeps, sends and tells. */
import {
  createJob,
  openSync,
  syncStep,
  type Batch,
  type Change,
  type Edit,
  type Stepped,
  type SyncEvent,
  type SyncState,
} from "../src/index.ts";
import { FELLRUNNER } from "../src/demo/index.ts";

/** When the clock begins. */
export const START = 1_000_000;
export const document = createJob("Bar", "", FELLRUNNER);

export const set = (field: string, value: string): Edit =>
  ({ kind: "setOnce", entity: "card", field, value }) as Edit;

export const opened = (more: Partial<Parameters<typeof openSync>[0]> = {}): SyncState =>
  openSync(
    {
      jobId: "j",
      personId: "p",
      tab: "t",
      revision: 5,
      document,
      waiting: [],
      setAside: [],
      ...more,
    },
    START,
  );

export const batch = (
  id: string,
  acts: readonly Batch["acts"][number][],
  more: Partial<Batch> = {},
) => ({
  id,
  jobId: "j",
  personId: "p",
  tab: "t",
  madeOn: 5,
  follows: [],
  givenUp: [],
  acts,
  sealed: true,
  single: false,
  at: START,
  ...more,
});

export const change = (
  revision: number,
  edits: readonly Edit[],
  more: Partial<Change> = {},
): Change => ({
  revision,
  batchId: `b${revision}`,
  who: "wren",
  acts: [],
  edits,
  ...more,
});

/** A page, and everything it was told to do. */
export class Page {
  readonly effects: Stepped["effects"][number][] = [];
  now = START;
  constructor(public state: SyncState = opened()) {}
  on(event: SyncEvent): Stepped["effects"] {
    const { state, effects } = syncStep(this.state, event, this.now);
    this.state = state;
    this.effects.push(...effects);
    return effects;
  }
  write(id: string, ...act: Edit[]): Stepped["effects"] {
    return this.on({ kind: "edit", act, id });
  }
  /** Later by so many ms: what the clock sends. */
  later(ms: number): Stepped["effects"] {
    this.now += ms;
    return this.on({ kind: "tick" });
  }
}

export const kinds = (effects: Stepped["effects"]) => effects.map((e) => e.kind);
