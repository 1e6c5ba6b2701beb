import { itemAt } from "../../present/index.ts";
import {
  harnessOwner,
  setHarness,
  type Harness,
  type HarnessJoint,
  type Job,
} from "../../job/index.ts";
import { partedAt } from "../../synthesis/index.ts";
import type { Found, Rule } from "../finding.ts";

const connectorName = (job: Job, id: HarnessJoint["connectorId"]): string =>
  job.vehicle.connectors.find((c) => c.id === id)?.name ?? "a connector nobody has named";

const found = (
  harness: Harness,
  words: string,
  said: Pick<Found, "severity" | "title" | "why">,
  remedies: Found["remedies"] = [],
): Found => ({
  rule: "harness-joints",
  place: { runId: harnessOwner(harness), elementId: null, words: `${harness.name}: ${words}` },
  figures: [],
  remedies,
  ...said,
});

/** Plugs of one harness that nothing tells apart: each goes where the other should. */
function alike(job: Job, harness: Harness): Found[] {
  const byMark = new Map<string, HarnessJoint[]>();
  for (const joint of harness.joints) {
    const mark = joint.mark.trim().toLowerCase();
    byMark.set(mark, [...(byMark.get(mark) ?? []), joint]);
  }
  return [...byMark].flatMap(([mark, joints]): Found[] => {
    if (joints.length < 2) return [];
    const names = joints.map(({ connectorId }) => connectorName(job, connectorId));
    const marked = harness.joints.map((joint) =>
      joints.includes(joint) ? { ...joint, mark: connectorName(job, joint.connectorId) } : joint,
    );
    const apart = new Set(names).size === names.length;
    return [
      found(
        harness,
        names.join(", "),
        {
          severity: "fix",
          title: "Its plugs look alike",
          why: `${mark === "" ? "Nothing tells them apart" : `All of them are “${itemAt(joints, 0).mark}”`}: they go into each other's place, and left shows right. Mark them with tape or a sleeve before they go behind a panel, and write down how.`,
        },
        apart
          ? [
              {
                label: "Mark each by its connector",
                edits: [setHarness(harness.id, "joints", marked)],
              },
            ]
          : [],
      ),
    ];
  });
}

/** A harness between factory plugs has to be said whole: between which, and which is which. */
export const harnessJoints: Rule = {
  id: "harness-joints",
  source: "common practice",
  check: ({ job }) =>
    job.harnesses.flatMap((harness): Found[] => [
      ...harness.joints
        .filter(({ connectorId }) => connectorId === "")
        .slice(0, 1)
        .map(() =>
          found(harness, "a pair of plugs", {
            severity: "fix",
            title: "Between which plugs does it go?",
            why: "Nobody has said which connector of the vehicle it parts, so nothing is taken from it.",
          }),
        ),
      ...harness.joints.flatMap(({ connectorId }): Found[] => {
        const taker = connectorId === "" ? null : partedAt(job, connectorId);
        return taker && taker.harness.id !== harness.id
          ? [
              found(harness, connectorName(job, connectorId), {
                severity: "fix",
                title: `${taker.harness.name} is between these plugs already`,
                why: "Two harnesses one behind the other add four contacts to the factory's lamps, and the plan takes everything from the first. Take one away, or say where it really goes.",
              }),
            ]
          : [];
      }),
      ...alike(job, harness),
    ]),
};
