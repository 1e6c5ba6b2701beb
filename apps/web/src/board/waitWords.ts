import type { JobOnBoardAnswer } from "@dragonet/contract";

type Kind = JobOnBoardAnswer["waiting"][number]["kind"];

/** Who or what a job waits for, in front of what it is. */
export const WAIT_WORDS: Readonly<Record<Kind, string>> = {
  part: "waits for a part",
  cold: "too cold",
  dark: "waits for dark",
  customer: "waits for the customer",
  measure: "to measure",
  other: "waits",
  stop: "stop",
};

/** The same to choose from. */
export const WAIT_CHOICES: readonly (readonly [string, string])[] = [
  ["", "whatever it waits for"],
  ["nothing", "waits for nothing"],
  ["stop", "a finding to stop for"],
  ["part", "a part"],
  ["customer", "the customer"],
  ["dark", "the dark"],
  ["cold", "warmer weather"],
  ["measure", "a measurement"],
  ["other", "something else"],
];
