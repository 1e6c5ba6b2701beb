import { itemAt } from "../../present/index.ts";
import {
  addLamps,
  adoptPart,
  allOf,
  append,
  applyEdits,
  asId,
  createKitSwitch,
  createDeviation,
  createCircuit,
  createSupply,
  setCircuit,
  type Blocker,
  type Condition,
  type KitSwitch,
  type KitSwitchId,
  type WiringDeviation,
  type Edit,
  type Feed,
  type Input,
  type Job,
  type JobCard,
  type KitItem,
  type Lamp,
  type LightingCircuit,
  type CircuitId,
  type Supply,
  type SupplyId,
  type Wish,
  editFrom,
} from "../../job/index.ts";
import { demoPart } from "../shelf/shelf.ts";
import { noteStep } from "./past.ts";

/** Builds a demo job by the same edits that a person makes, so that it cannot drift from them. */
export class JobMaker {
  private minted = 0;
  constructor(public job: Job) {}

  do(...edits: Edit[]): this {
    const result = applyEdits(this.job, edits);
    if (!result.ok) throw new Error(`demo job: ${result.path}: ${result.message}`);
    noteStep(this.job, result.job, edits);
    this.job = result.job;
    return this;
  }

  card(fields: Partial<JobCard>): this {
    for (const [field, value] of Object.entries(fields)) {
      this.do(editFrom({ kind: "setOnce", entity: "card", field, value }));
    }
    return this;
  }

  protected mint(prefix: string): string {
    this.minted += 1;
    return `${prefix}-${this.minted}`;
  }

  wish(purpose: Wish["purpose"], text: string): this {
    return this.do(append(this.job, "wish", { id: this.mint("wish"), purpose, text }));
  }

  blocker(kind: Blocker["kind"], text: string): this {
    return this.do(append(this.job, "blocker", { id: this.mint("blocker"), kind, text }));
  }

  kit(...items: readonly (readonly [name: string, needed: number, inBox: number])[]): this {
    for (const [name, needed, inBox] of items) {
      const item: KitItem = { id: this.mint("kit"), name, needed, inBox };
      this.do(append(this.job, "kitItem", item));
    }
    return this;
  }

  deviation(kind: WiringDeviation["kind"], runId: string, otherRunId: string): this {
    return this.do(
      append(
        this.job,
        "deviation",
        createDeviation(this.mint("deviation"), kind, asId<CircuitId>(runId), {
          otherRunId: asId<CircuitId>(otherRunId),
        }),
      ),
    );
  }

  /** Any edit of the physical graph, as it was found wired. */
  wrong(kind: WiringDeviation["kind"], runId: string, fields: Partial<WiringDeviation>): this {
    const id = this.mint("deviation");
    return this.do(
      append(this.job, "deviation", createDeviation(id, kind, asId<CircuitId>(runId), fields)),
    );
  }

  supply(id: string, name: string, partId: string, fields: Partial<Supply> = {}): this {
    this.do(...adoptPart(this.job, demoPart(partId)));
    const supply = createSupply(asId<SupplyId>(id), name, demoPart(partId).id, this.job.vehicle);
    return this.do(append(this.job, "supply", { ...supply, ...fields }));
  }

  control(id: string, name: string, inputs: readonly Input[], fields: Partial<KitSwitch>): this {
    if (fields.switchPartId) this.do(...adoptPart(this.job, demoPart(fields.switchPartId)));
    const control = createKitSwitch(asId<KitSwitchId>(id), name, inputs, this.job.vehicle);
    return this.do(append(this.job, "control", { ...control, ...fields }));
  }

  /** Sets one field of the lamp that was added last, or of one before it. */
  lamp(back: number, fields: Partial<Lamp>): this {
    const lamp = itemAt(this.job.lamps, this.job.lamps.length - 1 - back);
    for (const [field, value] of Object.entries(fields)) {
      this.do(editFrom({ kind: "set", entity: "lamp", id: lamp.id, field, value }));
    }
    return this;
  }

  run(
    id: string,
    name: string,
    end: "front" | "rear",
    on: Condition,
    lamps: readonly (readonly [partId: string, count: number, place: Lamp["place"]])[],
    fields: Partial<LightingCircuit> = {},
  ): this {
    const run = createCircuit(asId<CircuitId>(id), name, this.job.vehicle, end, on);
    this.do(append(this.job, "run", run));
    for (const [partId, count, place] of lamps) {
      this.do(...addLamps(this.job, run, demoPart(partId), count, place, () => this.mint("lamp")));
    }
    for (const key of ["switchPartId", "relayPartId", "connectorPartId"] as const) {
      const partId = fields[key];
      if (partId) this.do(...adoptPart(this.job, demoPart(partId)));
    }
    for (const [field, value] of Object.entries(fields)) {
      this.do(setCircuit(run.id, field as keyof LightingCircuit, value));
    }
    return this;
  }
}

export const part = (id: string) => asId<NonNullable<LightingCircuit["switchPartId"]>>(id);
export const when = (...inputs: readonly Input[]): Condition => allOf(...inputs);

export const from = (supplyId: string): Feed => ({
  kind: "supply",
  supplyId: asId<SupplyId>(supplyId),
});
export const eitherOf = (...inputs: readonly Input[]): Condition => ({
  anyOf: inputs.map((input) => [{ input, negated: false }]),
});
