import { itemAt } from "../../present/index.ts";
import { wiresOf } from "../../circuit/index.ts";
import {
  INPUTS,
  asId,
  setIn,
  setCircuit,
  type Condition,
  type KitSwitchId,
  type Feed,
  type Harness,
  type HarnessId,
  type Input,
  type Job,
  type Lamp,
  type CircuitId,
  type SupplyId,
  type WireChoice,
} from "../../job/index.ts";
import type { Part } from "../../part/index.ts";
import { measured } from "../../quantity/index.ts";
import { synthesise } from "../../synthesis/index.ts";
import type { ConnectorPin, Vehicle } from "../../vehicle/index.ts";
import { make, type FitMaker } from "./fitMaker.ts";
import { part } from "./jobMaker.ts";
import type { Chance } from "../randomNetwork.ts";
import { DEMO_SHELF } from "../shelf/shelf.ts";
import { DEMO_VEHICLES } from "../vehicles.ts";

const pickOf =
  (chance: Chance) =>
  <T>(list: readonly T[]): T =>
    itemAt(list, Math.floor(chance() * list.length));

/** Everything on a vehicle that something may be fed from. */
function feedsOf(vehicle: Vehicle, supplies: readonly string[]): Feed[] {
  const { system } = vehicle;
  const feeds: Feed[] = [];
  if (system.kind !== "pack") feeds.push({ kind: "battery" }, { kind: "battery" });
  if (system.kind !== "engine") {
    feeds.push({ kind: "pack" });
    const { blocks } = system.pack;
    if (blocks > 1) feeds.push({ kind: "block", blocks: blocks >> 1 });
  }
  for (const id of supplies) {
    feeds.push(
      { kind: "supply", supplyId: id as never },
      { kind: "supply", supplyId: id as never },
    );
  }
  const pins = vehicle.pins.filter((p) => p.family !== "ground" && p.liveWhen !== "ground");
  for (const pin of pins) feeds.push({ kind: "pin", pinId: pin.id });
  return feeds;
}

function conditionOf(chance: Chance): Condition {
  const pick = pickOf(chance);
  const signals = INPUTS.filter((input) => input !== "switch");
  const group = () => {
    const terms: { input: Input; negated: boolean }[] = [];
    if (chance() < 0.5) terms.push({ input: "switch", negated: false });
    if (chance() < 0.75 || terms.length === 0) {
      terms.push({ input: pick(signals), negated: terms.length > 0 && chance() < 0.1 });
    }
    if (chance() < 0.15) terms.push({ input: pick(signals), negated: chance() < 0.2 });
    return terms;
  };
  return { anyOf: chance() < 0.12 ? [group(), group()] : [group()] };
}

const PLACES: readonly Lamp["place"][] = ["front", "front", "rear", "rear", "left", "right"];
const CONTROLS: readonly (readonly Input[])[] = [
  ["left", "right"],
  ["hazard"],
  ["horn"],
  ["brake"],
  ["low", "high"],
];

function addSupplies(maker: FitMaker, chance: Chance): string[] {
  const pick = pickOf(chance);
  const supplies: string[] = [];
  const sources = DEMO_SHELF.filter((p): p is Part =>
    ["converter", "box", "battery", "flasher"].includes(p.kind),
  );
  const count = Math.floor(chance() * 4);
  for (let i = 0; i < count; i += 1) {
    const feed = pick(feedsOf(maker.job.vehicle, supplies));
    const id = `supply-${i + 1}`;
    const gate = pick(["always", "always", "key", "switch"] as const);
    maker.supply(id, `Supply ${i + 1}`, pick(sources).id, { feed, gate });
    supplies.push(id);
  }
  return supplies;
}

/**
 * A job by chance: any vehicle of the shop with supplies, controls of a kit and runs of any
 * feed, condition, return and arrangement. What such a wiring is worth is for the rules to
 * say; it must be laid out whole, and solved as it is listed.
 */
export function randomJob(chance: Chance): Job {
  const pick = pickOf(chance);
  const vehicle = pick(DEMO_VEHICLES);
  const maker = make("By chance", "", vehicle, "");
  const supplies = addSupplies(maker, chance);
  const feeds = () => feedsOf(vehicle, supplies);
  const controls = Math.floor(chance() * 3);
  for (let i = 0; i < controls; i += 1) {
    const guest = i > 0 && chance() < 0.3;
    maker.control(`control-${i + 1}`, `Control ${i + 1}`, pick(CONTROLS), {
      ...{ feed: pick(feeds()), poles: 1 + Math.floor(chance() * 2), momentary: chance() < 0.2 },
      switches: chance() < 0.25 ? "ground" : "positive",
      housing: guest ? asId<KitSwitchId>("control-1") : "",
      fuse: chance() < 0.1 ? { kind: "rating", ratingA: 10 } : { kind: "auto" },
    });
  }
  const loads = DEMO_SHELF.filter((p) => p.kind === "load");
  const plugs = DEMO_SHELF.filter((p) => p.kind === "connector");
  const relays = DEMO_SHELF.filter((p) => p.kind === "relay");
  const switches = DEMO_SHELF.filter((p) => p.kind === "switch");
  const modules = DEMO_SHELF.filter((p) => p.kind === "box" && p.form === "plugIn");
  const inPlug = chance() < 0.3;
  if (inPlug) maker.supply("plugged", "Module", pick(modules).id);
  const pins = vehicle.pins.filter(
    (p) => p.family !== "ground" && p.liveWhen !== "ground" && p.liveWhen !== "unknown",
  );
  const runs = 1 + Math.floor(chance() * 5);
  for (let i = 0; i < runs; i += 1) {
    const load = pick(loads);
    const series = chance() < 0.1 && load.load.kind !== "drivenLed";
    const lamps = [[load.id, 1 + Math.floor(chance() * 3), pick(PLACES)] as const];
    if (chance() < 0.25) lamps.push([load.id, 1, pick(PLACES)]);
    maker.run(`run-${i + 1}`, `Run ${i + 1}`, pick(["front", "rear"]), conditionOf(chance), lamps, {
      feed: pick(feeds()),
      return: pick(["chassis", "wire", "block"]),
      relay: pick(["auto", "auto", "yes", "no"]),
      coil: pick(["practice", "positive", "negative"]),
      coilPlus: pick(["auto", "86"]),
      arrangement: series ? "series" : "parallel",
      ...(chance() < 0.2 ? { connectorPartId: part(pick(plugs).id) } : {}),
      ...(chance() < 0.3 ? { relayPartId: part(pick(relays).id) } : {}),
      ...(chance() < 0.4 ? { switchPartId: part(pick(switches).id) } : {}),
    });
    if (chance() < 0.15) plugIn(maker, `run-${i + 1}`, pick(pins), inPlug, chance);
    const first = maker.job.lamps[0];
    const last = maker.job.lamps[maker.job.lamps.length - 1];
    if (chance() < 0.1 && first && last && first !== last && first.housing === "") {
      maker.lamp(0, { housing: first.id });
    }
  }
  return chance() < 0.3 ? speakOfWires(maker.job, chance) : maker.job;
}

/** A circuit in the place of a factory lamp: by plug or adapter, perhaps through a module. */
function plugIn(maker: FitMaker, id: string, pin: ConnectorPin, module: boolean, chance: Chance) {
  const runId = asId<CircuitId>(id);
  if (pin.liveWhen === "always" || pin.liveWhen === "ground" || pin.liveWhen === "unknown") return;
  const on = { anyOf: [[{ input: pin.liveWhen, negated: false }]] };
  maker.do(
    setCircuit(runId, "feed", { kind: "pin", pinId: pin.id }),
    setCircuit(runId, "condition", on),
    setCircuit(runId, "relay", "no"),
    setCircuit(runId, "arrangement", "parallel"),
  );
  if (module && chance() < 0.6) maker.do(setCircuit(runId, "throughId", asId<SupplyId>("plugged")));
  for (const lamp of maker.job.lamps.filter((l) => l.runId === runId)) {
    const joint = chance() < 0.4 ? "plug" : chance() < 0.7 ? "adapter" : "splice";
    maker.do(setIn("lamp", lamp.id, "joint", joint));
  }
}

/** Something said of a wire here and there: a harness that it comes in, a colour, a size. */
function speakOfWires(job: Job, chance: Chance): Job {
  const wires = wiresOf(synthesise(job)).filter((wire) => wire.harness === "");
  const joints = job.vehicle.connectors
    .filter(() => chance() < 0.4)
    .map(({ id, name }, i) => ({ id: `joint-${i + 1}`, connectorId: id, mark: name }));
  const harness: Harness = { id: asId<HarnessId>("harness-1"), name: "Harness", note: "", joints };
  const choices = wires
    .filter(() => chance() < 0.25)
    .map((wire, i): WireChoice => {
      const made = chance() < 0.5;
      const long = 0.2 + 4 * chance();
      return {
        ...{ id: `choice-${i + 1}`, wire: wire.id, harnessId: made ? harness.id : "" },
        colour: chance() < 0.5 ? "green/white" : "",
        gaugeId: made || chance() < 0.3 ? "14 AWG" : "",
        lengthM: made ? measured(long) : null,
      };
    });
  return { ...job, harnesses: [harness], wireChoices: choices };
}
