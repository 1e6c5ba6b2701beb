import { eachWith, type Plain } from "./plain.ts";

/** What a deviation of version 3 says beside the runs it lies between. */
const UNSAID = {
  wire: "",
  end: "from",
  otherWire: "",
  otherEnd: "from",
  at: "",
  otherAt: "",
  gaugeId: "",
};

/**
 * A job document of version 2 as one of version 3: deviations may name wires and terminals,
 * lamps may take the place of what the vehicle had. Every lamp so far was an added one.
 */
export const toVersion3 = (document: Plain): Plain => ({
  ...document,
  format: "dragonet-job/3",
  lamps: eachWith(document.lamps, { replaces: "" }),
  deviations: eachWith(document.deviations, UNSAID),
});
