import { decimal, readsAbove } from "../../quantity/index.ts";
import { elementsOf } from "../../circuit/index.ts";
import { type Job, type Run } from "../../job/index.ts";
import { builtRuns, placeOfRun, type Found, type Rule } from "../finding.ts";
import { ownFeed } from "../source/ownFeed.ts";

/** What the loads that a run's lamps take the place of drew, in A. */
function freedA(job: Job, run: Run): number {
  const replaced = new Set(job.lamps.filter((l) => l.runId === run.id).map((l) => l.replaces));
  const gone = job.vehicle.baseLoads.filter((load) => replaced.has(load.id));
  return gone.reduce((sum, load) => sum + load.currentA.value, 0);
}

export const tapOverLimit: Rule = {
  id: "tap-over-limit",
  source: "common practice",
  check: (context) =>
    builtRuns(context).flatMap(({ run, made }) => {
      const found: Found[] = [];
      // What a replaced lamp drew is free again for the one in its place.
      const freed = made.factoryFused ? freedA(context.job, run) : 0;
      if (
        made.source.kind === "pin" &&
        readsAbove(made.drawA.mid, made.source.pin.mayGiveA.low + freed)
      ) {
        const { pin } = made.source;
        const sure = made.drawA.mid > pin.mayGiveA.high + freed;
        found.push({
          rule: "tap-over-limit",
          severity: sure ? "stop" : "fix",
          place: placeOfRun(run, made.out[0] ?? null, pin.carries),
          title: sure
            ? "More than the factory wire may give"
            : "Perhaps more than the factory wire may give",
          figures: [
            {
              label: "draw",
              value: `${decimal(made.drawA.mid)} A`,
              limit: `at most ${decimal(pin.mayGiveA.low + freed)}–${decimal(pin.mayGiveA.high + freed)} A`,
            },
          ],
          why: "A factory outlet or lamp wire is sized for what hangs on it already.",
          remedies: ownFeed(context.job, run, "yes"),
        });
      }
      for (const lane of made.coil?.lanes ?? []) {
        const [tap] = elementsOf(context.circuit, lane.ids, "tap");
        const [coil] = elementsOf(context.circuit, lane.ids, "coil");
        if (!tap || !coil) continue;
        const amps = (context.engineOff?.sourceV ?? 0) / coil.part.coilOhm.low;
        if (readsAbove(amps, tap.pin.mayGiveA.low, 2)) {
          found.push({
            rule: "tap-over-limit",
            severity: "fix",
            place: placeOfRun(run, tap.id, tap.pin.carries),
            title: "The trigger wire may not give enough for a coil",
            figures: [
              {
                label: "coil",
                value: `${decimal(amps, 2)} A`,
                limit: `at most ${decimal(tap.pin.mayGiveA.low, 2)} A`,
              },
            ],
            why: "Electronic outputs and monitored lamp wires allow less than a relay's coil takes.",
            remedies: [],
          });
        }
      }
      return found;
    }),
};
