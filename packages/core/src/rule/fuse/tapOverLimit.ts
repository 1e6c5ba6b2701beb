import { itemAt } from "../../present/index.ts";
import { decimal, readsAbove } from "../../quantity/index.ts";
import {
  elementsOf,
  type Circuit,
  type CoilElement,
  type TapElement,
} from "../../circuit/index.ts";
import {
  ownerName,
  setSupply,
  type ElementId,
  type Job,
  type LightingCircuit,
  type Supply,
} from "../../job/index.ts";
import { inputShare, ownerOf } from "../../synthesis/index.ts";
import { isUnfound, type ConnectorPin } from "../../vehicle/index.ts";
import {
  builtCircuits,
  placeOfCircuit,
  type Found,
  type Place,
  type Remedy,
  type Rule,
  type RuleContext,
} from "../finding.ts";
import { ownFeed } from "../source/ownFeed.ts";

/** What the loads that a run's lamps take the place of drew, in A. */
function freedA(job: Job, run: LightingCircuit): number {
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
    ...circuit.feeders.map((feeder) => feeder.gate),
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
    const feed = circuit.feeders.find((t) => t.kind === "controlFeed" && t.shared.includes(tap.id));
    const ownerId = feed?.ownerId ?? itemAt(on, 0).runId;
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

/** Something that a factory wire feeds by itself. */
interface Consumer {
  readonly name: string;
  readonly pin: ConnectorPin;
  readonly amps: number;
  /** What it takes the place of drew. */
  readonly freedA: number;
  readonly place: Place;
  readonly remedies: readonly Remedy[];
}

/** Supplies that hang on a factory wire are better off on the battery: live with the key, where that wire was not live always. */
function offTheWire({ vehicle }: Job, supply: Supply, pin: ConnectorPin): Remedy[] {
  if (vehicle.system.kind === "pack") return [];
  const keyed = pin.liveWhen !== "always" && supply.gate === "always";
  return [
    {
      label: `Feed it from the battery with its own fuse${keyed ? ", live when the key is on" : ""}`,
      edits: [
        setSupply(supply.id, "feed", { kind: "battery" }),
        ...(keyed ? [setSupply(supply.id, "gate", "key")] : []),
      ],
    },
  ];
}

/** Circuits and supplies that factory wires feed: converters by what they take, not by what they give. */
function consumersOf(context: RuleContext): Consumer[] {
  const { job, circuit } = context;
  const runs = builtCircuits(context).flatMap(({ run, made }): Consumer[] =>
    made.source.kind === "pin"
      ? [
          {
            ...{ name: run.name, pin: made.source.pin, amps: made.drawA.mid },
            // What a replaced lamp drew is free again for the one in its place.
            freedA: made.factoryFused ? freedA(job, run) : 0,
            place: placeOfCircuit(run, made.out[0] ?? null, made.source.pin.carries),
            remedies: ownFeed(job, run, "yes"),
          },
        ]
      : [],
  );
  const feeders = circuit.feeders.flatMap(({ kind, ownerId, name, source, drawA }): Consumer[] => {
    if (source.kind !== "pin" || kind === "controlFeed") return [];
    const supply = job.supplies.find((s) => ownerOf(s.id) === ownerId);
    const part = job.parts.find((p) => p.id === supply?.partId);
    const share = supply && part?.kind === "converter" ? inputShare(job, supply, part) : 1;
    return [
      {
        ...{ name, pin: source.pin, amps: drawA.mid * share, freedA: 0 },
        place: { runId: ownerId, elementId: null, words: `${name}: ${source.pin.carries}` },
        remedies: supply ? offTheWire(job, supply, source.pin) : [],
      },
    ];
  });
  return [...runs, ...feeders];
}

/** More than a wire may give, of one thing on it or of several together; nothing where it gives it. */
function overLimit(on: readonly Consumer[]): Found | null {
  const first = itemAt(on, 0);
  const { low, high } = first.pin.mayGiveA;
  const amps = on.reduce((sum, { amps: own }) => sum + own, 0);
  const freed = on.reduce((sum, { freedA: own }) => sum + own, 0);
  if (!readsAbove(amps, low + freed)) return null;
  const sure = amps > high + freed;
  const together = on.length > 1 ? ` to ${on.map(({ name }) => name).join(" and ")} together` : "";
  return {
    rule: "tap-over-limit",
    severity: sure ? "stop" : "fix",
    place: first.place,
    title: `${sure ? "More" : "Perhaps more"} than the factory wire may give${together}`,
    figures: [
      {
        label: "draw",
        value: `${decimal(amps)} A`,
        limit: `at most ${decimal(low + freed)}–${decimal(high + freed)} A`,
      },
    ],
    why: "A factory outlet or lamp wire is sized for what hangs on it already.",
    remedies: first.remedies,
  };
}

/** Factory wires that feed more than they may. */
function loadsOnWires(context: RuleContext): Found[] {
  const byPin = new Map<ConnectorPin, Consumer[]>();
  for (const consumer of consumersOf(context)) {
    byPin.set(consumer.pin, [...(byPin.get(consumer.pin) ?? []), consumer]);
  }
  return [...byPin.values()].flatMap((on): Found[] => {
    const alone = on.flatMap((one) => overLimit([one]) ?? []);
    return alone.length > 0 || on.length < 2 ? alone : [overLimit(on) ?? []].flat();
  });
}

export const tapOverLimit: Rule = {
  id: "tap-over-limit",
  source: "common practice",
  check: (context) => [
    ...coilsTogether(context),
    ...loadsOnWires(context),
    ...builtCircuits(context).flatMap(({ run, made }) => {
      const found: Found[] = [];
      for (const lane of made.coil?.lanes ?? []) {
        const worked = coilOn(context.circuit, lane.ids);
        if (!worked) continue;
        const { tap, coil } = worked;
        const amps = coilA(context, tap, coil);
        if (readsAbove(amps, tap.pin.mayGiveA.low, 2)) {
          found.push({
            rule: "tap-over-limit",
            severity: "fix",
            place: placeOfCircuit(run, tap.id, tap.pin.carries),
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
