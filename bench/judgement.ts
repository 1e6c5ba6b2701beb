import { judge, referenceJobs, type Judged } from "@dragonet/core/demo";

/** Picks of ordinary jobs beside the ranges that a master would accept. */
export const benchJudgement = (): Judged[] => referenceJobs().map(judge);
