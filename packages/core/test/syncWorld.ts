import {
  actIdsOf,
  applyEdits,
  createJob,
  editsOf,
  integrityFaults,
  isFinal,
  openSync,
  syncStep,
  takeBatch,
  DEFAULT_PRACTICES,
  type Act,
  type Batch,
  type Change,
  type Edit,
  type Job,
  type SyncEvent,
  type SyncState,
  type Vehicle,
} from "../src/index.ts";
import { DEMO_VEHICLES } from "../src/demo/index.ts";

/** Text that the naive server refuses for good, as a rule of the whole document would. */
export const POISON = "never";

/** Little to check at each step: what is told of saving does not hang on the vehicle. */
const BARE = {
  ...DEMO_VEHICLES[0]!,
  ...{ connectors: [], pins: [], baseLoads: [], places: [], segments: [] },
} satisfies Vehicle;

type Answer = (tab: Tab) => SyncEvent;

/** A server as plain as can be: one document, its changes, no network. */
export class NaiveServer {
  document: Job = createJob("Bar", "", BARE, DEFAULT_PRACTICES);
  revision = 1;
  readonly changes: Change[] = [];
  private readonly closed = new Set<string>();

  since(revision: number): Change[] {
    return this.changes.filter((change) => change.revision > revision);
  }

  /** What it answers to a batch of a page that knows `revision`. */
  take(batch: Batch, who: string, known: number, freshId: () => string): Answer {
    const before = this.changes.find((change) => change.batchId === batch.id) ?? null;
    const closed = new Set(actIdsOf(batch).filter((id) => this.closed.has(id)));
    const taking = takeBatch(batch, this.revision, before, closed, this.since(batch.madeOn));
    const answered = { batchId: batch.id, changes: this.since(Math.min(known, batch.madeOn)) };
    switch (taking.kind) {
      case "ahead":
        return () => ({ kind: "ahead", batchId: batch.id });
      case "clash":
        return () => ({ kind: "clashed", who: taking.who, ...answered });
      case "differs":
        return () => ({ kind: "differs", closed: taking.closed, id: freshId(), ...answered });
      case "again":
        return () => ({ kind: "taken", ...answered });
      case "new":
        return this.store({ ...batch, acts: taking.acts }, who, answered);
    }
  }

  private store(
    batch: Batch,
    who: string,
    answered: { batchId: string; changes: readonly Change[] },
  ): Answer {
    const edits = editsOf(batch);
    const result = applyEdits(this.document, edits);
    const message = !result.ok
      ? result.message
      : JSON.stringify(edits).includes(POISON)
        ? "no such word here"
        : integrityFaults(result.job)[0]?.message;
    if (!result.ok || message !== undefined) {
      return () => ({ kind: "refused", batchId: batch.id, message: message ?? "" });
    }
    this.document = result.job;
    this.revision += 1;
    const acts = [...actIdsOf(batch), ...batch.givenUp];
    const change = { revision: this.revision, batchId: batch.id, who, acts, edits };
    this.changes.push(change);
    for (const id of acts) this.closed.add(id);
    return () => ({ kind: "taken", ...answered, changes: [...answered.changes, change] });
  }
}

/** What a browser keeps for all its pages. */
export class Browser {
  readonly batches = new Map<string, Batch>();
  readonly aside = new Map<string, { batch: Batch; message: string }>();
  constructor(readonly personId: string) {}
}

/** One page: the state machine, and what it sent. */
export class Tab {
  state!: SyncState;
  /** Requests and answers on their way, in order. */
  readonly wire: (
    | { readonly kind: "request"; readonly batch: Batch }
    | { readonly kind: "answer"; readonly answer: Answer }
  )[] = [];
  private reading: boolean | null = null;

  constructor(
    private readonly world: World,
    readonly browser: Browser,
    private readonly name: string,
  ) {
    this.open();
  }

  open(): void {
    this.wire.length = 0;
    const { server } = this.world;
    this.state = openSync(
      {
        jobId: "job",
        personId: this.browser.personId,
        tab: this.name,
        revision: server.revision,
        document: server.document,
        waiting: [...this.browser.batches.values()],
        setAside: [...this.browser.aside.values()],
      },
      this.world.now,
    );
  }

  happen(event: SyncEvent): void {
    const { state, effects } = syncStep(this.state, event, this.world.now);
    this.state = state;
    let dropped: Batch | null = null;
    for (const effect of effects) {
      switch (effect.kind) {
        case "keep":
          this.browser.batches.set(effect.batch.id, effect.batch);
          break;
        case "forget":
        case "end":
          for (const { id, acts } of effect.batches) {
            const kept = this.browser.batches.get(id);
            if (kept && kept.acts.length <= acts.length) this.browser.batches.delete(id);
          }
          if (effect.kind === "end") this.tellOthers(effect.batches);
          break;
        case "setAside":
          this.browser.aside.set(effect.batch.id, effect);
          break;
        case "forgetSetAside":
          this.browser.aside.delete(effect.batchId);
          break;
        case "send":
          // Gone from the browser's store: another page has brought it to its end.
          if (!this.browser.batches.has(effect.batch.id)) {
            dropped = effect.batch;
            break;
          }
          this.wire.push({ kind: "request", batch: effect.batch });
          break;
        case "read":
          this.reading = effect.setBack;
          break;
        case "tell":
          break;
      }
    }
    if (dropped) {
      this.happen({ kind: "endedElsewhere", batches: [dropped], ids: [this.world.freshId()] });
    }
    if (this.reading !== null) {
      const setBack = this.reading;
      this.reading = null;
      const { revision, document } = this.world.server;
      this.happen({ kind: "read", revision, document, setBack });
    }
  }

  /** An act of the person; counted where the page took it. */
  act(act: Act): void {
    const before = this.state;
    this.happen({ kind: "edit", act, id: this.world.freshId() });
    if (this.state !== before) this.world.made.push(act);
  }

  step(kind: "undo" | "redo"): void {
    const list = kind === "undo" ? this.state.undoSteps : this.state.redoSteps;
    const last = list.at(-1);
    const before = this.state;
    this.happen({ kind, id: this.world.freshId() });
    if (last && this.state !== before)
      this.world.made.push(kind === "undo" ? last.inverse : last.act);
  }

  settle(keep: "mine" | "theirs"): void {
    if (!this.state.clash) return;
    const { disputed } = this.state.clash;
    const batches = this.state.queue.filter((b) => disputed.some((d) => d.batchId === b.id));
    const was = batches.flatMap(editsOf);
    this.happen({ kind: "settle", keep, id: this.world.freshId() });
    const left = this.state.queue.flatMap(editsOf);
    this.world.overruled.push(...was.filter((edit) => !left.includes(edit)));
  }

  private tellOthers(batches: readonly Batch[]): void {
    for (const tab of this.world.tabs) {
      if (tab !== this && tab.browser === this.browser)
        tab.happen({ kind: "endedElsewhere", batches, ids: batches.map(this.world.freshId) });
    }
  }

  /** The next thing on the wire gets where it goes, or not. */
  carry(fate: "arrives" | "requestLost" | "answerLost" | "twice"): void {
    const next = this.wire.shift();
    if (!next) return;
    if (next.kind === "answer") {
      this.happen(next.answer(this));
      return;
    }
    const lost: SyncEvent = { kind: "unreached", batchId: next.batch.id, afterMs: null };
    if (fate === "requestLost") {
      this.happen(lost);
      return;
    }
    const take = (): Answer =>
      this.world.server.take(
        next.batch,
        this.browser.personId,
        this.state.revision,
        this.world.freshId,
      );
    const answer = take();
    if (fate === "twice") take();
    if (fate === "answerLost") this.happen(lost);
    else this.wire.push({ kind: "answer", answer });
  }

  hear(): void {
    this.happen({ kind: "heard", changes: this.world.server.since(this.state.revision) });
  }

  /** Another page sends what waits here, as a browser does for jobs that are not open. */
  sendForOthers(): void {
    const [batch] = [...this.browser.batches.values()].sort((a, b) => a.at - b.at);
    if (!batch || !isFinal(batch, this.world.now)) return;
    this.world.server.take(batch, this.browser.personId, 0, this.world.freshId);
  }
}

/** Two people, three pages, one server. */
export class World {
  now = 0;
  private count = 0;
  readonly server = new NaiveServer();
  readonly made: Act[] = [];
  readonly overruled: Edit[] = [];
  readonly freshId = (): string => `b${(this.count += 1)}`;
  readonly tabs: readonly Tab[];

  constructor() {
    const ansa = new Browser("ansa");
    this.tabs = [
      new Tab(this, ansa, "t1"),
      new Tab(this, ansa, "t2"),
      new Tab(this, new Browser("pim"), "t3"),
    ];
  }

  /** Lets everything arrive until nothing moves; whoever is asked keeps theirs, then mine. */
  quieten(): void {
    for (let round = 0; round < 200; round += 1) {
      this.now += 60_000;
      for (const tab of this.tabs) {
        if (tab.state.line === "signedOut") tab.happen({ kind: "lineClear" });
        tab.settle(round % 2 === 0 ? "theirs" : "mine");
        while (tab.wire.length > 0) tab.carry("arrives");
        tab.happen({ kind: "tick" });
        while (tab.wire.length > 0) tab.carry("arrives");
        tab.hear();
      }
      const quiet = this.tabs.every(
        (t) => t.state.queue.length === 0 && t.state.revision === this.server.revision,
      );
      if (quiet) return;
    }
    throw new Error("it never comes to rest");
  }
}
