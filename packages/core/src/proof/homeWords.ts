import type { FaultResult } from "./faults.ts";
import { getsHomeWords, type GetsHome } from "./getsHome.ts";

/** Whether a vehicle with a fault gets home, in a sentence: nobody is told to ride on with a wire that may burn. */
export const homeWords = (fault: GetsHome & Pick<FaultResult, "overheats" | "outcome">): string =>
  fault.outcome === "chatters"
    ? "A relay pulls in and lets go without end: its lamps flicker and its contacts burn."
    : fault.overheats === null
      ? getsHomeWords(fault)
      : "Do not ride on: disconnect the battery, and mend the wire before it is connected again.";
