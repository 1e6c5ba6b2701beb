import { STAGES } from "@dragonet/core";
import { STAGE_WORDS, stageNumber } from "../job/stages.ts";

/** A page to go to, or a paper of the open job by its file. */
type Place = { readonly to: string } | { readonly paper: string };

/** Somewhere to go: by its words, and by others that people look for it with. */
export type Goal = Place & { readonly label: string; readonly words: string };

const PAGES: readonly Goal[] = [
  { to: "/", label: "Board", words: "jobs home benches" },
  { to: "/calendar", label: "Calendar", words: "plan benches promised late hours closed" },
  { to: "/shelf", label: "Shelf", words: "parts stock lamps relays" },
  { to: "/vehicles", label: "Vehicles", words: "profiles models" },
  { to: "/figures", label: "Figures", words: "hours charts comebacks sells" },
  { to: "/training", label: "Training", words: "drills hidden faults learn" },
  { to: "/help/shop", label: "Help", words: "how tour first steps stages words" },
  { to: "/settings", label: "Settings", words: "theme units people practices sessions archive" },
];

const WORDS: Readonly<Record<(typeof STAGES)[number], string>> = {
  intake: "facts vehicle wishes",
  budget: "charging current pack",
  circuit: "bench lamps wires proof faults",
  signals: "turn brake flash modules bus",
  fit: "strip route holes templates cut adhesive",
  prove: "test meter readings diagnose",
  aim: "wall marks light road beam",
  handOver: "quote offer owner sign",
};

/** Where one can go from here: the stages of the job that is open first. */
export function goalsOf(jobId: string | null): readonly Goal[] {
  if (jobId === null) return PAGES;
  const at = `/jobs/${jobId}`;
  return [
    ...STAGES.map((stage) => ({
      to: `${at}/${stage}`,
      label: `${stageNumber(stage)} ${STAGE_WORDS[stage]}`,
      words: WORDS[stage],
    })),
    { to: `${at}/sheet`, label: "Wiring sheet", words: "paper print labels" },
    { paper: "wiring-sheet.pdf", label: "Wiring sheet as PDF", words: "paper print" },
    { to: `${at}/history`, label: "History", words: "who changed restore" },
    ...PAGES,
  ];
}

/** Those that have every word of what was written. */
export function matching(goals: readonly Goal[], written: string): readonly Goal[] {
  const words = written.toLowerCase().split(/\s+/);
  return goals.filter((goal) => {
    const text = `${goal.label} ${goal.words}`.toLowerCase();
    return words.every((word) => text.includes(word));
  });
}

/** Letters of a name from which it is meant, and not something that has them somewhere. */
const LEAST = 3;

/** Whether somewhere to go is called by what was written: it goes before what merely has the words. */
export function isCalled(goals: readonly Goal[], written: string): boolean {
  const said = written.trim().toLowerCase();
  const names = goals.map(({ label }) => label.replace(/^\d+ /, "").toLowerCase());
  return said.length >= LEAST && names.some((name) => name.startsWith(said));
}
