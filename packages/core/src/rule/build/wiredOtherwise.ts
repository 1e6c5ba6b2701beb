import type { Circuit } from "../../circuit/index.ts";
import { endWords, unitAt, wireEnds } from "../../circuit/index.ts";
import {
  asId,
  ownerName,
  type WiringDeviation,
  type ElementId,
  type Job,
  type NodeId,
  type CircuitId,
} from "../../job/index.ts";
import { deviationLacks } from "../../synthesis/index.ts";
import type { Found, Rule } from "../finding.ts";

const TITLES: Readonly<Record<WiringDeviation["kind"], string>> = {
  lampsSwapped: "Lamps on each other's feed",
  joined: "Feeds tied together",
  thinSharedReturn: "One thin return for two circuits",
  endMoved: "A wire on the wrong terminal",
  endsSwapped: "Two wires on each other's terminal",
  wireMissing: "A wire left out",
  thinWire: "A thinner wire than planned",
  reversed: "A unit the wrong way round",
  tied: "Two terminals tied together",
};

const WHY: Readonly<Record<WiringDeviation["kind"], string>> = {
  lampsSwapped: "Left shows right, or tail shows brake: whoever follows is told the wrong thing.",
  joined:
    "What turns one on turns the other on too. Hazards want a double-pole switch, so that the sides stay apart when they are off.",
  thinSharedReturn:
    "Each circuit's current drops volts for the other: the brake lamp weakens when the work lamps are on.",
  endMoved: "What it should feed has nothing, or what it should not has. The proof says which.",
  endsSwapped: "Each does the other's work. The proof says what that does.",
  wireMissing: "Nothing flows where it should be. The proof says what stays dark.",
  thinWire: "It loses more volts, and may carry less than its fuse lets through.",
  reversed: "What is made for one direction blocks, shorts or does nothing in the other.",
  tied: "What comes in at one comes in at the other.",
};

/** The wire, as its flag has it, and where it was to go. */
function wireWords(circuit: Circuit, id: string): string {
  const wire = circuit.elements.get(asId<ElementId>(id));
  if (wire?.kind !== "wire") return id;
  return `wire ${wire.label} (${wireEnds(circuit, wire).join(" to ")})`;
}

/** Terminals that it names, as people say them, with whose they are; one that is no more by the name it had. */
function atWords(job: Job, circuit: Circuit, { at, otherAt, runId }: WiringDeviation): string[] {
  const words = [at, otherAt].flatMap((node) => {
    if (node === "") return [];
    const end = asId<NodeId>(node);
    const unit = unitAt(circuit, end);
    if (!unit) return [node];
    const isOther = unit.ownerId !== "" && unit.ownerId !== runId;
    const owner = isOther ? ` of ${ownerName(job, unit.ownerId)}` : "";
    return [`${endWords(circuit, end)}${owner}`];
  });
  return words.length === 0 ? [] : [`on ${words.join(" and ")}`];
}

function placeWords(job: Job, circuit: Circuit, d: WiringDeviation): string {
  const name = (id: CircuitId | ""): string => job.runs.find((r) => r.id === id)?.name ?? id;
  if (d.otherRunId !== "") return `${name(d.runId)} and ${name(d.otherRunId)}`;
  const said = [
    ...[d.wire, d.otherWire].filter((id) => id !== "").map((id) => wireWords(circuit, id)),
    ...atWords(job, circuit, d),
    ...(d.gaugeId === "" ? [] : [d.gaugeId]),
  ];
  return `${name(d.runId)}: ${said.join(", ")}`;
}

/** A wiring that is known to differ from the plan; the proof shows what it does. */
export const wiredOtherwise: Rule = {
  id: "wired-otherwise",
  source: "common practice",
  check: ({ job, circuit }) =>
    job.deviations.map((d): Found => {
      const lacks = deviationLacks(circuit, d);
      const elementId = d.wire === "" ? null : asId<ElementId>(d.wire);
      const lost = lacks !== "";
      return {
        rule: "wired-otherwise",
        severity: lost ? "note" : "stop",
        place: {
          runId: d.runId,
          elementId: elementId && circuit.elements.has(elementId) ? elementId : null,
          words: lost ? `${placeWords(job, circuit, d)}: ${lacks}` : placeWords(job, circuit, d),
        },
        title: lost ? "Wired wrong in a circuit that is no more" : TITLES[d.kind],
        figures: [],
        why: lost ? "The circuit was planned anew since: look again, or forget it." : WHY[d.kind],
        remedies: [
          {
            label: lost ? "Forget it" : "Wire it as planned",
            edits: [{ kind: "remove", entity: "deviation", id: d.id }],
          },
        ],
      };
    }),
};
