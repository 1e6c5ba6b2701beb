import {
  asId,
  createJob,
  integrityFaults,
  type Job,
  type Part,
  type CircuitId,
} from "../src/index.ts";
import {
  CARRICK,
  FELLRUNNER,
  LAPWING,
  demoJobs,
  demoPart,
  roadKitPart,
} from "../src/demo/index.ts";
import { changed, expectFaults } from "./changed.ts";
import { RUN, jobWith, keyed } from "./helpers.ts";

const having = (has: (job: Job) => boolean): Job => {
  const found = demoJobs().find(has);
  if (!found) throw new Error("no such job in the demo");
  return found;
};

/** On a pack, with controls of a kit, a ledger, panels and lamps in place. */
const cart = having((job) => job.controls.length > 1 && job.holes.length > 1);
const quad = jobWith("bar-40", 2, keyed, {
  switchPartId: asId("switch-bar-5"),
  relayPartId: asId("relay-30"),
});

describe("what is told of colours and of places", () => {
  it("is a colour at either plug of an adapter, and a place that is there", () => {
    const plug = { ...demoPart("plug-2-mini"), leads: [{ factory: "green", lamp: "" }] };
    const job = { ...quad, parts: [...quad.parts, plug as Part] };
    const at = `parts[${quad.parts.length}].leads[0]`;
    const wrong = 'invalid colour: "dusk" (such as brown or brown/white)';
    expectFaults(job, [
      [`${at}.factory`, "dusk", `${at}.factory`, wrong],
      [`${at}.lamp`, "dusk", `${at}.lamp`, wrong],
      [
        ...(["vehicle.baseLoads[0].at", "gone", "vehicle.baseLoads[0].at"] as const),
        'no place with id "gone" in this job',
      ],
    ]);
  });
});

describe("what goes round in a circle", () => {
  it("is supplies that feed each other, each told by its name", () => {
    const [a, b] = cart.supplies;
    const ring = changed(
      changed(cart, "supplies[0].feed", { kind: "supply", supplyId: b!.id }),
      "supplies[1].feed",
      { kind: "supply", supplyId: a!.id },
    );
    expect(integrityFaults(ring).filter((f) => f.message.includes("feeds itself"))).toEqual([
      {
        path: "supplies[0].feed",
        message: `"${a!.name}" feeds itself (needs a battery or pack before it)`,
      },
      {
        path: "supplies[1].feed",
        message: `"${b!.name}" feeds itself (needs a battery or pack before it)`,
      },
    ]);
  });

  it("is a panel that must come off after itself, told by the way round", () => {
    const [one, two] = cart.strip;
    const round = changed(changed(cart, "strip[0].after", [two!.id]), "strip[1].after", [one!.id]);
    expect(integrityFaults(round)).toEqual([
      {
        path: "strip[0].after",
        message: `goes round in a circle: ${one!.name} after ${two!.name} after ${one!.name} (one of them needs to come off first)`,
      },
    ]);
  });

  it("is holes that mirror each other", () => {
    const [one, two] = cart.holes;
    const mirror = (holeId: string) => ({ kind: "mirror", holeId });
    const pair = { ...cart, holes: [one!, { ...two!, templateId: one!.templateId }] };
    const once = changed(pair, "holes[1].by", mirror(one!.id));
    expect(integrityFaults(once)).toEqual([]);
    expect(integrityFaults(changed(once, "holes[0].by", mirror(two!.id)))).toEqual([
      {
        path: "holes[0].by.holeId",
        message: "mirrors go round in a circle (one of the holes needs to be measured)",
      },
    ]);
    expect(integrityFaults(changed(once, "holes[1].by", mirror("gone")))).toEqual([
      { path: "holes[1].by.holeId", message: 'no hole on this panel with id "gone" in this job' },
    ]);
  });

  it("is a housing in a housing, or in itself: of lamps and of controls", () => {
    const [a, b] = cart.controls;
    const message = (id: string) =>
      `invalid switch: "${id}" (another control of this job, with a switch of its own)`;
    const free = {
      ...cart,
      controls: cart.controls.map((c) => ({ ...c, housing: "" as const })),
      lamps: cart.lamps.map((l) => ({ ...l, housing: "" as const })),
    };
    expectFaults(free, [
      ["controls[0].housing", a!.id, "controls[0].housing", message(a!.id)],
      ["controls[0].housing", "gone", "controls[0].housing", message("gone")],
      [
        "lamps[0].housing",
        "gone",
        "lamps[0].housing",
        'invalid housing: "gone" (another lamp of this job, with a housing of its own)',
      ],
      [
        "lamps[0].housing",
        cart.lamps[0]!.id,
        "lamps[0].housing",
        `invalid housing: "${cart.lamps[0]!.id}" (another lamp of this job, with a housing of its own)`,
      ],
    ]);
    const one = changed(free, "controls[1].housing", a!.id);
    expect(integrityFaults(one)).toEqual([]);
    expect(integrityFaults(changed(one, "controls[0].housing", b!.id))).toEqual([
      { path: "controls[0].housing", message: message(b!.id) },
      { path: "controls[1].housing", message: message(a!.id) },
    ]);
    const pair = changed(free, "lamps[1].housing", free.lamps[0]!.id);
    expect(integrityFaults(pair)).toEqual([]);
    expect(
      integrityFaults(changed(pair, "lamps[2].housing", free.lamps[1]!.id)).map((f) => f.path),
    ).toEqual(["lamps[2].housing"]);
  });
});

describe("ids", () => {
  it("are each there once in their list, and made of letters, digits, - and _", () => {
    const [first] = quad.lamps;
    expectFaults(quad, [
      ["lamps[1].id", first!.id, "lamps[1].id", `"${first!.id}" is there twice (ids must differ)`],
      ["lamps[1].id", "a lamp", "lamps[1].id", 'invalid id: "a lamp" (letters, digits, - and _)'],
      ["lamps[1].id", "", "lamps[1].id", 'invalid id: "" (letters, digits, - and _)'],
    ]);
    for (const list of ["baseLoads", "connectors", "pins", "places", "segments"] as const) {
      const entries = FELLRUNNER[list];
      const twice = createJob("test", "", {
        ...FELLRUNNER,
        [list]: [...entries, entries[0]],
      });
      expect(integrityFaults(twice)).toEqual([
        {
          path: `vehicle.${list}[${entries.length}].id`,
          message: `"${entries[0]!.id}" is there twice (ids must differ)`,
        },
      ]);
    }
  });
});

describe("deviations", () => {
  const nothing = {
    id: "d",
    runId: RUN,
    otherRunId: "" as CircuitId | "",
    wire: "",
    end: "from" as const,
    otherWire: "",
    otherEnd: "from" as const,
    at: "",
    otherAt: "",
    gaugeId: "",
  };
  const told = (d: Partial<Job["deviations"][number]>) =>
    integrityFaults({ ...quad, deviations: [{ ...nothing, kind: "joined", ...d }] });

  it("between circuits name two different ones that are there", () => {
    expect(told({ otherRunId: RUN })).toEqual([
      { path: "deviations[0].otherRunId", message: `"${RUN}" is the same circuit (needs another)` },
    ]);
    expect(told({ otherRunId: asId("gone") })).toEqual([
      { path: "deviations[0].otherRunId", message: 'no run with id "gone" in this job' },
    ]);
    expect(told({ runId: asId("gone"), otherRunId: RUN })).toEqual([
      { path: "deviations[0].runId", message: 'no run with id "gone" in this job' },
    ]);
  });

  it.each([
    ["endMoved", ["wire", "at"]],
    ["endsSwapped", ["wire", "otherWire"]],
    ["wireMissing", ["wire"]],
    ["thinWire", ["wire", "gaugeId"]],
    ["reversed", ["at", "otherAt"]],
    ["tied", ["at", "otherAt"]],
  ] as const)("%s says %j", (kind, fields) => {
    expect(told({ kind })).toEqual(
      fields.map((field) => ({
        path: `deviations[0].${field}`,
        message: `"${kind}" has to say it`,
      })),
    );
    const said = Object.fromEntries(fields.map((f) => [f, f === "gaugeId" ? "16 AWG" : "x"]));
    expect(told({ kind, ...said })).toEqual([]);
  });

  it("take a size of wire that there is", () => {
    expect(told({ kind: "thinWire", wire: "x", gaugeId: "hair" })).toEqual([
      {
        path: "deviations[0].gaugeId",
        message: 'invalid wire size: "hair" (such as 18 AWG or 0.75 mm²)',
      },
    ]);
  });
});

describe("parts", () => {
  const told = (part: Part) => integrityFaults({ ...quad, parts: [...quad.parts, part] });
  const at = `parts[${quad.parts.length}]`;

  it("have a name, a wire that there is on their lead, limits the right way round", () => {
    const lamp = { ...demoPart("bar-40"), id: asId<Part["id"]>("own") };
    if (lamp.kind !== "load") throw new Error("no lamp");
    expect(told(lamp)).toEqual([]);
    expect(told({ ...lamp, name: "  " })).toEqual([
      { path: `${at}.name`, message: 'invalid name: "  " (needs a word or more)' },
    ]);
    expect(told({ ...lamp, pigtail: "hair" })).toEqual([
      { path: `${at}.pigtail`, message: 'invalid wire size: "hair"' },
    ]);
    const { load } = lamp;
    if (load.kind !== "drivenLed") throw new Error("no driver");
    expect(told({ ...lamp, load: { ...load, minV: load.maxV } })).toEqual([
      {
        path: `${at}.load.minV`,
        message: `invalid lower limit: ${load.maxV} V (needs to be below ${load.maxV} V)`,
      },
    ]);
  });

  it("have a coil that is no short", () => {
    const relay = { ...demoPart("relay-30"), id: asId<Part["id"]>("own") };
    if (relay.kind !== "relay") throw new Error("no relay");
    const ohm = (low: number) => told({ ...relay, coilOhm: { ...relay.coilOhm, low } });
    expect(ohm(1)).toEqual([]);
    expect(ohm(0.5)).toEqual([
      {
        path: `${at}.coilOhm`,
        message: "invalid coil: 0.5 Ω at its lower bound (needs 1 Ω or more)",
      },
    ]);
  });

  it("shine by a light that the lamp's part has", () => {
    expectFaults(quad, [
      [
        "lamps[0].light",
        "halo",
        "lamps[0].light",
        `invalid light: "halo" (${demoPart("bar-40").name} has main, dim)`,
      ],
    ]);
    expect(integrityFaults(changed(quad, "lamps[0].light", "dim"))).toEqual([]);
  });
});

describe("a kit", () => {
  const kit = { ...roadKitPart(), id: asId<Part["id"]>("own-kit") };
  const { content } = kit;
  const told = (more: Partial<typeof content>) =>
    integrityFaults({
      ...cart,
      parts: [...cart.parts, { ...kit, content: { ...content, ...more } }],
    });
  const at = `parts[${cart.parts.length}].content`;
  const none = (what: string) => `no ${what} with id "gone" in this kit`;
  const gone = asId<never>("gone");
  /** The first of a list with some fields otherwise, the rest as they are. */
  const first = <T>(list: readonly T[], fields: Partial<T>): T[] =>
    list.map((x, i) => (i === 0 ? { ...x, ...fields } : x));

  it("refers to nothing but what is in it", () => {
    expect(told({})).toEqual([]);
    const rows = [
      [{ supplies: first(content.supplies, { partId: gone }) }, "supplies[0].partId", "part"],
      [
        { controls: first(content.controls, { switchPartId: gone }) },
        "controls[0].switchPartId",
        "part",
      ],
      [{ controls: first(content.controls, { housing: gone }) }, "controls[0].housing", "control"],
      [{ runs: first(content.runs, { switchPartId: gone }) }, "runs[0].switchPartId", "part"],
      [{ runs: first(content.runs, { relayPartId: gone }) }, "runs[0].relayPartId", "part"],
      [{ runs: first(content.runs, { connectorPartId: gone }) }, "runs[0].connectorPartId", "part"],
      [{ runs: first(content.runs, { throughId: gone }) }, "runs[0].throughId", "supply"],
      [{ runs: first(content.runs, { tapPinId: gone }) }, "runs[0].tapPinId", "wire of a vehicle"],
      [{ lamps: first(content.lamps, { partId: gone }) }, "lamps[0].partId", "part"],
      [{ lamps: first(content.lamps, { runId: gone }) }, "lamps[0].runId", "circuit"],
      [{ lamps: first(content.lamps, { housing: gone }) }, "lamps[0].housing", "lamp"],
      [
        { wireChoices: first(content.wireChoices, { harnessId: gone }) },
        "wireChoices[0].harnessId",
        "harness",
      ],
      [
        { runs: first(content.runs, { feed: { kind: "supply", supplyId: gone } }) },
        "runs[0].feed.supplyId",
        "supply",
      ],
    ] as const;
    for (const [more, where, what] of rows) {
      expect(told(more)).toEqual([{ path: `${at}.${where}`, message: none(what) }]);
    }
  });

  it("knows no wires of a vehicle", () => {
    for (const list of ["supplies", "controls", "runs"] as const) {
      const more = first(content[list] as readonly { feed: unknown }[], {
        feed: { kind: "pin", pinId: gone },
      });
      expect(told({ [list]: more })).toEqual([
        {
          path: `${at}.${list}[0].feed`,
          message:
            'a kit knows no wires of a vehicle: "gone" (battery, pack or one of its supplies)',
        },
      ]);
    }
  });
});

it("a job made new has nothing amiss on any vehicle", () => {
  for (const vehicle of [FELLRUNNER, CARRICK, cart.vehicle, LAPWING]) {
    expect(integrityFaults(createJob("test", "", vehicle))).toEqual([]);
  }
});
