import { FEED_WAYS, type Job, type QuoteOption } from "../job/index.ts";
import type { LoadPart, Part } from "../part/index.ts";

/** An option that nobody has put into the quote yet. */
export type Suggested = Omit<QuoteOption, "id">;

/** Most other parts that are suggested for one. */
const MOST_PARTS = 2;

const isLoad = (part: Part): part is LoadPart => part.kind === "load";

/** How much more or less a lamp may draw and still count as another of its sort. */
const ALIKE = 2;

const wattsOf = ({ load }: LoadPart): number =>
  "powerW" in load ? load.powerW.value : "lengthM" in load ? load.lengthM : 1;

function isAlike(a: LoadPart, b: LoadPart): boolean {
  const ratio = wattsOf(a) / wattsOf(b);
  return (
    a.family === b.family &&
    a.light === b.light &&
    a.load.kind === b.load.kind &&
    (a.dim === null) === (b.dim === null) &&
    (a.behaviour === null) === (b.behaviour === null) &&
    a.lights.length === b.lights.length &&
    ratio <= ALIKE &&
    ratio >= 1 / ALIKE
  );
}

/** Other lamps of the same sort that the shelf has at another price, the nearest first. */
function othersLike(part: LoadPart, job: Job, shelf: readonly Part[]): LoadPart[] {
  const known = new Map([...shelf, ...job.parts].filter(isLoad).map((p) => [p.id, p]));
  return [...known.values()]
    .filter((p) => p.id !== part.id && isAlike(p, part) && p.price > 0 && p.price !== part.price)
    .sort((a, b) => Math.abs(a.price - part.price) - Math.abs(b.price - part.price))
    .slice(0, MOST_PARTS);
}

/**
 * Options worth showing a customer: without one of several circuits, with another lamp of the
 * same sort, and on a pack vehicle fed another way. What each comes to is for the engine to say.
 */
export function suggestOptions(job: Job, shelf: readonly Part[]): Suggested[] {
  const leave =
    job.runs.length < 2
      ? []
      : job.runs.map((run): Suggested => ({
          name: `Without ${run.name}`,
          changes: [{ kind: "leaveOut", runId: run.id }],
        }));
  const used = new Set(job.lamps.map((l) => l.partId));
  const parts = job.parts
    .filter(isLoad)
    .filter((p) => used.has(p.id) && p.family === "lamp")
    .flatMap((part) =>
      othersLike(part, job, shelf).map((instead): Suggested => ({
        name: `${instead.name} for ${part.name}`,
        changes: [{ kind: "otherPart", partId: part.id, insteadId: instead.id }],
      })),
    );
  const ways =
    job.vehicle.system.kind === "engine"
      ? []
      : job.runs.flatMap((run) =>
          FEED_WAYS.map((way): Suggested => ({
            name: `${run.name}: ${WAY_WORDS[way]}`,
            changes: [{ kind: "way", runId: run.id, way }],
          })),
        );
  return [...parts, ...ways, ...leave];
}

const WAY_WORDS = {
  converter: "by a converter on the whole pack",
  series: "in series on the whole pack",
  block: "from a tapped block",
  battery: "from a battery of its own",
} as const;
