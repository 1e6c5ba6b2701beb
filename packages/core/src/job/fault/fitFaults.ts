import type { Fault } from "./fault.ts";
import type { HoleId, StepId } from "../ids.ts";
import type { Hole, HolePlacing } from "../record/fit.ts";
import type { Job } from "../job.ts";

const lacks = (path: string, what: string, id: string): Fault => ({
  path,
  message: `no ${what} with id "${id}" in this job`,
});

/**
 * The first circle in what comes after what: its members in order, the first again at the
 * end; null when there is none.
 */
export function circleIn(after: ReadonlyMap<string, readonly string[]>): string[] | null {
  const done = new Set<string>();
  const path: string[] = [];
  const visit = (id: string): string[] | null => {
    if (done.has(id)) return null;
    const at = path.indexOf(id);
    if (at >= 0) return [...path.slice(at), id];
    path.push(id);
    for (const next of after.get(id) ?? []) {
      const circle = visit(next);
      if (circle) return circle;
    }
    path.pop();
    done.add(id);
    return null;
  };
  for (const id of after.keys()) {
    const circle = visit(id);
    if (circle) return circle;
  }
  return null;
}

function mapFaults(job: Job): Fault[] {
  const { vehicle } = job;
  const places = new Set<string>(vehicle.places.map((p) => p.id));
  const at = (path: string, id: string): Fault[] =>
    id === "" || places.has(id) ? [] : [lacks(path, "place", id)];
  return [
    ...vehicle.segments.flatMap((segment, i): Fault[] => {
      const path = `vehicle.segments[${i}]`;
      return [
        ...at(`${path}.fromId`, segment.fromId),
        ...at(`${path}.toId`, segment.toId),
        ...(segment.fromId === segment.toId
          ? [
              {
                path: `${path}.toId`,
                message: `"${segment.toId}" is where it starts (needs another place)`,
              },
            ]
          : []),
        ...(segment.lengthM.low > 0
          ? []
          : [
              {
                path: `${path}.lengthM`,
                message: `invalid length: ${segment.lengthM.low} m at its lower bound (needs more than 0)`,
              },
            ]),
      ];
    }),
    ...job.strip.flatMap((step, i) =>
      step.covers.flatMap((id, k) => at(`strip[${i}].covers[${k}]`, id)),
    ),
    ...vehicle.connectors.flatMap((c, i) => at(`vehicle.connectors[${i}].at`, c.at)),
    ...job.lamps.flatMap((l, i) => at(`lamps[${i}].at`, l.at)),
    ...job.supplies.flatMap((s, i) => at(`supplies[${i}].at`, s.at)),
    ...job.controls.flatMap((c, i) => at(`controls[${i}].at`, c.at)),
    ...job.runs.flatMap((run, i) => [
      ...at(`runs[${i}].relayAt`, run.relayAt),
      ...at(`runs[${i}].switchAt`, run.switchAt),
      ...at(`runs[${i}].spliceAt`, run.spliceAt),
    ]),
  ];
}

function stripFaults(job: Job): Fault[] {
  const names = new Map<string, string>(job.strip.map((s) => [s.id, s.name]));
  const missing = job.strip.flatMap((step, i) =>
    step.after.flatMap((id: StepId, k): Fault[] =>
      names.has(id) ? [] : [lacks(`strip[${i}].after[${k}]`, "step", id)],
    ),
  );
  const circle = circleIn(new Map(job.strip.map((s) => [s.id, s.after])));
  const at = circle ? job.strip.findIndex((s) => s.id === circle[0]) : -1;
  const step = (path: string, id: string): Fault[] =>
    names.has(id) ? [] : [lacks(path, "step", id)];
  return [
    ...missing,
    ...(circle
      ? [
          {
            path: `strip[${at}].after`,
            message: `goes round in a circle: ${circle.map((id) => names.get(id) ?? id).join(" after ")} (one of them needs to come off first)`,
          },
        ]
      : []),
    ...job.fasteners.flatMap((f, i): Fault[] => [
      ...step(`fasteners[${i}].stepId`, f.stepId),
      ...(f.back <= f.count
        ? []
        : [
            {
              path: `fasteners[${i}].back`,
              message: `invalid count: ${f.back} back of ${f.count} (needs ${f.count} or fewer)`,
            },
          ]),
      ...(f.spots.length <= f.count
        ? []
        : [
            {
              path: `fasteners[${i}].spots`,
              message: `${f.spots.length} spots for ${f.count} fasteners (needs ${f.count} or fewer)`,
            },
          ]),
    ]),
    ...job.plugs.flatMap((p, i) => step(`plugs[${i}].stepId`, p.stepId)),
    ...job.photos.flatMap((p, i) => (p.stepId === "" ? [] : step(`photos[${i}].stepId`, p.stepId))),
  ];
}

/** Ids that a placing leans on, each with the field that names it. */
function leansOn(by: HolePlacing): readonly (readonly [field: string, id: string])[] {
  switch (by.kind) {
    case "between":
      return [
        ["fromId", by.fromId],
        ["toId", by.toId],
      ];
    case "from":
      return [["landmarkId", by.landmarkId]];
    case "edge":
    case "mirror":
      return [];
  }
}

function holeFaults(job: Job, hole: Hole, path: string): Fault[] {
  const { by, templateId } = hole;
  const landmarks = new Set<string>(
    job.landmarks.filter((l) => l.templateId === templateId).map((l) => l.id),
  );
  const others = new Set<string>(
    job.holes.filter((h) => h.templateId === templateId).map((h) => h.id),
  );
  return [
    ...(job.templates.some((t) => t.id === templateId)
      ? []
      : [lacks(`${path}.templateId`, "template", templateId)]),
    ...leansOn(by).flatMap(([field, id]) =>
      landmarks.has(id) ? [] : [lacks(`${path}.by.${field}`, "landmark on this panel", id)],
    ),
    ...(by.kind === "mirror" && !others.has(by.holeId)
      ? [lacks(`${path}.by.holeId`, "hole on this panel", by.holeId)]
      : []),
  ];
}

function panelFaults(job: Job): Fault[] {
  const templates = new Set<string>(job.templates.map((t) => t.id));
  const mirrors = new Map<string, readonly HoleId[]>(
    job.holes.map((h) => [h.id, h.by.kind === "mirror" ? [h.by.holeId] : []]),
  );
  const circle = circleIn(mirrors);
  return [
    ...job.landmarks.flatMap((l, i) =>
      templates.has(l.templateId)
        ? []
        : [lacks(`landmarks[${i}].templateId`, "template", l.templateId)],
    ),
    ...job.holes.flatMap((hole, i) => holeFaults(job, hole, `holes[${i}]`)),
    ...(circle
      ? [
          {
            path: `holes[${job.holes.findIndex((h) => h.id === circle[0])}].by.holeId`,
            message: "mirrors go round in a circle (one of the holes needs to be measured)",
          },
        ]
      : []),
  ];
}

/** What the shape of routes, ledger, templates and mounts cannot say. */
export function fitFaults(job: Job): Fault[] {
  const lamps = new Set<string>(job.lamps.map((l) => l.id));
  const mounts = new Set(job.mounts.map((m) => m.id));
  return [
    ...mapFaults(job),
    ...stripFaults(job),
    ...panelFaults(job),
    ...job.mounts.flatMap((m, i) =>
      lamps.has(m.lampId) ? [] : [lacks(`mounts[${i}].lampId`, "lamp", m.lampId)],
    ),
    ...job.aims.flatMap((aim, i) =>
      mounts.has(aim.mountId) ? [] : [lacks(`aims[${i}].mountId`, "lamp in place", aim.mountId)],
    ),
  ];
}
