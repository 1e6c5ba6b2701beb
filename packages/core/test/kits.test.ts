/** Kits, ready-made harnesses, and what single wires are said to be. */
import {
  COLLECTIONS,
  allOf,
  append,
  asId,
  contentOf,
  integrityFaults,
  materialsOf,
  measured,
  readPartsCsv,
  printPartsCsv,
  synthesise,
  toolsOf,
  unbox,
  wiresOf,
  type HarnessId,
  type SupplyId,
} from "../src/index.ts";
import { FELLRUNNER, PORTER, roadKitPart } from "../src/demo/index.ts";
import { edited, findingsOf, minter, oneRun, onVehicle, rulesOf, RUN } from "./helpers.ts";

describe("a kit", () => {
  const empty = onVehicle(PORTER);
  const kit = roadKitPart();

  it("brings circuits, controls, harnesses, parts and its check list in one press", () => {
    const job = edited(empty, ...unbox(empty, kit, minter()));
    expect(integrityFaults(job)).toEqual([]);
    expect(job.runs).toHaveLength(kit.content.runs.length);
    expect(job.kit.map(({ name, needed }) => [name, needed])).toEqual(
      kit.items.map(({ name, count }) => [name, count]),
    );
    const circuit = synthesise(job);
    expect(circuit.gaps).toEqual([]);
    const made = wiresOf(circuit).filter((wire) => wire.harnessId !== "");
    expect(made).toHaveLength(kit.content.wireChoices.length);
    expect(new Set(made.map((wire) => wire.harness))).toEqual(
      new Set(kit.content.harnesses.map((h) => h.name)),
    );
    // Its own colours: left white, right red.
    const lead = (run: string) => made.find((w) => w.runId === run && w.role === "load");
    expect([lead("left")?.colour, lead("right")?.colour]).toEqual(["white", "red"]);
    const pieces = materialsOf(job, circuit);
    for (const { name } of kit.content.harnesses) {
      expect(pieces.filter((p) => p.name === name).map((p) => p.count)).toEqual([1]);
    }
  });

  it("is unboxed twice under other names, and both work", () => {
    const mint = minter();
    const once = edited(empty, ...unbox(empty, kit, mint));
    const twice = edited(once, ...unbox(once, kit, mint));
    expect(integrityFaults(twice)).toEqual([]);
    expect(twice.runs).toHaveLength(2 * once.runs.length);
    expect(synthesise(twice).gaps).toEqual([]);
    expect(twice.wireChoices).toHaveLength(2 * once.wireChoices.length);
  });

  it("of a vehicle without a pack is fed from what that vehicle has", () => {
    const quad = onVehicle(FELLRUNNER);
    const job = edited(quad, ...unbox(quad, kit, minter()));
    expect(job.supplies.find((s) => s.name === "Converter")?.feed).toEqual({ kind: "battery" });
  });

  it("is made of a job, and unboxed again gives the same circuit", () => {
    const job = edited(empty, ...unbox(empty, kit, minter()));
    const again = { ...kit, content: contentOf(job) };
    const back = edited(empty, ...unbox(empty, again, minter()));
    expect(wiresOf(synthesise(back)).map((w) => [w.id, w.gaugeId, w.colour])).toEqual(
      wiresOf(synthesise(job)).map((w) => [w.id, w.gaugeId, w.colour]),
    );
  });

  it("goes through a parts file and back", () => {
    const read = readPartsCsv(printPartsCsv([kit]));
    expect(read).toEqual({ ok: true, value: [kit] });
  });

  it("that refers to what is not in it is refused with the place", () => {
    const [run, ...runs] = kit.content.runs;
    const wrong = {
      ...kit,
      content: {
        ...kit.content,
        runs: [
          { ...run!, feed: { kind: "supply" as const, supplyId: asId<SupplyId>("no") } },
          ...runs,
        ],
      },
    };
    const job = edited(empty, append(empty, "part", wrong));
    expect(integrityFaults(job)).toEqual([
      {
        path: "parts[0].content.runs[0].feed.supplyId",
        message: 'no supply with id "no" in this kit',
      },
    ]);
  });
});

describe("a ready-made harness", () => {
  const job = oneRun("pod-18");
  const wire = wiresOf(synthesise(job)).find((w) => w.runId === RUN && w.role === "load")!;
  const said = (lengthM: number) =>
    edited(
      job,
      append(job, "harness", {
        id: asId<HarnessId>("h"),
        name: "Pod harness",
        note: "",
        joints: [],
      }),
      append(job, "wireChoice", {
        ...{ id: "c", wire: wire.id, harnessId: asId<HarnessId>("h"), colour: "white/red" },
        ...{ gaugeId: "12 AWG", lengthM: measured(lengthM) },
      }),
    );

  it("is neither cut nor sized, has its own length, ohms and colour", () => {
    const made = synthesise(said(9)).elements.get(wire.id);
    expect(made).toMatchObject({
      ...{ harness: "Pod harness", colour: "white/red", gaugeId: "12 AWG", group: "" },
      ...{ lengthM: measured(9), bridgesM: wire.lengthM },
    });
  });

  it.each([
    [0.1, "stop", /Too short/],
    [9, "note", /m too long: stow it/],
  ])("of %s m is told with its place", (lengthM, severity, title) => {
    const [finding] = findingsOf(said(lengthM)).filter((f) => f.rule === "harness-fits");
    expect(finding).toMatchObject({ severity, place: { runId: RUN } });
    expect(finding?.title).toMatch(title);
    expect(finding?.place.words).toContain("Pod harness");
  });

  it("that fits is not spoken of", () => {
    const fits = said(wire.lengthM.value + 0.1);
    expect(rulesOf(fits)).not.toContain("harness-fits");
  });

  it("cut here instead, as its remedy says, is a wire of this job again", () => {
    const short = said(0.1);
    const [finding] = findingsOf(short).filter((f) => f.rule === "harness-fits");
    const mended = edited(short, ...finding!.remedies[0]!.edits);
    expect(synthesise(mended).elements.get(wire.id)).toMatchObject({ harness: "" });
  });

  it("with a wire that is not there says so", () => {
    const lost = edited(
      job,
      append(job, "wireChoice", {
        ...{ id: "c", wire: `${RUN}.nowhere`, harnessId: "", colour: "blue" },
        ...{ gaugeId: "", lengthM: null },
      }),
    );
    expect(synthesise(lost).gaps).toMatchObject([{ kind: "wireNowhere", runId: RUN }]);
  });
});

describe("colours", () => {
  const job = oneRun("pod-18", allOf("high"));

  it("are the shop's own by use, and a single wire's where that is said", () => {
    const colours = [
      { use: "feed", colour: "orange" },
      { use: "ground", colour: "brown" },
      { use: "high", colour: "blue/white" },
    ] as const;
    const shop = { ...job, practices: { ...job.practices, colours } };
    const wires = wiresOf(synthesise(shop)).filter((w) => w.harness === "");
    const of = (role: string) => wires.find((w) => w.role === role)?.colour;
    expect([of("feed"), of("coilReturn"), of("load")]).toEqual(["orange", "brown", "blue/white"]);
    const feed = wires.find((w) => w.role === "feed")!;
    const one = edited(
      shop,
      append(shop, "wireChoice", {
        ...{ id: "c", wire: feed.id, harnessId: "", colour: "pink", gaugeId: "", lengthM: null },
      }),
    );
    expect(synthesise(one).elements.get(feed.id)).toMatchObject({ colour: "pink" });
  });
});

describe("tools", () => {
  it("are those that the job asks for", () => {
    const job = oneRun("pod-18");
    const names = toolsOf(job, synthesise(job)).map((t) => t.name);
    expect(names).toContain("multimeter");
    expect(names).toContain("ratchet crimper, insulated dies");
    expect(names.some((n) => n.startsWith("insulated tools"))).toBe(false);
    const cart = onVehicle(PORTER);
    expect(toolsOf(cart, synthesise(cart)).map((t) => t.name)).not.toContain("heat gun");
    expect(toolsOf(cart, synthesise(cart)).some((t) => t.name.startsWith("insulated tools"))).toBe(
      true,
    );
  });
});

it("every list of a job has a place among the collections", () => {
  const job = onVehicle(PORTER);
  for (const { get } of Object.values(COLLECTIONS))
    expect(get(job) ?? []).toEqual(expect.any(Array));
});
