/** Feeds that come in waves, radios that hear what switches, modules that fall asleep. */
import {
  TestBench,
  adoptPart,
  allOf,
  append,
  asId,
  createSupply,
  cutListOf,
  replaceLamp,
  setCircuit,
  setSupply,
  solveCircuit,
  standbyItems,
  stated,
  stepsOf,
  synthesise,
  wiresOf,
  type BaseLoad,
  type BoxPart,
  type ConnectorPart,
  type Job,
  type Part,
  type PinId,
  type PinSupply,
  type PlaceId,
  type SupplyId,
} from "../src/index.ts";
import { FELLRUNNER, PETREL, demoPart } from "../src/demo/index.ts";
import { edited, findingsOf, jobWith, loadPart, minter, onVehicle, RUN } from "./helpers.ts";

const COIL = asId<PinId>("coil");
const SUPPLY = asId<SupplyId>("made-direct");

const pinned = (supply: PinSupply) => ({
  ...FELLRUNNER.pins.find((p) => p.liveWhen === "key" && p.family === "accessory")!,
  ...{ id: COIL, supply, carries: "lighting coil", liveWhen: "engine" as const },
});

/** A lamp right on a wire of the coil, or behind a converter that hangs on it. */
function onCoil(supply: PinSupply, converter: string | null, lamp = "pod-18"): Job {
  const vehicle = { ...FELLRUNNER, pins: [pinned(supply)] };
  const feed = { kind: "pin" as const, pinId: COIL };
  const job = jobWith(lamp, 1, allOf("engine"), { feed, relay: "no" }, vehicle);
  if (converter === null) return job;
  const part = demoPart(converter);
  return edited(
    job,
    ...adoptPart(job, part),
    append(job, "supply", createSupply(SUPPLY, "Bridge", part.id, vehicle)),
    setSupply(SUPPLY, "feed", feed),
    setCircuit(RUN, "feed", { kind: "supply", supplyId: SUPPLY }),
  );
}

const told = (job: Job) => findingsOf(job).filter((f) => f.rule === "alternating-feed");

const lampV = (job: Job, engine = true): number => {
  const circuit = synthesise(job);
  const inputs = new Set(engine ? (["key", "engine"] as const) : []);
  const at = { inputs, switches: new Set<never>(), sourceV: 12.7, packV: 0 };
  const solved = solveCircuit(circuit, at, job.practices.ambientC);
  if (solved.kind !== "solved") throw new Error(solved.kind);
  const { fromV, toV } = solved.point.at.get(circuit.runs[0]!.branches[0]!.load)!;
  return fromV - toV;
};

/** Effective value of what a function of the angle gives over a whole turn, summed. */
const effective = (wave: (angle: number) => number): number => {
  const n = 20_000;
  let sum = 0;
  for (let i = 0; i < n; i += 1) sum += wave((2 * Math.PI * (i + 0.5)) / n) ** 2;
  return Math.sqrt(sum / n);
};

describe("a wire of a lighting coil", () => {
  it("brings half of its waves at the effective value of half a sine", () => {
    // Few ohms of wire lie between the coil and a bulb of 35 W.
    const whole = lampV(onCoil("ac", null, "bulb-headlight-35"));
    const half = lampV(onCoil("halfWave", null, "bulb-headlight-35"));
    const ratio =
      effective((angle) => Math.max(0, Math.sin(angle))) / effective((angle) => Math.sin(angle));
    expect(ratio).toBeCloseTo(Math.SQRT1_2, 4);
    expect(half / whole).toBeCloseTo(ratio, 2);
    expect(whole).toBeGreaterThan(12.4);
  });

  it.each([
    ["ac", /bridge rectifier.*negative is not the frame/s],
    ["halfWave", /has its diode already.*the frame still/s],
  ] as const)("of %s makes electronics flicker, and says what it takes", (supply, why) => {
    const found = told(onCoil(supply, null));
    expect(found.map((f) => f.title)).toEqual([expect.stringContaining("flickers")]);
    expect(found[0]!.why).toMatch(why);
    expect(told(onCoil(supply, null, "bulb-headlight-35"))).toEqual([]);
    expect(told(onCoil("battery", null))).toEqual([]);
  });

  it.each([
    ["ac", /wrong way round/],
    ["halfWave", /falls to nothing/],
  ] as const)("of %s stops a converter for direct current", (supply, why) => {
    const found = told(onCoil(supply, "converter-60-12"));
    expect(found.map((f) => f.severity)).toEqual(["stop"]);
    expect(found[0]!.why).toMatch(why);
    expect(told(onCoil("battery", "converter-60-12"))).toEqual([]);
  });

  it("makes a relay chatter that it works beside another wire, too", () => {
    const key = FELLRUNNER.pins.find((p) => p.liveWhen === "brake")!;
    const on = (supply: PinSupply): Job =>
      jobWith(
        "pod-18",
        1,
        { anyOf: [[{ input: "engine", negated: false }], [{ input: "brake", negated: false }]] },
        { feed: { kind: "battery" }, relay: "yes" },
        { ...FELLRUNNER, pins: [pinned(supply), key] },
      );
    for (const supply of ["ac", "halfWave"] as const) {
      expect(told(on(supply)).map((f) => f.title)).toEqual(["A relay chatters on a lighting coil"]);
    }
    expect(told(on("battery"))).toEqual([]);
  });

  it("feeds lamps behind a bridge, dark with the engine, back by a wire and never by the frame", () => {
    for (const back of ["wire", "chassis"] as const) {
      const job = edited(onCoil("ac", "rectifier-coil-12"), setCircuit(RUN, "return", back));
      expect(told(job)).toEqual([]);
      expect(lampV(job)).toBeGreaterThan(12);
      expect(lampV(job, false)).toBeLessThan(0.5);
      const { lines } = cutListOf(job, synthesise(job));
      const out = lines.filter(({ owner }) => owner === "Test run" || owner === "Bridge");
      const toFrame = out.filter(({ to, from }) => [to, from].some((e) => e.unit === "chassis"));
      // Its input's own end of the coil is on the frame, and nothing else.
      expect(toFrame.map(({ from }) => from.unitTerminal)).toEqual(["in_neg"]);
      expect(findingsOf(job).some((f) => f.title.startsWith("Not returned as"))).toBe(
        back === "chassis",
      );
    }
  });

  it("takes no current while the engine stands, so that its bridge needs no gate", () => {
    const idle = (job: Job) =>
      findingsOf(job).filter((f) => f.title.includes("while it is parked"));
    expect(idle(onCoil("ac", "rectifier-coil-12"))).toEqual([]);
    const battery = edited(
      onCoil("ac", "rectifier-coil-12"),
      setSupply(SUPPLY, "feed", { kind: "battery" }),
    );
    expect(idle(battery)).toHaveLength(1);
  });
});

describe("a radio", () => {
  const radio = (at: string, kind: BaseLoad["kind"] = "radio"): BaseLoad => ({
    ...{ id: "r", name: "Rescue radio", kind, at: asId<PlaceId>(at), currentA: stated(0.9) },
    ...{ parked: 0, engineOff: 1, idle: 1, town: 1, cruise: 1 },
  });
  const beside = (part: string, at: string, kind?: BaseLoad["kind"]): Job =>
    jobWith(part, 1, allOf("key"), {}, { ...PETREL, baseLoads: [radio(at, kind)] });
  const noise = (job: Job) => findingsOf(job).filter((f) => f.rule === "radio-noise");

  it("hears a driver within a metre of it, told with how far", () => {
    // The headlight shell is at 0.35 m, the headstock at 0.58 m: the lamp is some 0.2 m from it.
    const [found] = noise(beside("pod-18", "headstock"));
    expect(found).toMatchObject({
      severity: "note",
      title: "Rescue radio may hiss with the lights on",
    });
    expect(found!.figures).toEqual([
      { label: "18 W flood pod from it", value: "0.2 m", limit: "1 m or more" },
    ]);
    expect(found!.why).toMatch(/squelch/);
  });

  it("hears nothing of one farther off, nor of a bulb beside it", () => {
    expect(noise(beside("pod-18", "tail"))).toEqual([]);
    expect(noise(beside("bulb-headlight-35", "headstock"))).toEqual([]);
    expect(noise(beside("pod-18", "headstock", "electronics"))).toEqual([]);
  });

  it("that nobody has placed may be anywhere near", () => {
    const [found] = noise(beside("pod-18", ""));
    expect(found!.figures.map((f) => f.value)).toEqual(["not said"]);
  });

  it("hears a converter where that sits", () => {
    const job = beside("bulb-headlight-35", "seat");
    const part = demoPart("converter-60-12");
    const fitted = edited(
      job,
      ...adoptPart(job, part),
      append(job, "supply", createSupply(SUPPLY, "Converter", part.id, job.vehicle)),
    );
    // At the electrics, which are under the seat: where the radio is.
    expect(noise(fitted).map((f) => f.figures[0]!.value)).toEqual(["0 m"]);
    const away = edited(fitted, setSupply(SUPPLY, "at", asId<PlaceId>("headlight")));
    expect(noise(away)).toEqual([]);
  });
});

describe("a module that sleeps", () => {
  const hub = (sleepAfterMin: number): BoxPart => ({
    ...(demoPart("hub-6") as BoxPart),
    ...{ sleepAfterMin, sleepA: stated(0.0004) },
  });
  const fed = (part: Part): Job => {
    const job = jobWith("pod-18", 1, allOf("switch"));
    return edited(
      job,
      ...adoptPart(job, part),
      append(job, "supply", createSupply(SUPPLY, "Hub", part.id, job.vehicle)),
      setCircuit(RUN, "feed", { kind: "supply", supplyId: SUPPLY }),
    );
  };
  const own = (job: Job) =>
    standbyItems(job, synthesise(job)).filter(({ what }) => what.startsWith("Hub"));

  it("draws parked what it draws asleep", () => {
    const [asleep] = own(fed(hub(10)));
    expect(asleep).toMatchObject({ what: "Hub asleep", afterMin: 10, currentA: { mid: 0.0004 } });
    expect(own(fed(hub(0)))[0]).toMatchObject({
      ...{ what: "Hub standing by", currentA: { mid: 0.004 } },
    });
  });

  it("is given its time before a meter is read, and that time is planned", () => {
    const steps = (job: Job) =>
      stepsOf(new TestBench(job)).filter(({ probe }) => probe.at.kind === "milliamps");
    const [slow] = steps(fed(hub(10)));
    const [quick] = steps(fed(hub(0)));
    expect(slow!.probe.words).toMatch(/read after 10 min: a module has to fall asleep$/);
    expect(quick!.probe.words).toMatch(/largest range first$/);
    expect(slow!.probe.minutes - quick!.probe.minutes).toBeCloseTo(10, 9);
    expect(slow!.probe.bench.sound(slow!.probe).value).toBeCloseTo(0.4, 1);
  });
});

describe("an adapter's colours", () => {
  const adapter = (...leads: ConnectorPart["leads"]): ConnectorPart => ({
    ...(demoPart("plug-2-mini") as ConnectorPart),
    leads,
  });
  const by = (part: ConnectorPart): readonly string[] => {
    const bare = onVehicle({
      ...PETREL,
      baseLoads: [
        {
          ...{ id: "bulbs", name: "Bulbs", kind: "lamp", at: "", currentA: stated(1.6) },
          ...{ parked: 0, engineOff: 0, idle: 0, town: 0, cruise: 0 },
        },
      ],
    });
    const what = {
      ...{ part: loadPart("turn-plug"), count: 1, place: "rear" as const, replaces: "bulbs" },
      ...{ joint: "adapter" as const, pinId: asId<PinId>("left"), name: "Left turn" },
    };
    const replaced = edited(bare, ...replaceLamp(bare, what, minter()));
    const job = edited(
      replaced,
      ...adoptPart(replaced, part),
      setCircuit(replaced.runs[0]!.id, "connectorPartId", part.id),
    );
    const wire = (name: string): string =>
      wiresOf(synthesise(job)).find((w) => w.id.endsWith(`.${name}`))!.colour;
    return ["toAdapter1", "branch1", "back1", "fromAdapter1"].map(wire);
  };

  it("are those of its part on either side, live first and ground last", () => {
    const leads = [
      { factory: "light green", lamp: "yellow" },
      { factory: "black/white", lamp: "brown" },
    ];
    expect(by(adapter(...leads))).toEqual(["light green", "yellow", "brown", "black/white"]);
  });

  it("are the circuit's own where nobody has told them", () => {
    const plain = by(adapter());
    expect(plain[0]).toBe(plain[1]);
    expect([plain[2], plain[3]]).toEqual(["black", "black"]);
    // One wire alone is the live one.
    expect(by(adapter({ factory: "pink", lamp: "grey" })).slice(0, 2)).toEqual(["pink", "grey"]);
  });
});
