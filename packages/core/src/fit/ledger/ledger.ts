import {
  fastenerText,
  type Fastener,
  type Job,
  type StepId,
  type TeardownPlug,
  type TeardownStep,
} from "../../job/index.ts";
import { decimal } from "../../quantity/index.ts";

/**
 * Steps in an order in which they can come off: what others wait for first, otherwise as
 * they were written down. Steps in a circle are left out; the document's check names them.
 */
export function stripOrder(steps: readonly TeardownStep[]): TeardownStep[] {
  const placed = new Set<StepId>();
  const order: TeardownStep[] = [];
  for (;;) {
    const next = steps.find((s) => !placed.has(s.id) && s.after.every((id) => placed.has(id)));
    if (!next) return order;
    placed.add(next.id);
    order.push(next);
  }
}

/** A panel off and on again that nobody has timed yet, min: common practice. */
const PANEL_MIN = 5;

/** What a step is thought to take off and on again, min: its estimate, or what is usual. */
export const estimatedMin = ({ estimateMin }: TeardownStep): number => estimateMin || PANEL_MIN;

/** Fasteners that come out at a step. */
export const fastenersOf = (job: Job, stepId: StepId): Fastener[] =>
  job.fasteners.filter((f) => f.stepId === stepId);
/** Plugs that are parted at a step. */
export const plugsOf = (job: Job, stepId: StepId): TeardownPlug[] =>
  job.plugs.filter((p) => p.stepId === stepId);

/** Steps that had to wait for this one: they go back before it. */
export const waitingFor = (job: Job, stepId: StepId): TeardownStep[] =>
  job.strip.filter((s) => s.after.includes(stepId));

/** What it waits for of taking a step off; empty when it may come off. */
export function notOffYet(job: Job, step: TeardownStep): string[] {
  const before = job.strip.filter((s) => step.after.includes(s.id) && s.state !== "off");
  return [
    ...before.map((s) => `${s.name} comes off first`),
    ...plugsOf(job, step.id)
      .filter((p) => !p.parted)
      .map((p) => `part the plug: ${p.name}${p.where === "" ? "" : `, ${p.where}`}`),
  ];
}

/** What it waits for of calling a step back on; empty when all is accounted for. */
export function notBackYet(job: Job, step: TeardownStep): string[] {
  return [
    ...waitingFor(job, step.id)
      .filter((s) => s.state === "off")
      .map((s) => `${s.name} goes on first`),
    ...plugsOf(job, step.id)
      .filter((p) => p.parted && !p.joined)
      .map((p) => `plug still apart: ${p.name}`),
    ...fastenersOf(job, step.id)
      .filter((f) => f.back < f.count)
      .map((f) => `${f.count - f.back} of ${f.count} still out: ${fastenerText(f)}`),
  ];
}

/** How tight a fastener goes. A plastic panel without a torque: common practice. */
export const tightText = (f: Fastener): string =>
  f.torqueNm > 0
    ? `${decimal(f.torqueNm, 1)} N·m`
    : f.drive === "push"
      ? "pressed home"
      : "snug and a quarter turn";

const LOCKER_WORDS: Readonly<Record<Fastener["locker"], string>> = {
  none: "",
  medium: "medium thread locker, once the position is final",
  strong: "strong thread locker, once the position is final",
  grease: "greased, no locker",
};
/** What holds a fastener beside its torque, in words. */
export const lockerText = (f: Pick<Fastener, "locker">): string => LOCKER_WORDS[f.locker];

/** One step on the way back, with its lines in the order the hand needs them. */
export interface BackStep {
  readonly step: TeardownStep;
  readonly lines: readonly string[];
}

/** Putting back: the order of taking off, turned round, each step with what belongs to it. */
export function reassembly(job: Job): BackStep[] {
  return stripOrder(job.strip)
    .reverse()
    .map((step) => ({
      step,
      lines: [
        ...(step.forget === "" ? [] : [`not to forget: ${step.forget}`]),
        ...plugsOf(job, step.id).map(
          (p) => `join the plug: ${p.name}${p.where === "" ? "" : `, ${p.where}`}`,
        ),
        ...(step.catches === "" ? [] : [`catches: ${step.catches}`]),
        ...(step.hold ? ["heavy: one bolt by hand first, then the others"] : []),
        ...fastenersOf(job, step.id).map((f) =>
          [`${f.count} of ${fastenerText(f)}: ${tightText(f)}`, lockerText(f)]
            .filter((word) => word !== "")
            .join(", "),
        ),
      ],
    }));
}

/** What keeps a ledger from being closed: panels off, fasteners and plugs unaccounted for. */
export function notClosed(job: Job): string[] {
  return job.strip
    .filter((s) => s.state === "off")
    .flatMap((s) => {
      const open = notBackYet(job, s);
      return open.length === 0
        ? [`${s.name}: everything is in, call it back on`]
        : open.map((words) => `${s.name}: ${words}`);
    });
}

/** Minutes taken against those that were estimated, for the steps whose time is known. */
export function timeTaken(job: Job): { readonly tookMin: number; readonly estimateMin: number } {
  const known = job.strip.filter((s) => s.tookMin > 0);
  return {
    tookMin: known.reduce((sum, s) => sum + s.tookMin, 0),
    estimateMin: known.reduce((sum, s) => sum + s.estimateMin, 0),
  };
}
