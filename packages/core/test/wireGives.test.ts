/** What a factory wire may give, to one thing on it and to several; what a converter takes of its feed. */
import {
  adoptPart,
  allOf,
  append,
  asId,
  createSupply,
  inputShare,
  packEmptyV,
  setCircuit,
  setSupply,
  stated,
  type ConnectorPin,
  type ConverterPart,
  type Feed,
  type Job,
  type LampId,
  type PinId,
  type CircuitId,
  type SupplyId,
} from "../src/index.ts";
import { FELLRUNNER, PORTER, demoPart } from "../src/demo/index.ts";
import { edited, findingsOf, jobWith, mend, RUN } from "./helpers.ts";

const WIRE = asId<PinId>("wire");
const SUPPLY = asId<SupplyId>("box");
const onWire = { kind: "pin" as const, pinId: WIRE };

const wire = (low: number, high: number): ConnectorPin => ({
  ...FELLRUNNER.pins.find((p) => p.liveWhen === "key" && p.family === "accessory")!,
  ...{ id: WIRE, carries: "outlet", mayGiveA: stated((low + high) / 2, low, high), fuseA: 20 },
});

/** One 18 W pod (1.5 A of 12 V) right on the wire. */
const one = (low: number, high: number): Job => {
  const vehicle = { ...FELLRUNNER, pins: [wire(low, high)] };
  return jobWith("pod-18", 1, allOf("key"), { feed: onWire, relay: "no" }, vehicle);
};
const two = (low: number, high: number): Job => {
  const job = one(low, high);
  const second = asId<CircuitId>("run-2");
  return edited(
    job,
    append(job, "run", { ...job.runs[0]!, id: second, name: "Second" }),
    append(job, "lamp", { ...job.lamps[0]!, id: asId<LampId>("lamp-9"), runId: second }),
  );
};
const behind = (partId: string, low: number, high: number): Job => {
  const job = one(low, high);
  const part = demoPart(partId);
  return edited(
    job,
    ...adoptPart(job, part),
    append(job, "supply", createSupply(SUPPLY, "Box", part.id, job.vehicle)),
    setSupply(SUPPLY, "feed", onWire),
    setCircuit(RUN, "feed", { kind: "supply", supplyId: SUPPLY }),
  );
};

const told = (job: Job) =>
  findingsOf(job)
    .filter((f) => f.rule === "tap-over-limit" && f.title.includes("factory wire"))
    .map(({ severity, title, figures }) => `${severity}: ${title}: ${figures[0]!.value}`);

describe("a factory wire", () => {
  it("gives one thing what it may, and is told where it may not", () => {
    expect(told(one(1.6, 2))).toEqual([]);
    expect(told(one(1.2, 2))).toEqual(["fix: Perhaps more than the factory wire may give: 1.5 A"]);
    expect(told(one(1, 1.2))).toEqual(["stop: More than the factory wire may give: 1.5 A"]);
  });

  it("is told where each alone is borne, and both together are not", () => {
    expect(told(two(3.2, 4))).toEqual([]);
    const both = "than the factory wire may give to Test run and Second together: 3 A";
    expect(told(two(2, 4))).toEqual([`fix: Perhaps more ${both}`]);
    expect(told(two(2, 2.5))).toEqual([`stop: More ${both}`]);
    // Where one is too much already, that is what there is to say.
    expect(told(two(1, 1.2))).toEqual(
      Array(2).fill("stop: More than the factory wire may give: 1.5 A"),
    );
  });

  it("is told of what hangs on it through a fuse block, which a battery feed mends", () => {
    expect(told(behind("fuse-block-6", 1.6, 2))).toEqual([]);
    const over = behind("fuse-block-6", 1, 1.2);
    expect(told(over)).toEqual(["stop: More than the factory wire may give: 1.5 A"]);
    const mended = mend(over, "tap-over-limit");
    expect(told(mended)).toEqual([]);
    // Live when the key, as the wire was.
    expect(mended.supplies[0]).toMatchObject({ feed: { kind: "battery" }, gate: "key" });
  });

  it("gives a converter what that takes, not what it gives", () => {
    const part = {
      ...(demoPart("converter-60-12") as ConverterPart),
      ...{ inMinV: 9, inMaxV: 32, cutOffV: 8, outV: stated(24), efficiencyFull: 0.8 },
    };
    const job = behind("converter-60-12", 1, 1.2);
    const up = { ...job, parts: job.parts.map((p) => (p.id === part.id ? part : p)) };
    // 18 W at four fifths of 24 V are 0.94 A, for the converter 22.5 W; of 80 %, at the 9 V that
    // it works down to, that is 3.1 A.
    expect(told(up)).toEqual(["stop: More than the factory wire may give: 3.1 A"]);
  });
});

describe("the input of a converter", () => {
  const part = demoPart("converter-60-12") as ConverterPart;
  const fed = (feed: Feed): Job => {
    const job = jobWith("pod-18", 1, allOf("switch"), {}, PORTER);
    return edited(
      job,
      ...adoptPart(job, part),
      append(job, "supply", createSupply(SUPPLY, "Converter", part.id, PORTER)),
      setSupply(SUPPLY, "feed", feed),
    );
  };
  const { system } = PORTER;
  if (system.kind === "engine") throw new Error("the cart has a pack");
  const empty = packEmptyV(system.pack);
  const share = (feed: Feed, of = part): number => {
    const job = fed(feed);
    return inputShare(job, job.supplies[0]!, of);
  };
  const at = (volts: number): number => part.outV.value / (part.efficiencyFull * volts);

  it("is worked out at an empty pack, or at what the blocks of it have then", () => {
    expect(share({ kind: "pack" })).toBeCloseTo(at(empty), 9);
    const low = { ...part, inMinV: 10, cutOffV: 9 };
    const half: Feed = { kind: "block", blocks: system.pack.blocks / 2 };
    expect(share(half, low)).toBeCloseTo(at(empty / 2), 9);
  });

  it("is never below what it works down to, nor asked of a feed that is not there", () => {
    expect(share({ kind: "block", blocks: 1 })).toBeCloseTo(at(part.inMinV), 9);
    expect(share({ kind: "supply", supplyId: asId("gone") })).toBeCloseTo(at(part.inMinV), 9);
    expect(share({ kind: "pack" }, { ...part, cutOffV: 60 })).toBeCloseTo(at(60), 9);
  });
});
