import { JOB_FORMAT, printJob, type CutList, type Job } from "@dragonet/core";
import { call, demoThat, flashingBrake, rowsOf } from "./call.ts";

const tourer = demoThat((job) => job.strip.length > 0 && job.vehicle.system.kind === "engine");
const marshal = flashingBrake();
const cart = demoThat((job) => job.vehicle.system.kind === "pack" && job.aims.length > 0);
const onePole = demoThat((job) =>
  job.controls.some((c) => c.poles === 1 && c.inputs.includes("hazard")),
);

describe("cutlist", () => {
  it("tells the same wires as lines, as CSV and as JSON", async () => {
    const [lines, csv, json] = await Promise.all([
      call(tourer, ["cutlist", "job.json"]),
      call(tourer, ["cutlist", "job.json", "--csv"]),
      call(tourer, ["cutlist", "job.json", "--json"]),
    ]);
    const list = JSON.parse(json.out) as CutList;
    const rows = rowsOf(csv.out);
    expect(rows).toHaveLength(list.lines.length + list.readyMade.length);
    expect(list.lines.length).toBeGreaterThan(10);
    for (const { label, cutM } of list.lines) {
      expect(lines.out).toContain(`${label}  `);
      expect(rows.some((r) => Object.values(r).includes(label))).toBe(true);
      expect(cutM).toBeGreaterThan(0);
    }
    expect([lines.code, csv.code, json.code]).toEqual([0, 0, 0]);
  });

  it("takes each piece off exactly one spool, and none longer than its spool", async () => {
    const list = JSON.parse((await call(tourer, ["cutlist", "job.json", "--json"])).out) as CutList;
    const cut = list.spools.flatMap((s) => s.cuts.flat());
    expect([...cut].sort()).toEqual(list.lines.map((l) => l.label).sort());
    for (const spool of list.spools) {
      const total = list.lines
        .filter((l) => l.gaugeId === spool.gaugeId && l.colour === spool.colour)
        .reduce((sum, l) => sum + l.cutM, 0);
      expect(spool.totalM).toBeCloseTo(total, 6);
    }
  });

  it("of a job without runs is empty and fine", async () => {
    const empty = { ...tourer, runs: [], lamps: [], mounts: [] };
    expect(await call(empty, ["cutlist", "job.json", "--csv"])).toMatchObject({ code: 0, err: "" });
  });
});

interface Routed {
  readonly wires: { label: string; places: string[]; lengthM: { value: number; low: number } }[];
  readonly stretches: { id: string; wires: string[]; bundleMm: number; sleeveMm: number | null }[];
  readonly gaps: unknown[];
}

describe("route", () => {
  it("leads every wire over stretches that the vehicle has, and finds no gap on the tourer", async () => {
    const { code, out } = await call(tourer, ["route", "job.json", "--json"]);
    const routed = JSON.parse(out) as Routed;
    expect(code).toBe(0);
    expect(routed.gaps).toEqual([]);
    const places = new Set<string>(tourer.vehicle.places.map((p) => p.id));
    for (const wire of routed.wires) {
      expect(wire.places.every((p) => places.has(p))).toBe(true);
      expect(wire.lengthM.low).toBeLessThanOrEqual(wire.lengthM.value);
    }
    for (const s of routed.stretches) {
      expect(s.wires.length).toBeGreaterThan(0);
      if (s.sleeveMm !== null) expect(s.sleeveMm).toBeGreaterThanOrEqual(s.bundleMm);
    }
  });

  it("says in words where wires run, and that a vehicle has no map", async () => {
    const words = await call(tourer, ["route", "job.json"]);
    expect(words.out).toMatch(/ → /);
    expect(words.out).toMatch(/wires, \d+(\.\d)? mm thick/);
    const bare = {
      ...tourer,
      vehicle: { ...tourer.vehicle, places: [], segments: [] },
      strip: tourer.strip.map((step) => ({ ...step, covers: [] })),
      lamps: tourer.lamps.map((l) => ({ ...l, at: "" as const })),
      supplies: tourer.supplies.map((s) => ({ ...s, at: "" as const })),
      controls: tourer.controls.map((c) => ({ ...c, at: "" as const })),
      runs: tourer.runs.map((r) => ({
        ...r,
        relayAt: "" as const,
        switchAt: "" as const,
        spliceAt: "" as const,
      })),
    };
    const connectors = bare.vehicle.connectors.map((c) => ({ ...c, at: "" as const }));
    const none = await call({ ...bare, vehicle: { ...bare.vehicle, connectors } }, [
      "route",
      "job.json",
    ]);
    expect(none.out).toContain("no route map yet");
  });
});

describe("template", () => {
  it("is DXF unless SVG is asked for, in millimetres both", async () => {
    const dxf = await call(tourer, ["template", "job.json"]);
    expect(dxf.out).toContain("SECTION");
    expect(dxf.out.trimEnd().endsWith("EOF")).toBe(true);
    const svg = await call(tourer, ["template", "job.json", "--svg"]);
    expect(svg.out).toMatch(/^<svg [^>]*width="436mm"/);
    expect([dxf.code, svg.code]).toEqual([0, 0]);
  });

  it("is mirrored about the panel's middle, by name and by its holes", async () => {
    const circles = (text: string): string[] =>
      [...text.matchAll(/<circle cx="([\d.]+)" cy="([\d.]+)" r="([\d.]+)"/g)].map((m) =>
        [m[1], m[2], m[3]].join(" "),
      );
    const plain = circles((await call(tourer, ["template", "job.json", "--svg"])).out);
    const other = await call(tourer, ["template", "job.json", "--svg", "--mirror"]);
    expect(other.out).toContain("mirrored");
    // Panel of 420 mm, 8 mm from the drawing's edge: x goes to 436 − x.
    const turned = circles(other.out).map((c) => {
      const [x, y, r] = c.split(" ").map(Number) as [number, number, number];
      return [Number((436 - x).toFixed(4)), y, r].join(" ");
    });
    expect(turned.sort()).toEqual(plain.sort());
  });

  it("names the templates there are when another is asked for", async () => {
    const { code, err } = await call(tourer, ["template", "job.json", "--of", "bonnet"]);
    expect(code).toBe(2);
    expect(err).toContain('no template "bonnet" in this job (there are: lid)');
    expect(await call(marshal, ["template", "job.json"])).toMatchObject({ code: 2 });
  });

  it("takes one format at a time", async () => {
    const both = await call(tourer, ["template", "job.json", "--dxf", "--svg"]);
    expect(both).toMatchObject({ code: 2, out: "" });
  });

  it("ends with 1 and the hole's name when a hole is off its panel", async () => {
    const off: Job = {
      ...tourer,
      holes: tourer.holes.map((h, i) =>
        i === 0 ? { ...h, by: { kind: "edge", edge: "left", inMm: 900, alongMm: 10 } } : h,
      ),
    };
    const { code, err } = await call(off, ["template", "job.json"]);
    expect(code).toBe(1);
    expect(err).toContain(`${off.holes[0]!.name}: off the panel`);
  });
});

describe("signals", () => {
  it("tells each lamp's changes as CSV, in the order of time", async () => {
    const { code, out } = await call(marshal, ["signals", "job.json", "--csv"]);
    expect(code).toBe(0);
    const rows = rowsOf(out);
    expect(rows.length).toBeGreaterThan(20);
    expect(Object.keys(rows[0]!).length).toBeGreaterThanOrEqual(3);
  });

  it("judges turn lamps by the limits, and leaves a pattern its own", async () => {
    const { out } = await call(marshal, ["signals", "job.json"]);
    expect(out).toMatch(/LED turn lamp.*: too fast/);
    expect(out).not.toMatch(/Brake lamp.*too fast/);
  });

  it("plays a script from a file, and explains one that contradicts itself", async () => {
    const files = {
      "turn.txt": "0 key on\n1 left on\n9 left off\n12 end\n",
      "odd.txt": "5 key on\n1 left on\n",
    };
    // Five seconds of silence follow, so that what runs on can end.
    const good = await call(
      marshal,
      ["signals", "job.json", "--script", "turn.txt", "--json"],
      files,
    );
    expect(JSON.parse(good.out)).toMatchObject({ endS: 12 + 5 });
    const odd = await call(marshal, ["signals", "job.json", "--script", "odd.txt"], files);
    expect(odd.code).toBe(2);
    expect(odd.err).toMatch(/script, line 2/);
    const gone = await call(marshal, ["signals", "job.json", "--script", "gone.txt"], files);
    expect(gone).toMatchObject({ code: 2, err: "gone.txt: no such file\n" });
  });
});

describe("budget and compare", () => {
  it("tell a charging system its states, and a pack its evening", async () => {
    const engine = await call(marshal, ["budget", "job.json"]);
    expect(engine.out).toMatch(/idle/);
    expect(engine.out).toMatch(/cruise/);
    const pack = await call(cart, ["budget", "job.json"]);
    expect(pack.out).not.toMatch(/A to spare/);
    const json = await call(cart, ["budget", "job.json", "--json"]);
    const { running, evening } = JSON.parse(json.out) as {
      running: unknown[];
      evening: { blocks: unknown[] };
    };
    expect(running).toEqual([]);
    expect(evening.blocks.length).toBeGreaterThan(0);
  });

  it("compare four ways on a pack, and say that an engine has none to compare", async () => {
    const ways = await call(cart, ["compare", "job.json", "--json"]);
    expect(ways.code).toBe(0);
    expect(JSON.stringify(JSON.parse(ways.out))).toMatch(/converter/i);
    const engine = await call(marshal, ["compare", "job.json"]);
    expect(`${engine.out}${engine.err}`).toMatch(/pack/);
  });
});

describe("prove and faults", () => {
  it("end with 1 where the wiring does something else than was meant, and say what", async () => {
    const { code, out } = await call(onePole, ["prove", "job.json"]);
    expect(code).toBe(1);
    expect(out).toMatch(/unasked|dark/);
    const json = await call(onePole, ["prove", "job.json", "--json"]);
    expect(json.code).toBe(1);
    expect((JSON.parse(json.out) as { differences: unknown[] }).differences.length).toBeGreaterThan(
      0,
    );
  });

  it("list every fault with its words as JSON", async () => {
    const { out } = await call(marshal, ["faults", "job.json", "--json"]);
    const text = JSON.stringify(JSON.parse(out));
    expect(text).toContain("chafed");
    expect(text).toContain("fuse");
  });
});

describe("sheet and examples", () => {
  it("write a page a run and the whole loom, as SVG", async () => {
    const { code, written, out } = await call(marshal, ["sheet", "job.json", "--out", "here"]);
    expect(code).toBe(0);
    expect(written.size).toBe(marshal.runs.length + 1);
    expect([...written.keys()].every((p) => p.startsWith("here/") && out.includes(p))).toBe(true);
    for (const svg of written.values()) expect(svg).toMatch(/^<svg [\s\S]*<\/svg>\s*$/);
  });

  it("say where they could not write, and end with 2", async () => {
    const { code, err } = await call(marshal, ["sheet", "job.json", "--out", "/full"]);
    expect(code).toBe(2);
    expect(err).toMatch(/^\/full\/01-.*: no space left on device\n$/);
  });

  it("write the demo's jobs as files that are read again", async () => {
    const { code, written } = await call(marshal, ["examples", "folder"]);
    expect(code).toBe(0);
    expect(written.size).toBeGreaterThanOrEqual(20);
    for (const [path, text] of [...written].slice(0, 4)) {
      expect(await call(marshal, ["check", path], { [path]: text })).not.toMatchObject({ code: 2 });
    }
  });
});

describe.each([
  "check",
  "solve",
  "spice",
  "prove",
  "faults",
  "budget",
  "compare",
  "signals",
  "cutlist",
  "route",
  "template",
  "sheet",
])("%s", (verb) => {
  it("ends with 2, the path and the reason on what it cannot read", async () => {
    const torn = await call(marshal, [verb, "torn.json"], { "torn.json": '{"format":' });
    expect(torn.code).toBe(2);
    expect(torn.err).toMatch(/^torn\.json: /);
    expect(torn.out).toBe("");
    expect(await call(marshal, [verb, "gone.json"])).toMatchObject({
      code: 2,
      err: "gone.json: no such file\n",
    });
    const newer = await call(marshal, [verb, "newer.json"], {
      "newer.json": printJob(marshal).replace(JOB_FORMAT, "dragonet-job/99"),
    });
    expect(newer.err).toMatch(/newer\.json: format: .*newer/);
  });
});
