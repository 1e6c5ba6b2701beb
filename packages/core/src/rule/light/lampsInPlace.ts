import { lopsided, rightOf, wrongHanded } from "../../fit/index.ts";
import type { Job, Lamp, Mount } from "../../job/index.ts";
import { placeOf, type LampKindRules, type PlaceRules } from "../../place/index.ts";
import { present } from "../../present/index.ts";
import { decimal } from "../../quantity/index.ts";
import { isTwoTrack } from "../../vehicle/index.ts";
import { lampKindOf } from "./lampKind.ts";
import type { Found, Rule } from "../finding.ts";

const ASK = "Advisory: ask your inspector before the vehicle goes on the road.";

interface Placed {
  readonly lamp: Lamp;
  readonly mount: Mount;
}

const placed = (job: Job): Placed[] =>
  job.mounts.flatMap((mount) => {
    const lamp = job.lamps.find((l) => l.id === mount.lampId);
    return lamp ? [{ lamp, mount }] : [];
  });

const found = (
  lamp: Lamp,
  fields: Pick<Found, "severity" | "title" | "why"> & Partial<Found>,
): Found => ({
  rule: "lamps-in-place",
  place: { runId: lamp.runId, elementId: null, words: lamp.label },
  figures: [],
  remedies: [],
  ...fields,
});

function heights(list: readonly Placed[], rules: LampKindRules, name: string): Found[] {
  return list.flatMap(({ lamp, mount }) => {
    const [low, high] = rules.heightM;
    const h = mount.heightM;
    if (h.value >= low && h.value <= high) return [];
    return [
      found(lamp, {
        severity: "fix",
        title: `${lamp.label} ${h.value < low ? "too low" : "too high"} for ${name}`,
        figures: [
          {
            label: "height",
            value: `${decimal(h.value * 1000, 0)} mm`,
            limit: `${decimal(low * 1000, 0)} to ${decimal(high * 1000, 0)} mm`,
          },
        ],
        why: ASK,
      }),
    ];
  });
}

/** Lamps of one end of the vehicle, told apart by its middle. */
function spacing(
  list: readonly Placed[],
  rules: LampKindRules,
  name: string,
  lengthM: number,
): Found[] {
  const ends = [
    { least: rules.apartFrontM, at: list.filter((p) => p.mount.backM.value < lengthM / 2) },
    { least: rules.apartRearM, at: list.filter((p) => p.mount.backM.value >= lengthM / 2) },
  ];
  return ends.flatMap(({ least, at }) => {
    const [left, right] = [
      at.filter((p) => p.mount.side === "left"),
      at.filter((p) => p.mount.side === "right"),
    ];
    const [a, b] = [left[0], right[0]];
    if (least === null || !a || !b) return [];
    const apart = Math.min(
      ...left.flatMap((l) => right.map((r) => rightOf(r.mount) - rightOf(l.mount))),
    );
    if (apart >= least - 1e-9) return [];
    return [
      found(a.lamp, {
        severity: "fix",
        title: `${a.lamp.label} and ${b.lamp.label} too close for ${name}`,
        figures: [
          {
            label: "apart",
            value: `${decimal(apart * 1000, 0)} mm`,
            limit: `at least ${decimal(least * 1000, 0)} mm`,
          },
        ],
        why: ASK,
      }),
    ];
  });
}

function edges(
  list: readonly Placed[],
  rules: LampKindRules,
  name: string,
  widthM: number,
): Found[] {
  const most = rules.edgeM;
  if (most === null || widthM <= 0) return [];
  return list.flatMap(({ lamp, mount }) => {
    if (mount.side === "centre") return [];
    const edge = widthM / 2 - mount.outM.value;
    return edge <= most
      ? []
      : [
          found(lamp, {
            severity: "fix",
            title: `${lamp.label} too far from the vehicle's edge for ${name}`,
            figures: [
              {
                label: "to the edge",
                value: `${decimal(edge * 1000, 0)} mm`,
                limit: `at most ${decimal(most * 1000, 0)} mm`,
              },
            ],
            why: ASK,
          }),
        ];
  });
}

function asked(job: Job, place: PlaceRules): Found[] {
  const { lengthM, widthM } = job.vehicle.size;
  return place.lamps.flatMap((rules) => {
    const own = placed(job).filter(({ lamp }) => lampKindOf(job, lamp) === rules.kind);
    const why = (f: Found): Found => ({ ...f, why: `${f.why} Source: ${place.source}.` });
    return [
      ...heights(own, rules, place.name),
      ...(lengthM.value > 0 ? spacing(own, rules, place.name, lengthM.value) : []),
      ...(isTwoTrack(job.vehicle.kind) ? edges(own, rules, place.name, widthM.value) : []),
    ].map(why);
  });
}

/** Brackets for the other side, pairs that do not mirror, and what the place asks of positions. */
export const lampsInPlace: Rule = {
  id: "lamps-in-place",
  source: "UN R53, R48; 49 CFR 571.108 (from memory), as data; common practice for brackets",
  check: ({ job }) => {
    const place = placeOf(job.practices.place);
    const label = (id: string): Lamp =>
      present(
        job.lamps.find((l) => l.id === id),
        `lamp ${id}`,
      );
    return [
      ...wrongHanded(job).map((mount) =>
        found(label(mount.lampId), {
          severity: "fix",
          title: `A bracket for the ${mount.hand} on the ${mount.side}`,
          why: "Mirror-image brackets look alike on the bench. Look whether the pair is swapped before anything is drilled.",
        }),
      ),
      ...lopsided(job).map(({ left, right, outM, heightM, backM }) =>
        found(left, {
          severity: "note",
          title: `${left.label} and ${right.label} do not mirror each other`,
          figures: [
            { label: "out", mm: Math.round(outM * 1000) },
            { label: "height", mm: Math.round(heightM * 1000) },
            { label: "back", mm: Math.round(backM * 1000) },
          ].flatMap(({ label, mm }) =>
            mm === 0 ? [] : [{ label, value: `${decimal(mm, 0)} mm apart`, limit: "10 mm" }],
          ),
          why: "Measured from the centreline and from the ground; the eye sees a centimetre.",
        }),
      ),
      ...(place ? asked(job, place) : []),
    ];
  },
};
