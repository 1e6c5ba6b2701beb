import { useSearchParams } from "react-router";
import { STAGES, type Stage } from "@dragonet/core";

/** What of the board is looked at; the address holds it, so that it can be kept and sent. */
export interface BoardView {
  readonly words: string;
  /** Kind of thing that is waited for; "" for any job, "nothing" for those that nothing stands in the way of. */
  readonly waits: string;
  readonly bench: string;
  readonly stage: Stage | "";
  /** Only what was promised for before today. */
  readonly late: boolean;
}

const NAMES = { words: "q", waits: "waits", bench: "bench", stage: "stage", late: "late" } as const;

/** What of an address is meant; what it cannot mean is left out. */
export function readView(params: URLSearchParams): BoardView {
  const of = (name: keyof BoardView): string => params.get(NAMES[name]) ?? "";
  return {
    words: of("words"),
    waits: of("waits"),
    bench: of("bench"),
    stage: STAGES.find((stage) => stage === of("stage")) ?? "",
    late: of("late") === "1",
  };
}

/** A view as an address has it; "" for the whole board. */
export function printView(view: BoardView): string {
  const params = new URLSearchParams();
  for (const [field, name] of Object.entries(NAMES) as [keyof BoardView, string][]) {
    const value = view[field];
    if (value !== "" && value !== false) params.set(name, value === true ? "1" : value);
  }
  return params.toString();
}

export function useBoardView(): [BoardView, (change: Partial<BoardView>) => void] {
  const [params, setParams] = useSearchParams();
  const view = readView(params);
  return [view, (change) => setParams(printView({ ...view, ...change }), { replace: true })];
}

/** A view as the server is asked for it, on a day (ISO 8601). */
export function askedOf({ words, waits, bench, stage, late }: BoardView, today: string): string {
  const said = { q: words.trim(), waits, bench, stage, before: late ? today : "" };
  return new URLSearchParams(Object.entries(said).filter(([, value]) => value !== "")).toString();
}
