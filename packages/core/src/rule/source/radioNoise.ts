import type { Job, PlaceId } from "../../job/index.ts";
import { decimal } from "../../quantity/index.ts";
import { loadsOf, ownerOf } from "../../synthesis/index.ts";
import type { BaseLoad, MapPlace } from "../../vehicle/index.ts";
import { lampSite, supplySite } from "../../way/index.ts";
import type { Found, Place, Rule } from "../finding.ts";

/** So far from a radio and its aerial things that switch are kept, in m: common practice. */
const CLEAR_M = 1;

/** Something that chops current thousands of times a second, and where it sits. */
interface Switching {
  readonly name: string;
  readonly place: Place;
  readonly at: PlaceId | null;
}

/** Converters, and lamps whose driver is one; a strip of dies with resistors, or a bulb, is quiet. */
function switchingOf(job: Job): Switching[] {
  const supplies = job.supplies.flatMap((supply): Switching[] => {
    const part = job.parts.find((p) => p.id === supply.partId);
    if (part?.kind !== "converter") return [];
    const place = { runId: ownerOf(supply.id), elementId: null, words: supply.name };
    return [{ name: supply.name, place, at: supplySite(job, supply.at) }];
  });
  const lamps = job.runs.flatMap((run) =>
    loadsOf(job, run).flatMap(({ lamp, part }): Switching[] =>
      part.load.kind === "drivenLed" && !lamp.factory
        ? [
            {
              name: lamp.label,
              place: { runId: run.id, elementId: null, words: `${run.name}: ${lamp.label}` },
              at: lampSite(job, lamp),
            },
          ]
        : [],
    ),
  );
  return [...supplies, ...lamps];
}

const apartM = (a: MapPlace, b: MapPlace): number =>
  Math.hypot(a.backM - b.backM, a.rightM - b.rightM);

/** What a radio may hear of a job: the nearest thing that switches, or that nobody knows how near. */
function heardBy(job: Job, radio: BaseLoad): Found[] {
  const placed = (at: PlaceId | "" | null): MapPlace | undefined =>
    job.vehicle.places.find((p) => p.id === at);
  const own = placed(radio.at);
  const all = switchingOf(job).map((thing) => {
    const at = placed(thing.at);
    return { thing, m: own && at ? apartM(own, at) : null };
  });
  const near = all
    .flatMap(({ thing, m }) => (m !== null && m < CLEAR_M ? [{ thing, m }] : []))
    .sort((a, b) => a.m - b.m);
  const unknown = all.filter(({ m }) => m === null);
  const first = near[0]?.thing ?? unknown[0]?.thing;
  if (!first) return [];
  const nearest = near[0];
  const names = [...new Set((nearest ? near : unknown).map(({ thing }) => thing.name))];
  return [
    {
      rule: "radio-noise",
      severity: "note",
      place: first.place,
      title: `${radio.name} may hiss with the lights on`,
      figures: [
        nearest
          ? {
              label: `${first.name} from it`,
              value: `${decimal(nearest.m)} m`,
              limit: `${decimal(CLEAR_M)} m or more`,
            }
          : { label: "how far", value: "not said", limit: `${decimal(CLEAR_M)} m or more` },
      ],
      why: `${names.join(", ")} switch${names.length === 1 ? "es" : ""} many thousand times a second, and wires send it on. Keep them and their wires away from the radio and its aerial, cross the aerial's cable at a right angle, twist feed and return together, and clip a ferrite over both beside the converter or driver. Try it with the engine off, the squelch open and the lights on and off before anybody relies on it.`,
      remedies: [],
    },
  ];
}

/** Converters and LED drivers near a radio that somebody may need. */
export const radioNoise: Rule = {
  id: "radio-noise",
  source: "common practice",
  check: ({ job }) =>
    job.vehicle.baseLoads
      .filter(({ kind }) => kind === "radio")
      .flatMap((radio) => heardBy(job, radio)),
};
