import { itemAt } from "../present/index.ts";
import {
  factoryLampsLeft,
  lampColour,
  lampWork,
  programOf,
  type Job,
  type Lamp,
} from "../job/index.ts";
import { placeOf, type PlaceRules } from "../place/index.ts";
import type { FactoryLamp } from "../vehicle/index.ts";
import type { Figure, Found, Rule, Severity } from "./finding.ts";

/**
 * What a vehicle with turn lamps of its own is taken to have at the rear where nobody has
 * counted: common practice.
 */
const USUAL = { rearPosition: 1, stop: 1, turnRear: 2 };

function thereAlready(job: Job, work: keyof typeof USUAL): number {
  const counted = factoryLampsLeft(job, work);
  if (counted !== null) return counted;
  const { turn } = job.vehicle;
  if (!turn) return 0;
  return work === "turnRear" && turn.bulbW.value === 0 ? 0 : USUAL[work];
}

const ASK = "Advisory: ask your inspector before the vehicle goes on the road.";

const COUNTED = [
  { work: "rearPosition", what: "rear position lamps" },
  { work: "stop", what: "stop lamps" },
  { work: "turnRear", what: "rear turn lamps" },
] as const;

function counts(job: Job, place: PlaceRules): Found[] {
  const list = COUNTED.map(({ work, what }) => ({
    ...{ what, limit: place[work], there: thereAlready(job, work) },
    lamps: job.lamps.filter((lamp) => lampWork(job, lamp) === work),
  }));
  return list.flatMap(({ what, limit, lamps, there }): Found[] => {
    if (!limit || lamps.length === 0) return [];
    const count = lamps.length + there;
    if (count >= limit[0] && count <= limit[1]) return [];
    return [
      {
        rule: "place-asks",
        severity: "fix",
        place: { runId: itemAt(lamps, 0).runId, elementId: null, words: itemAt(lamps, 0).label },
        title: `${count} ${what} for ${place.name}`,
        figures: [
          {
            label: what,
            value: `${count}, ${there} of them the factory's`,
            limit: `${limit[0]} to ${limit[1]}`,
          },
        ],
        why: ASK,
        remedies: [],
      },
    ];
  });
}

/** Whether a lamp flashes by its own electronics or by the programme of its channel. */
function flashes(job: Job, lamp: Lamp): boolean {
  const run = job.runs.find((r) => r.id === lamp.runId);
  const part = job.parts.find((p) => p.id === lamp.partId);
  const own = part?.kind === "load" && part.behaviour !== null && part.behaviour.flashes !== 0;
  const program = run ? programOf(job, run) : null;
  return own || (program !== null && program.flashes !== 0);
}

/** One finding for all lamps that a line of the rule book is about; none where there are none. */
function told(
  lamps: readonly Lamp[],
  severity: Severity,
  title: string,
  figures: Figure[],
  why: string,
) {
  const [first] = lamps;
  if (!first) return [];
  const words = lamps.map((lamp) => lamp.label).join(", ");
  const place = { runId: first.runId, elementId: null, words };
  return [{ ...{ rule: "place-asks", severity, place, title, figures, why }, remedies: [] }];
}

function flashing(job: Job, place: PlaceRules): Found[] {
  const flashers = job.lamps.filter((lamp) => flashes(job, lamp));
  const at = (...works: (FactoryLamp | null)[]): Lamp[] =>
    flashers.filter((lamp) => works.includes(lampWork(job, lamp)));
  const refused = place.brakeFlash === "refused";
  const stops =
    place.brakeFlash === "allowed"
      ? []
      : told(
          at("stop"),
          refused ? "stop" : "fix",
          refused
            ? `A stop lamp that flashes fails inspection under ${place.name}`
            : `A stop lamp that flashes is for the state to allow`,
          [{ label: "stop lamp", value: "flashes", limit: "steady" }],
          `${ASK} A module whose pattern can be set to steady passes either way.`,
        );
  const others = place.othersFlash
    ? []
    : told(
        at("headlight", "rearPosition"),
        "fix",
        `Only turn signals and hazards may flash under ${place.name}`,
        [{ label: "lamp", value: "flashes", limit: "steady" }],
        ASK,
      );
  return [...stops, ...others];
}

function colours(job: Job, place: PlaceRules): Found[] {
  const ends = [
    ["turnFront", "Front", place.turnFrontColours],
    ["turnRear", "Rear", place.turnRearColours],
  ] as const;
  const turns = ends.flatMap(([work, end, allowed]) => {
    if (!allowed) return [];
    const lamps = job.lamps.filter(
      (lamp) => lampWork(job, lamp) === work && !allowed.includes(lampColour(job, lamp)),
    );
    return told(
      lamps,
      "fix",
      `${end} turn lamps of another colour than ${place.name} ask`,
      [{ label: "colour", value: "other", limit: allowed.join(" or ") }],
      ASK,
    );
  });
  if (place.redFront) return turns;
  const red = job.lamps.filter((lamp) => lamp.place === "front" && lampColour(job, lamp) === "red");
  const front = told(
    red,
    "fix",
    `Red to the front is kept for emergency vehicles under ${place.name}`,
    [{ label: "colour in front", value: "red", limit: "white or amber" }],
    ASK,
  );
  return [...turns, ...front];
}

/** What the place the vehicle is ridden in asks of its lamps, beside everything else. */
export const placeAsks: Rule = {
  id: "place-asks",
  source: "UN R53, R6; 49 CFR 571.108 (from memory), as data; advisory",
  check: ({ job }) => {
    const place = placeOf(job.practices.place);
    if (!place) return [];
    return [...flashing(job, place), ...counts(job, place), ...colours(job, place)].map((f) => ({
      ...f,
      why: `${f.why} Source: ${place.source}.`,
    }));
  },
};
