import type { LAMP_JOINTS } from "@dragonet/core";

/** How a lamp joins, as it is chosen from a list. */
export const JOINT_WORDS: Readonly<Record<(typeof LAMP_JOINTS)[number], string>> = {
  splice: "spliced",
  plug: "by its own plug, into the factory’s",
  adapter: "by an adapter lead, plug to plug",
};
