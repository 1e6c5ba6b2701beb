import { STAGES, type Stage } from "@dragonet/core";

export const STAGE_WORDS: Readonly<Record<Stage, string>> = {
  intake: "Intake",
  budget: "Budget",
  circuit: "Circuit",
  signals: "Signals",
  fit: "Fit",
  prove: "Prove",
  aim: "Aim",
  handOver: "Hand over",
};

export const stageNumber = (stage: Stage): number => STAGES.indexOf(stage) + 1;
