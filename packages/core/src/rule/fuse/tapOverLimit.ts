import { decimal, readsAbove } from "../../quantity/index.ts";
import {
  elementsOf,
  type Circuit,
  type CoilElement,
  type TapElement,
} from "../../circuit/index.ts";
import { ownerName, type ElementId, type Job, type Run } from "../../job/index.ts";
import { isUnfound } from "../../vehicle/index.ts";
import { builtRuns, placeOfRun, type Found, type Rule, type RuleContext } from "../finding.ts";
import { ownFeed } from "../source/ownFeed.ts";

/** What the loads that a run's lamps take the place of drew, in A. */
function freedA(job: Job, run: Run): number {
  const replaced = new Set(job.lamps.filter((l) => l.runId === run.id).map((l) => l.replaces));
  const gone = job.vehicle.baseLoads.filter((load) => replaced.has(load.id));
  return gone.reduce((sum, load) => sum + load.currentA.value, 0);
}

/** A lane's coil and the factory wire that works it; null for one that is fed from elsewhere. */
function coilOn(circuit: Circuit, ids: readonly ElementId[]) {
  const [tap] = elementsOf(circuit, ids, "tap");
  const [coil] = elementsOf(circuit, ids, "coil");
  // Of a wire that nobody has found nothing is known that it could give too little of.
  return tap && coil && !isUnfound(tap.pin) ? { tap, coil } : null;
}

/** What a coil takes at most, engine off, in A. */
function coilA({ engineOff }: RuleContext, tap: TapElement, coil: CoilElement): number {
  const volts = tap.pin.supply === "battery" ? (engineOff?.sourceV ?? 0) : coil.part.coilV;
  return volts / coil.part.coilOhm.low;
}

/** Wires that give enough for each coil on them, and not for all of them together. */
function coilsTogether(context: RuleContext): Found[] {
  const { circuit, job } = context;
  const lanes = [
    ...circuit.runs.flatMap((run) => run.coil?.lanes.map(({ ids }) => ids) ?? []),
    ...circuit.trunks.map((trunk) => trunk.gate),
  ];
  const byTap = new Map<TapElement, CoilElement[]>();
  for (const { tap, coil } of lanes.flatMap((ids) => coilOn(circuit, ids) ?? [])) {
    byTap.set(tap, [...(byTap.get(tap) ?? []), coil]);
  }
  return [...byTap].flatMap(([tap, on]): Found[] => {
    const coils = new Map(on.map((coil) => [coil.id, coilA(context, tap, coil)]));
    const { low, value, high } = tap.pin.mayGiveA;
    const total = [...coils.values()].reduce((sum, amps) => sum + amps, 0);
    const alone = [...coils.values()].some((amps) => readsAbove(amps, low, 2));
    if (coils.size < 2 || alone || !readsAbove(total, value, 2)) return [];
    const feed = circuit.trunks.find((t) => t.kind === "controlFeed" && t.shared.includes(tap.id));
    const ownerId = feed?.ownerId ?? on[0]!.runId;
    return [
      {
        rule: "tap-over-limit",
        severity: readsAbove(total, high, 2) ? "fix" : "note",
        place: {
          runId: ownerId,
          elementId: tap.id,
          words: `${ownerName(job, ownerId)}: ${tap.pin.carries}`,
        },
        title: `The trigger wire may not give enough for ${coils.size} coils`,
        figures: [
          {
            label: "coils together",
            value: `${decimal(total, 2)} A`,
            limit: `at most ${decimal(value, 2)} A`,
          },
        ],
        why: "It gives enough for one coil. Let it work one relay, and that relay's contact feed the coils of the others, or take channels with electronic inputs.",
        remedies: [],
      },
    ];
  });
}

export const tapOverLimit: Rule = {
  id: "tap-over-limit",
  source: "common practice",
  check: (context) => [
    ...coilsTogether(context),
    ...builtRuns(context).flatMap(({ run, made }) => {
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
        const worked = coilOn(context.circuit, lane.ids);
        if (!worked) continue;
        const { tap, coil } = worked;
        const amps = coilA(context, tap, coil);
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
  ],
};
