import { addAt } from "./edit/makers.ts";
import type { CollectionName, Collections } from "./entities.ts";
import { itemOf } from "../present/index.ts";
import type { KitContent, KitPart } from "../part/index.ts";
import type { Vehicle } from "../vehicle/index.ts";
import { createKitSwitch, createCircuit, createSupply, firstFeed } from "./create.ts";
import type { Edit } from "./edit/edit.ts";
import { adoptPart } from "./edit/edits.ts";
import { asId } from "./ids.ts";
import type { Job } from "./job.ts";
import type { KitSwitch, Feed, Harness, Lamp, LightingCircuit, Supply } from "./record/wiring.ts";

/** Ids of a kit as they are in the job it is unboxed into. */
class Renamed {
  private readonly names = new Map<string, string>();

  constructor(
    taken: Iterable<string>,
    kit: KitContent,
    private readonly mint: () => string,
  ) {
    const used = new Set(taken);
    const lists = [kit.supplies, kit.controls, kit.runs, kit.lamps, kit.harnesses];
    for (const { id } of [...lists.flat(), ...kit.wireChoices]) {
      this.names.set(id, used.has(id) ? this.mint() : id);
      used.add(itemOf(this.names, id));
    }
  }

  of<T extends string>(id: T): T {
    return (this.names.get(id) ?? id) as T;
  }

  /** The part before the first dot of a wire's id is what it belongs to. */
  wire(id: string): string {
    const dot = id.indexOf(".");
    return dot < 0 ? id : `${this.of(id.slice(0, dot))}${id.slice(dot)}`;
  }
}

function feedOf(vehicle: Vehicle, feed: Feed, ids: Renamed): Feed {
  if (feed.kind === "supply") return { kind: "supply", supplyId: ids.of(feed.supplyId) };
  const { kind } = vehicle.system;
  const there =
    (feed.kind === "battery" && kind !== "pack") || (feed.kind === "pack" && kind !== "engine");
  return there ? feed : firstFeed(vehicle);
}

/** A kit's circuit on this vehicle: its lengths are the vehicle's, until tape or map say better. */
function runFor(
  vehicle: Vehicle,
  run: LightingCircuit,
  lamps: readonly Lamp[],
  ids: Renamed,
): LightingCircuit {
  const rear = lamps.filter((l) => l.runId === run.id && l.place === "rear").length;
  const end = rear * 2 > lamps.filter((l) => l.runId === run.id).length ? "rear" : "front";
  const { fuseAtM, feedM, loadM, controlM, tapM } = createCircuit(run.id, run.name, vehicle, end);
  return {
    ...run,
    ...{ fuseAtM, feedM, loadM, controlM, tapM },
    id: ids.of(run.id),
    feed: feedOf(vehicle, run.feed, ids),
    throughId: run.throughId === "" ? "" : ids.of(run.throughId),
    return: run.return === "chassis" && vehicle.system.kind === "pack" ? "wire" : run.return,
    ...{ relayAt: "", switchAt: "", spliceAt: "" },
  };
}

function supplyFor(vehicle: Vehicle, supply: Supply, ids: Renamed): Supply {
  const { fuseAtM, feedM } = createSupply(supply.id, supply.name, supply.partId, vehicle);
  const feed = feedOf(vehicle, supply.feed, ids);
  return { ...supply, fuseAtM, feedM, id: ids.of(supply.id), feed, at: "" };
}

function controlFor(vehicle: Vehicle, control: KitSwitch, ids: Renamed): KitSwitch {
  const { feedM } = createKitSwitch(control.id, control.name, control.inputs, vehicle);
  return {
    ...control,
    feedM,
    id: ids.of(control.id),
    housing: control.housing === "" ? "" : ids.of(control.housing),
    feed: feedOf(vehicle, control.feed, ids),
    at: "",
  };
}

/**
 * Everything that a kit brings into a job, in one press: the lines of its box for the check,
 * its parts, supplies, controls, circuits with their lamps, its harnesses and their wires. What
 * a job has under the same id gets a fresh one from `mint`. Two kits may be unboxed, or one twice.
 */
export function unbox(job: Job, kit: KitPart, mint: () => string): Edit[] {
  const { vehicle } = job;
  const { content } = kit;
  const taken = [job.supplies, job.controls, job.runs, job.lamps, job.harnesses, job.wireChoices];
  const ids = new Renamed(
    taken.flatMap((list) => list.map(({ id }): string => id)),
    content,
    mint,
  );
  const list = <E extends CollectionName, T>(
    entity: E,
    values: readonly T[],
    before: number,
    of: (value: T) => Collections[E],
  ): Edit[] => values.map((value, i) => addAt(entity, of(value), before + i));
  let withParts = job;
  const parts = content.parts.flatMap((part) => {
    const edits = adoptPart(withParts, part);
    withParts = { ...withParts, parts: [...withParts.parts.filter((p) => p.id !== part.id), part] };
    return edits;
  });
  return [
    ...list("kitItem", kit.items, job.kit.length, ({ name, count }) => ({
      ...{ id: mint(), name, needed: count, inBox: count },
    })),
    ...parts,
    ...list("supply", content.supplies, job.supplies.length, (s) => supplyFor(vehicle, s, ids)),
    ...list("control", content.controls, job.controls.length, (c) => controlFor(vehicle, c, ids)),
    ...list("run", content.runs, job.runs.length, (r) => runFor(vehicle, r, content.lamps, ids)),
    ...list("lamp", content.lamps, job.lamps.length, (lamp) => ({
      ...lamp,
      ...{ id: ids.of(lamp.id), runId: ids.of(lamp.runId), at: "", replaces: "" },
      housing: lamp.housing === "" ? "" : ids.of(lamp.housing),
    })),
    ...list("harness", content.harnesses, job.harnesses.length, (h) => ({
      ...{ ...unplugged(h), id: ids.of(h.id) },
    })),
    ...list("wireChoice", content.wireChoices, job.wireChoices.length, (choice) => ({
      ...choice,
      ...{ id: ids.of(choice.id), wire: ids.wire(choice.wire) },
      harnessId: choice.harnessId === "" ? "" : ids.of(choice.harnessId),
    })),
  ];
}

/** A harness out of its box: between which plugs of this vehicle it goes is still to be said. */
const unplugged = (harness: Harness): Harness => ({
  ...harness,
  joints: harness.joints.map((joint) => ({ ...joint, connectorId: "" })),
});

/** The circuits of a job as a kit would lay them out anywhere: bare of this vehicle's own wires. */
export function contentOf(job: Job): KitContent {
  const { vehicle, parts, supplies, controls, runs, lamps, harnesses, wireChoices } = job;
  const anywhere = (feed: Feed): Feed => (feed.kind === "pin" ? firstFeed(vehicle) : feed);
  const used = new Set<string>([
    ...supplies.map((s) => s.partId),
    ...lamps.map((l) => l.partId),
    ...controls.flatMap((c) => c.switchPartId ?? []),
    ...runs.flatMap((r) =>
      [r.switchPartId, r.relayPartId, r.connectorPartId].flatMap((x) => x ?? []),
    ),
  ]);
  return {
    parts: parts.flatMap((p) => (p.kind !== "kit" && used.has(p.id) ? [p] : [])),
    supplies: supplies.map((s) => ({ ...s, feed: anywhere(s.feed), at: asId("") })),
    controls: controls.map((c) => ({ ...c, feed: anywhere(c.feed), at: asId("") })),
    runs: runs.map((r) => ({
      ...{ ...r, feed: anywhere(r.feed), tapPinId: null },
      ...{ relayAt: "", switchAt: "", spliceAt: "" },
    })),
    lamps: lamps.map((l) => ({ ...l, at: "", replaces: "" })),
    harnesses: harnesses.map(unplugged),
    wireChoices,
  };
}
