/** How one answer or one hidden fault went. */
export interface TrainingResult {
  /** What it was about: a drill's kind, or a kind of fault. */
  readonly topic: string;
  readonly right: boolean;
  /** Moment, ISO 8601. */
  readonly at: string;
}

/** A result as the shop keeps it. */
export interface TrainingRecord extends TrainingResult {
  /** Of a hidden fault, 0 to 100; null of a drill. */
  readonly score: number | null;
  /** The question, or the fault that it was. */
  readonly about: string;
}

/** How somebody does in one topic. */
export interface TopicProgress {
  readonly topic: string;
  readonly right: number;
  readonly wrong: number;
  /** Right in a row, up to the last box. */
  readonly box: number;
  /** From when on it is asked again, ISO 8601. */
  readonly due: string;
}

/** Days until a topic is asked again, by how often it was right in a row: Leitner's boxes (m). */
const BOX_DAYS = [0, 1, 3, 7, 14, 30] as const;
const DAY_MS = 86_400_000;

/** What somebody knows by now, each topic once: what was wrong last comes back at once. */
export function progressOf(results: readonly TrainingResult[]): TopicProgress[] {
  const byTopic = new Map<string, TrainingResult[]>();
  for (const result of results) {
    const list = byTopic.get(result.topic);
    if (list) list.push(result);
    else byTopic.set(result.topic, [result]);
  }
  return [...byTopic].map(([topic, list]) => {
    const inOrder = list.toSorted((a, b) => (a.at < b.at ? -1 : 1));
    let box = 0;
    for (const { right } of inOrder) box = right ? Math.min(box + 1, BOX_DAYS.length - 1) : 0;
    const last = inOrder.at(-1)?.at ?? "";
    const due = new Date(Date.parse(last) + (BOX_DAYS[box] ?? 0) * DAY_MS).toISOString();
    const right = list.filter((r) => r.right).length;
    return { topic, right, wrong: list.length - right, box, due };
  });
}

/** How much a topic wants to be asked: what is due and low first, what is new between them. */
export function wantOf(topic: string, progress: readonly TopicProgress[], now: Date): number {
  const known = progress.find((p) => p.topic === topic);
  if (!known) return 2;
  if (known.due > now.toISOString()) return 0.1;
  return 1 + (BOX_DAYS.length - known.box);
}

/** How far somebody is, as the owner sees it. */
export interface Apprentice {
  readonly id: string;
  readonly name: string;
  readonly results: number;
  /** Mean score of hidden faults, 0 to 100; null where none was tried. */
  readonly meanScore: number | null;
  readonly topics: readonly TopicProgress[];
  /** Moment, ISO 8601; "" where there is none. */
  readonly lastAt: string;
}

/** How somebody does in training, by their results. */
export function apprenticeOf(
  { id, name }: Pick<Apprentice, "id" | "name">,
  records: readonly TrainingRecord[],
): Apprentice {
  const scores = records.flatMap(({ score }) => (score === null ? [] : [score]));
  const sum = scores.reduce((total, score) => total + score, 0);
  return {
    ...{ id, name, results: records.length, topics: progressOf(records) },
    meanScore: scores.length === 0 ? null : Math.round(sum / scores.length),
    lastAt: records.reduce((last, { at }) => (at > last ? at : last), ""),
  };
}
