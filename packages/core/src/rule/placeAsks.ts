import { programOf, type Job, type Lamp, type Run } from "../job/index.ts";
import { placeOf, type PlaceRules } from "../place/index.ts";
import type { Found, Rule } from "./finding.ts";

/** What a vehicle's factory rear has of each, unless it has no road lamps at all: common practice. */
const FACTORY = { rearPosition: 1, stop: 1, turnRear: 2 };
const ASK = "Advisory: ask your inspector before the vehicle goes on the road.";

const waits = (run: Run, ...inputs: string[]): boolean =>
  run.condition.anyOf.flat().some((t) => inputs.includes(t.input) && !t.negated);

function lampsOf(job: Job, test: (run: Run, lamp: Lamp) => boolean): Lamp[] {
  return job.lamps.filter((lamp) => {
    const run = job.runs.find((r) => r.id === lamp.runId);
    const part = job.parts.find((p) => p.id === lamp.partId);
    return run && part?.kind === "load" && part.family === "lamp" && test(run, lamp);
  });
}

const rear = (lamp: Lamp): boolean => lamp.place !== "front" && lamp.place !== "inside";

function counts(job: Job, place: PlaceRules): Found[] {
  const factory = job.vehicle.turn ? FACTORY : { rearPosition: 0, stop: 0, turnRear: 0 };
  const list = [
    {
      what: "rear position lamps",
      limit: place.rearPosition,
      lamps: lampsOf(job, (run, lamp) => rear(lamp) && waits(run, "park") && !waits(run, "brake")),
      factory: factory.rearPosition,
    },
    {
      what: "stop lamps",
      limit: place.stop,
      lamps: lampsOf(job, (run, lamp) => rear(lamp) && waits(run, "brake")),
      factory: factory.stop,
    },
    {
      what: "rear turn lamps",
      limit: place.turnRear,
      lamps: lampsOf(job, (run, lamp) => rear(lamp) && waits(run, "left", "right")),
      factory: (job.vehicle.turn?.bulbW.value ?? 0) > 0 ? factory.turnRear : 0,
    },
  ];
  return list.flatMap(({ what, limit, lamps, factory: there }): Found[] => {
    if (!limit || lamps.length === 0) return [];
    const count = lamps.length + there;
    if (count >= limit[0] && count <= limit[1]) return [];
    return [
      {
        rule: "place-asks",
        severity: "fix",
        place: { runId: lamps[0]!.runId, elementId: null, words: lamps[0]!.label },
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

function flashing(job: Job, place: PlaceRules): Found[] {
  if (place.brakeFlash === "allowed") return [];
  const lamps = lampsOf(job, (run, lamp) => {
    const part = job.parts.find((p) => p.id === lamp.partId);
    const own = part?.kind === "load" && part.behaviour && part.behaviour.flashes !== 0;
    const program = programOf(job, run);
    return waits(run, "brake") && (Boolean(own) || (program !== null && program.flashes !== 0));
  });
  return lamps.slice(0, 1).map((lamp): Found => ({
    rule: "place-asks",
    severity: place.brakeFlash === "refused" ? "stop" : "fix",
    place: { runId: lamp.runId, elementId: null, words: lamp.label },
    title:
      place.brakeFlash === "refused"
        ? `A stop lamp that flashes fails inspection under ${place.name}`
        : `A stop lamp that flashes is for the state to allow`,
    figures: [{ label: "stop lamp", value: "flashes", limit: "steady" }],
    why: `${ASK} A module whose pattern can be set to steady passes either way.`,
    remedies: [],
  }));
}

function colours(job: Job, place: PlaceRules): Found[] {
  const allowed = place.turnColours;
  if (!allowed) return [];
  return lampsOf(job, (run) => waits(run, "left", "right"))
    .filter((lamp) => {
      const part = job.parts.find((p) => p.id === lamp.partId);
      return part?.kind === "load" && !allowed.includes(part.light);
    })
    .slice(0, 1)
    .map((lamp): Found => ({
      rule: "place-asks",
      severity: "fix",
      place: { runId: lamp.runId, elementId: null, words: lamp.label },
      title: `Turn lamps of another colour than ${place.name} ask`,
      figures: [{ label: "colour", value: "other", limit: allowed.join(" or ") }],
      why: ASK,
      remedies: [],
    }));
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
