import { decimal } from "../quantity/index.ts";
import type { Choice, ChoiceKind } from "../circuit/index.ts";
import {
  RETURN_CHOICES,
  adoptPart,
  applyEdits,
  pinFuse,
  pinRelay,
  pinWire,
  setCircuit,
  setSupply,
  type Edit,
  type Feed,
  type Job,
  type LightingCircuit,
  type CircuitId,
  type Supply,
} from "../job/index.ts";
import { BLADE_FUSE_RATINGS_A } from "../protection/index.ts";
import type { Part } from "../part/index.ts";
import { SEVERITIES, type Finding, type Severity } from "../rule/index.ts";
import { ownerOf, pinText, tapsFor } from "../synthesis/index.ts";
import { gaugesOf } from "../wire/index.ts";
import { signalsOf } from "../job/index.ts";
import { checkedCircuit, type CheckedCircuit } from "./planJob.ts";

/** One way to pin a decision, with what would come of it. */
export interface Alternative {
  readonly label: string;
  /** This is how it stands now. */
  readonly current: boolean;
  readonly edits: readonly Edit[];
  /** Gravest finding about this run if it were chosen; null when all is well. */
  readonly severity: Severity | null;
  readonly consequence: string;
}

interface Option {
  readonly label: string;
  readonly edits: readonly Edit[];
  readonly current: boolean;
}

/** The fuse and wire of a run or of a supply are pinned alike. */
interface Pinned {
  readonly fuse: LightingCircuit["fuse"];
  readonly wire: string | null;
  readonly setFuse: (fuse: LightingCircuit["fuse"]) => Edit;
  readonly setWire: (wire: string | null) => Edit;
}

const pinnedOf = (run: LightingCircuit): Pinned => ({
  fuse: run.fuse,
  wire: run.wire,
  setFuse: (fuse) => pinFuse(run.id, fuse),
  setWire: (wire) => pinWire(run.id, wire),
});

const pinnedOfSupply = (supply: Supply): Pinned => ({
  fuse: supply.fuse,
  wire: supply.wire,
  setFuse: (fuse) => setSupply(supply.id, "fuse", fuse),
  setWire: (wire) => setSupply(supply.id, "wire", wire),
});

function fuseOptions(pinned: Pinned): Option[] {
  const auto: Option = {
    label: "automatic",
    edits: [pinned.setFuse({ kind: "auto" })],
    current: pinned.fuse.kind === "auto",
  };
  const ratings = BLADE_FUSE_RATINGS_A.map((ratingA): Option => ({
    label: `${decimal(ratingA)} A`,
    edits: [pinned.setFuse({ kind: "rating", ratingA })],
    current: pinned.fuse.kind === "rating" && pinned.fuse.ratingA === ratingA,
  }));
  const breakers = [5, 10, 15, 20, 25, 30].map((ratingA): Option => ({
    label: `breaker of ${decimal(ratingA)} A that resets itself`,
    edits: [pinned.setFuse({ kind: "breaker", ratingA })],
    current: pinned.fuse.kind === "breaker" && pinned.fuse.ratingA === ratingA,
  }));
  const none: Option = {
    label: "no fuse",
    edits: [pinned.setFuse({ kind: "none" })],
    current: pinned.fuse.kind === "none",
  };
  return [auto, ...ratings, ...breakers, none];
}

function wireOptions(job: Job, pinned: Pinned): Option[] {
  return [
    { label: "automatic", edits: [pinned.setWire(null)], current: pinned.wire === null },
    ...gaugesOf(job.practices.wireSystem).map((gauge): Option => ({
      label: gauge.id,
      edits: [pinned.setWire(gauge.id)],
      current: pinned.wire === gauge.id,
    })),
  ];
}

function relayOptions(job: Job, run: LightingCircuit, shelf: readonly Part[]): Option[] {
  const choices = (
    [
      ["auto", "automatic"],
      ["yes", "relay"],
      ["no", "no relay"],
    ] as const
  ).map(([relay, label]): Option => ({
    label,
    edits: [pinRelay(run.id, relay)],
    current: run.relay === relay && (relay !== "yes" || run.relayPartId === null),
  }));
  const parts = shelf
    .filter((part) => part.kind === "relay")
    .map((part): Option => ({
      label: part.name,
      edits: [
        ...adoptPart(job, part),
        pinRelay(run.id, "yes"),
        setCircuit(run.id, "relayPartId", part.id),
      ],
      current: run.relayPartId === part.id,
    }));
  return [...choices, ...parts];
}

function switchOptions(job: Job, run: LightingCircuit, shelf: readonly Part[]): Option[] {
  const plain: Option = {
    label: "plain 10 A switch",
    edits: [setCircuit(run.id, "switchPartId", null)],
    current: run.switchPartId === null,
  };
  const parts = shelf
    .filter((part) => part.kind === "switch")
    .map((part): Option => ({
      label: part.name,
      edits: [...adoptPart(job, part), setCircuit(run.id, "switchPartId", part.id)],
      current: run.switchPartId === part.id,
    }));
  return [plain, ...parts];
}

function coilOptions(run: LightingCircuit): Option[] {
  const sides = (
    [
      ["practice", "automatic"],
      ["positive", "switch the positive"],
      ["negative", "switch the ground"],
    ] as const
  ).map(([coil, label]): Option => ({
    label,
    edits: [setCircuit(run.id, "coil", coil)],
    current: run.coil === coil,
  }));
  const ways = (
    [
      ["auto", "86 positive"],
      ["85", "85 positive"],
    ] as const
  ).map(([plus, label]): Option => ({
    label,
    edits: [setCircuit(run.id, "coilPlus", plus)],
    current: run.coilPlus === plus,
  }));
  return [...sides, ...ways];
}

function tapOptions(job: Job, run: LightingCircuit): Option[] {
  const signals = run.condition.anyOf.flatMap(signalsOf);
  return [
    {
      label: "surest wire",
      edits: [setCircuit(run.id, "tapPinId", null)],
      current: run.tapPinId === null,
    },
    ...signals.flatMap((signal) =>
      tapsFor(job, signal).flatMap(({ from, words }): Option[] => {
        // A switch of the kit is the surest there is: only wires of the vehicle are held to.
        if (from.kind !== "vehicle") return [];
        const { id } = from.pin;
        const edits = [setCircuit(run.id, "tapPinId", id)];
        return [{ label: words, edits, current: run.tapPinId === id }];
      }),
    ),
  ];
}

function feedOptions(job: Job, run: LightingCircuit): Option[] {
  const giving = job.vehicle.pins.filter(
    (pin) => pin.family !== "ground" && pin.mayGiveA.high > 0 && pin.liveWhen !== "ground",
  );
  const { system } = job.vehicle;
  const to = (label: string, feed: Feed): Option => ({
    label,
    edits: [setCircuit(run.id, "feed", feed)],
    current: JSON.stringify(run.feed) === JSON.stringify(feed),
  });
  const blocks = system.kind === "engine" ? 0 : system.pack.blocks;
  return [
    ...(system.kind === "pack" ? [] : [to("battery +", { kind: "battery" })]),
    ...job.supplies.map((s) => to(s.name, { kind: "supply", supplyId: s.id })),
    ...(system.kind === "engine" ? [] : [to("whole pack", { kind: "pack" })]),
    ...Array.from({ length: Math.max(0, blocks - 1) }, (_, i) =>
      to(`tap at ${i + 1} of ${blocks} blocks`, { kind: "block", blocks: i + 1 }),
    ),
    ...giving.map((pin): Option => ({
      label: pinText(job.vehicle, pin),
      edits: [setCircuit(run.id, "feed", { kind: "pin", pinId: pin.id })],
      current: run.feed.kind === "pin" && run.feed.pinId === pin.id,
    })),
  ];
}

function plugOptions(job: Job, run: LightingCircuit, shelf: readonly Part[]): Option[] {
  return [
    {
      label: "no plug",
      edits: [setCircuit(run.id, "connectorPartId", null)],
      current: run.connectorPartId === null,
    },
    ...shelf
      .filter((part) => part.kind === "connector")
      .map((part): Option => ({
        label: part.name,
        edits: [...adoptPart(job, part), setCircuit(run.id, "connectorPartId", part.id)],
        current: run.connectorPartId === part.id,
      })),
  ];
}

const RETURN_LABELS: Readonly<Record<LightingCircuit["return"], string>> = {
  chassis: "frame",
  wire: "wire of its own",
  block: "ground block",
};

const returnOptions = (run: LightingCircuit): Option[] =>
  RETURN_CHOICES.map((choice) => ({
    label: RETURN_LABELS[choice],
    edits: [setCircuit(run.id, "return", choice)],
    current: run.return === choice,
  }));

function optionsFor(
  job: Job,
  run: LightingCircuit,
  kind: ChoiceKind,
  shelf: readonly Part[],
): Option[] {
  switch (kind) {
    case "fuse":
      return fuseOptions(pinnedOf(run));
    case "wire":
      return wireOptions(job, pinnedOf(run));
    case "relay":
      return relayOptions(job, run, shelf);
    case "switch":
      return switchOptions(job, run, shelf);
    case "coil":
      return coilOptions(run);
    case "tap":
      return tapOptions(job, run);
    case "feed":
      return feedOptions(job, run);
    case "plug":
      return plugOptions(job, run, shelf);
    case "return":
      return returnOptions(run);
    case "splice":
      return [];
  }
}

function supplyOptions(job: Job, supply: Supply, kind: ChoiceKind): Option[] {
  if (kind === "fuse") return fuseOptions(pinnedOfSupply(supply));
  return kind === "wire" ? wireOptions(job, pinnedOfSupply(supply)) : [];
}

const choiceOf = (c: CheckedCircuit, runId: CircuitId, kind: ChoiceKind): Choice | undefined =>
  c.circuit.choices.find((x) => x.runId === runId && x.kind === kind);

/** Other decisions of the run that would change along with this one: "wire 18 AWG → 10 AWG". */
function ripples(
  now: CheckedCircuit,
  then: CheckedCircuit,
  runId: CircuitId,
  kind: ChoiceKind,
): string {
  return then.circuit.choices
    .filter((c) => c.runId === runId && c.kind !== kind)
    .flatMap((c) => {
      const before = choiceOf(now, runId, c.kind);
      return before && before.picked !== c.picked
        ? [`${c.kind} ${before.picked} → ${c.picked}`]
        : [];
    })
    .join("; ");
}

const same = (a: Finding, b: Finding): boolean => a.rule === b.rule && a.title === b.title;

/** Findings about a run that are not common to all alternatives: those that tell them apart. */
function telling(all: readonly (readonly Finding[])[], own: readonly Finding[]): Finding[] {
  return own
    .filter((f) => !all.every((list) => list.some((other) => same(f, other))))
    .sort((a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity));
}

/**
 * Every way to pin one decision of a run, each tried on the whole job: what the rules
 * would say, and what else would change. `shelf` offers parts the job has not used yet.
 */
export function alternatives(
  job: Job,
  runId: CircuitId,
  kind: ChoiceKind,
  shelf: readonly Part[],
): Alternative[] {
  const run = job.runs.find((r) => r.id === runId);
  const supply = job.supplies.find((s) => ownerOf(s.id) === runId);
  const options = run
    ? optionsFor(job, run, kind, shelf)
    : supply
      ? supplyOptions(job, supply, kind)
      : [];
  const now = checkedCircuit(job);
  const tried = options.flatMap((option) => {
    const edited = applyEdits(job, option.edits);
    if (!edited.ok) return [];
    const then = checkedCircuit(edited.job);
    return [{ option, then, own: then.findings.filter((f) => f.place.runId === runId) }];
  });
  const all = tried.map((t) => t.own);
  return tried.map(({ option, then, own }): Alternative => {
    const [finding] = telling(all, own);
    const text = finding
      ? `${finding.title} (${finding.place.words}).`
      : (choiceOf(then, runId, kind)?.reason ?? "");
    const along = ripples(now, then, runId, kind);
    return {
      label: option.label,
      current: option.current,
      edits: option.edits,
      severity: finding?.severity ?? null,
      consequence: along === "" ? text : `${text} Then ${along}.`,
    };
  });
}
