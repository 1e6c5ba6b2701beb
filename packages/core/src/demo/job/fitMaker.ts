import { itemAt, lastItem } from "../../present/index.ts";
import { DEMO_PRACTICES } from "../people.ts";
import {
  append,
  asId,
  createJob,
  setIn,
  type Aim,
  type Aiming,
  type Bond,
  type BondId,
  type HoleCut,
  type HoleId,
  type HolePlacing,
  type LandmarkId,
  type Mount,
  type PlaceId,
  type Template,
  type TemplateId,
  type Gate,
  type OptionChange,
  type Task,
  editFrom,
} from "../../job/index.ts";
import { addStep, lengthsOff, readStep, routeOf, takeLengths } from "../../fit/index.ts";
import { measured } from "../../quantity/index.ts";
import { synthesise } from "../../synthesis/index.ts";
import type { Vehicle } from "../../vehicle/index.ts";

import { JobMaker } from "./jobMaker.ts";

/** The same edits for routes, ledger, templates and places, in a few words. */
export class FitMaker extends JobMaker {
  /** Says where lamps of a run sit, in their order. */
  lampsAt(runId: string, ...places: readonly string[]): this {
    const lamps = this.job.lamps.filter((l) => l.runId === runId);
    places.forEach((place, i) => {
      this.do(setIn("lamp", itemAt(lamps, i).id, "at", asId<PlaceId>(place)));
    });
    return this;
  }

  /** Takes every length that the route map has. */
  routed(): this {
    const plan = routeOf(this.job, synthesise(this.job));
    return this.do(...takeLengths(lengthsOff(plan)));
  }

  /** What was read at a test on a day: steps with
   * their values, or with why they were left out, and what the script expected. */
  tested(
    day: string,
    by: string,
    ...readings: readonly (readonly [string, number | string, [number, number]])[]
  ): this {
    return this.do(
      ...readings.map(([step, said, [low, high]], i) =>
        append(this.job, "reading", {
          id: this.mint("reading"),
          step,
          value: typeof said === "number" ? said : null,
          low,
          high,
          note: typeof said === "string" ? said : "",
          by,
          at: `${day}T10:${String(i + 10)}:00.000Z`,
        }),
      ),
    );
  }

  /** A step of the ledger, as it is dictated. */
  step(text: string, tookMin = 0): this {
    const read = readStep(text);
    if (!read.ok) throw new Error(`demo job: ${read.message}`);
    const added = addStep(this.job, read.step, (prefix) => this.mint(prefix));
    if (!added.ok) throw new Error(`demo job: ${added.message}`);
    this.do(...added.edits);
    const step = lastItem(this.job.strip);
    return tookMin > 0 ? this.do(setIn("stripStep", step.id, "tookMin", tookMin)) : this;
  }

  /** A picture of a step of the ledger, or of the whole for "": drawn, as nobody photographs what is invented. */
  photo(stepName: string, caption: string): this {
    const stepId = this.job.strip.find((s) => s.name === stepName)?.id ?? "";
    return this.do(append(this.job, "photo", { id: this.mint("drawn"), stepId, caption }));
  }

  template(id: string, fields: Omit<Template, "id">): this {
    return this.do(append(this.job, "template", { id: asId<TemplateId>(id), ...fields }));
  }

  landmark(templateId: string, id: string, name: string, rightMm: number, downMm: number): this {
    return this.do(
      append(this.job, "landmark", {
        id: asId<LandmarkId>(id),
        templateId: asId<TemplateId>(templateId),
        ...{ name, rightMm, downMm },
      }),
    );
  }

  hole(
    templateId: string,
    id: string,
    name: string,
    by: HolePlacing,
    cut: HoleCut,
    behind: string,
    forWire = false,
  ): this {
    return this.do(
      append(this.job, "hole", {
        id: asId<HoleId>(id),
        templateId: asId<TemplateId>(templateId),
        ...{ name, by, cut, behind, forWire },
      }),
    );
  }

  /** Where the n-th lamp of a run sits, by tape. */
  mount(
    runId: string,
    n: number,
    side: Mount["side"],
    [outM, heightM, backM]: readonly [number, number, number],
    fields: Partial<Mount> = {},
  ): this {
    const lamp = itemAt(
      this.job.lamps.filter((l) => l.runId === runId),
      n,
    );
    const tape = (m: number) => measured(m, Math.max(0, m - 0.005), m + 0.005);
    return this.do(
      append(this.job, "mount", {
        id: this.mint("mount"),
        lampId: lamp.id,
        side,
        outM: tape(outM),
        heightM: tape(heightM),
        backM: tape(backM),
        hand: "any",
        tiltDeg: 0,
        wantedTiltDeg: 0,
        footMm: 40,
        ...fields,
      }),
    );
  }

  /** How the n-th lamp in place is aimed, and how it stood on the wall, oldest first. */
  aim(n: number, fields: Partial<Aim> = {}): this {
    const mount = itemAt(this.job.mounts, n);
    return this.do(
      append(this.job, "aim", {
        ...{ id: this.mint("aim"), mountId: mount.id, beam: "driving", toeDeg: 0 },
        ...{ adjuster: "screw", pitchMm: 1, leverMm: 60, errors: [], ...fields },
      }),
    );
  }

  /** How the vehicle stands at the wall, and whom its lamps must not blind. */
  /** An option of its quote. */
  option(name: string, ...changes: readonly OptionChange[]): this {
    return this.do(append(this.job, "option", { id: this.mint("option"), name, changes }));
  }

  /** Minutes taken at the lift, in the morning of a day. */
  worked(
    day: string,
    by: string,
    ...taken: readonly (readonly [task: Task, minutes: number])[]
  ): this {
    return this.do(
      ...taken.map(([task, minutes], i) =>
        append(this.job, "worked", {
          ...{ id: this.mint("work"), task, minutes, by },
          at: `${day}T${String(9 + i).padStart(2, "0")}:30:00.000Z`,
        }),
      ),
    );
  }

  /** A name under a gate, or under the hand-over itself. */
  signed(day: string, name: string, gate: Gate | "" = "", reason = ""): this {
    return this.do(
      append(this.job, "signature", {
        ...{ id: this.mint("signature"), gate, name, reason },
        at: `${day}T16:00:00.000Z`,
      }),
    );
  }

  aiming(fields: Partial<Aiming>): this {
    return this.do(
      ...Object.entries(fields).map(([field, value]) =>
        editFrom({ kind: "setOnce", entity: "aiming", field, value }),
      ),
    );
  }

  bond(what: string, adhesive: Bond["adhesive"], fields: Partial<Bond> = {}): this {
    return this.do(
      append(this.job, "bond", {
        id: asId<BondId>(this.mint("bond")),
        what,
        adhesive,
        surfaceC: 20,
        cleaned: false,
        dryFitted: false,
        marked: false,
        pressedAt: "",
        ...fields,
      }),
    );
  }
}

export const make = (
  title: string,
  customer: string,
  vehicle: Vehicle,
  machine: string,
): FitMaker => new FitMaker(createJob(title, customer, { ...vehicle, machine }, DEMO_PRACTICES));
