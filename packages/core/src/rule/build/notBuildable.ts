import { ownerName } from "../../job/index.ts";
import type { SynthesisIssue } from "../../circuit/index.ts";
import type { Rule, Severity } from "../finding.ts";

const TITLES: Readonly<Record<SynthesisIssue["kind"], string>> = {
  tapUnknown: "No wire known to trigger it",
  conditionNotBuildable: "Condition needs more than one relay",
  noLoads: "Nothing on this circuit",
  loadAboveLadder: "Too much for one fuse",
  noSource: "Nothing to feed it from",
  notInSeries: "These lamps do not share a voltage",
  returnNotPossible: "Not returned as it was asked for",
  feedNotUsed: "Not fed from what was chosen",
  plugNotPossible: "No factory plug to go into",
  wireNowhere: "A wire that ends nowhere",
};

const WHY: Readonly<Record<SynthesisIssue["kind"], string>> = {
  tapUnknown:
    "Find the wire with a meter, write it into the connector map with who found it, and it is there for next time.",
  conditionNotBuildable:
    "The circuit shown follows the first signal only. Split the circuit, or choose a simpler condition.",
  noLoads: "Pick a lamp from the shelf, or remove the circuit.",
  loadAboveLadder: "Split it into two circuits, each with a fuse of its own.",
  noSource:
    "Add a converter, a battery of its own, or feed it from the pack, then choose that as its feed.",
  feedNotUsed:
    "What carries the load decides where its volts come from: let a relay carry it, or feed both from the same.",
  plugNotPossible:
    "What is plugged in takes the place of a factory lamp, fuse and wire included. Here the plan splices it instead.",
  wireNowhere:
    "The circuit has changed since this was said of the wire, or the harness is made for another: take it back, or say which wire it is now.",
  returnNotPossible:
    "The plan does what works instead, and says so: choose a wire of its own or a ground block, or tie that negative to the frame.",
  notInSeries:
    "A switching driver takes more current as its voltage falls, so in a string one lamp takes all of it and the others go out. Lamps of dies and resistors, or bulbs, may stand in series.",
};

const SEVERITIES: Readonly<Partial<Record<SynthesisIssue["kind"], Severity>>> = {
  noLoads: "note",
  returnNotPossible: "fix",
  plugNotPossible: "fix",
  wireNowhere: "fix",
};

const severityOf = (kind: SynthesisIssue["kind"]): Severity => SEVERITIES[kind] ?? "stop";

/** Whatever synthesis could not do is said here, so that no run is silently incomplete. */
export const notBuildable: Rule = {
  id: "not-buildable",
  source: "common practice",
  check: ({ job, circuit }) =>
    circuit.gaps.map((gap) => {
      return {
        rule: "not-buildable",
        severity: severityOf(gap.kind),
        place: {
          runId: gap.runId,
          elementId: null,
          words: `${ownerName(job, gap.runId)}: ${gap.detail}`,
        },
        title: TITLES[gap.kind],
        figures: [],
        why: WHY[gap.kind],
        remedies: [],
      };
    }),
};
