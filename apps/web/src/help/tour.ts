import { create } from "zustand";

/** One stop of the way through a job. */
export interface TourStep {
  readonly title: string;
  readonly text: string;
  /** Page of the job it is told on; "" for the board. */
  readonly at: "" | "circuit" | "prove" | "sheet" | "handOver";
}

export const TOUR: readonly TourStep[] = [
  {
    title: "The board",
    text: "Every vehicle in the shop by its stage, with what it waits for and what is next. Say a new one in a sentence above the list.",
    at: "",
  },
  {
    title: "The circuit",
    text: "Each line is a circuit from the source to its lamps and back, with the volts it will have. Press a part to see why it is so, and what else could be picked.",
    at: "circuit",
  },
  {
    title: "The proof",
    text: "Before one panel goes back: what to measure, what it should read, and what it means if it does not.",
    at: "prove",
  },
  {
    title: "The sheet",
    text: "What is taped to the lift: every wire by its flag, its length and both its ends.",
    at: "sheet",
  },
  {
    title: "The hand-over",
    text: "The quote before and the owner’s sheet after, with the name of who answers for it.",
    at: "handOver",
  },
];

interface TourState {
  /** Which step is told; null while nobody is led. */
  readonly step: number | null;
  begin(): void;
  go(step: number): void;
  end(): void;
}

/** Where somebody stands who is led through a job. */
export const useTour = create<TourState>((set) => ({
  step: null,
  begin: () => set({ step: 0 }),
  go: (step) => set({ step }),
  end: () => set({ step: null }),
}));
