import fc from "fast-check";
import {
  addStep,
  applyEdits,
  carriedOver,
  createJob,
  integrityFaults,
  notBackYet,
  notClosed,
  notOffYet,
  planJob,
  readStep,
  reassembly,
  removeStep,
  setIn,
  stripOrder,
  synthesise,
  tightText,
  timeTaken,
  toolsOf,
  type Edit,
  type Job,
  type TeardownStep,
} from "../src/index.ts";
import { demoJobs } from "../src/demo/index.ts";

const tourer = (): Job => demoJobs().find((j) => j.card.title.startsWith("Box lamp"))!;

const did = (job: Job, ...edits: Edit[]): Job => {
  const result = applyEdits(job, edits);
  if (!result.ok) throw new Error(`${result.path}: ${result.message}`);
  return result.job;
};

const step = (job: Job, name: string): TeardownStep => job.strip.find((s) => s.name === name)!;

describe("a step said in one breath", () => {
  it("is read with its fasteners, plugs and warnings", () => {
    const read = readStep(
      "left cover: 2 hex M6 x 20 front 10 Nm, one push rear, three cross M5 by 12 medium locker; plug seat heater, under the hook; after seat, rack; hold; painted; 6 min; slides forward; forget the spring",
    );
    expect(read).toEqual({
      ok: true,
      step: {
        name: "left cover",
        after: ["seat", "rack"],
        covers: [],
        fasteners: [
          {
            count: 2,
            drive: "hex",
            size: "M6",
            lengthMm: 20,
            torqueNm: 10,
            locker: "none",
            where: "front",
          },
          {
            count: 1,
            drive: "push",
            size: "",
            lengthMm: 0,
            torqueNm: 0,
            locker: "none",
            where: "rear",
          },
          {
            count: 3,
            drive: "cross",
            size: "M5",
            lengthMm: 12,
            torqueNm: 0,
            locker: "medium",
            where: "",
          },
        ],
        plugs: [{ name: "seat heater", where: "under the hook" }],
        catches: "slides forward",
        forget: "the spring",
        hold: true,
        paint: true,
        estimateMin: 6,
        notes: [],
      },
    });
  });

  /** Fasteners in one line each: count, drive, size, mm, torque, where. */
  const fastened = (text: string): string[] => {
    const read = readStep(text);
    if (!read.ok) throw new Error(read.message);
    return read.step.fasteners.map((f) =>
      [f.count, f.drive, f.size, f.lengthMm || "", f.torqueNm ? `${f.torqueNm} Nm` : "", f.where]
        .filter((t) => t !== "")
        .join(" "),
    );
  };

  // As people at the lift say it: common practice.
  it.each([
    ["seat: 8 star T25", ["8 sixLobe T25"]],
    ["seat 8 bolts T40 very tight", ["8 sixLobe T40 very tight"]],
    ["side cover, 5 screws", ["5 cross"]],
    ["nose: 3 clips", ["3 push"]],
    ["lid, 2 tabs at the hinge", ["2 push at the hinge"]],
    ["belly pan 11 screws, bent end to the rear", ["11 cross bent end to the rear"]],
    ["rack two bolts M8 1.5 in rear", ["2 hex M8 38.1 rear"]],
    ["rack: two bolts M8 x 1.5 in", ["2 hex M8 38.1"]],
    ["rack: four 1/4-20 bolts by 1 inch, front", ["4 hex 1/4-20 25.4 front"]],
    [
      "fairing 6 allen M5 by 16, one longer at the front",
      ["6 socket M5 16 one longer at the front"],
    ],
    ["dash 4 phillips and 2 push rivets", ["4 cross", "2 push"]],
    ["tank: a hex bolt M8 x 30 12 Nm", ["1 hex M8 30 12 Nm"]],
    ["grille, six 8 mm hex", ["6 hex 8 mm"]],
    ["guard 3 star bolts T30 20 mm long left", ["3 sixLobe T30 20 left"]],
    ["cowl: four wing nuts", ["4 hand"]],
    ["seat: 8 t25", ["8 sixLobe T25"]],
    ["rail: 2 bolts left hand side", ["2 hex left hand side"]],
    ["rail: 4 bolts M8 at the cross member", ["4 hex M8 at the cross member"]],
    ["vent: 3 clips in the slot", ["3 push in the slot"]],
    ["tray two long cross screws", ["2 cross long"]],
    ["seat a little tight 2 bolts", ["2 hex"]],
    ["mirror: a long bolt M10", ["1 hex M10 long"]],
    ["lens: four #10-24 x 19 cross top", ["4 cross #10-24 19 top"]],
    ["headlight ring, one slotted screw underneath", ["1 slot underneath"]],
  ])("%s", (text, fasteners) => {
    expect(fastened(text)).toEqual(fasteners);
  });

  it("has its name before its fasteners, wherever those begin", () => {
    const name = (text: string): string | false => {
      const read = readStep(text);
      return read.ok && read.step.name;
    };
    expect(name("seat held by 8 star T25")).toBe("seat");
    expect(name("cover 2, 5 screws")).toBe("cover 2");
    expect(name("left cover 2 hex M6; plug heater")).toBe("left cover");
    expect(name("8 star T25")).toBe("panel");
    expect(name("trunk lid 2")).toBe("trunk lid 2");
  });

  it("is said in one go with commas alone, in any order", () => {
    const read = readStep(
      "left cover, 2 hex M6 front, plug the heater, under the hook, after the seat, rack, hold it, about 6 min, new clips, slides forward",
    );
    expect(read).toMatchObject({
      ok: true,
      step: {
        ...{ name: "left cover", after: ["seat", "rack"], hold: true, estimateMin: 6 },
        plugs: [{ name: "heater", where: "under the hook" }],
        ...{ catches: "slides forward", forget: "new clips", notes: [] },
      },
    });
  });

  it("minds the whole way that something moves", () => {
    const read = readStep("lid: 2 hex M6; slides back, then up; smells of diesel");
    expect(read).toMatchObject({
      step: { catches: "slides back, then up", notes: ["smells of diesel"] },
    });
  });

  it("keeps what it does not understand, and puts it where it is minded", () => {
    const read = readStep("seat: 2 hex M6; smells of diesel; 120 hex M6; catch two lugs");
    if (!read.ok) throw new Error(read.message);
    expect(read.step.notes).toEqual(["smells of diesel", "120 hex M6"]);
    const added = addStep(createJob("t", "", tourer().vehicle), read.step, (p) => `${p}-1`);
    if (!added.ok) throw new Error(added.message);
    expect(added.edits[0]).toMatchObject({
      value: { catches: "two lugs; smells of diesel; 120 hex M6" },
    });
  });

  it("loses no word of what was said", () => {
    const words = fc.array(
      fc.constantFrom(
        ...["seat", "two", "8", "star", "T25", "clips", "rear", "bent", "plug", "heater", "after"],
        ...["rack", "new", "ones", "hold", "M6", "x", "20", "and", ",", ";", ":", "tight"],
      ),
      { minLength: 1, maxLength: 14 },
    );
    fc.assert(
      fc.property(words, (said) => {
        const read = readStep(said.join(" "));
        if (!read.ok) return;
        const told = JSON.stringify(read.step).toLowerCase();
        for (const word of said.filter((w) =>
          ["bent", "rear", "tight", "rack", "heater"].includes(w),
        )) {
          expect(told).toContain(word);
        }
      }),
      { numRuns: 500 },
    );
  });

  it.each([
    ["", /no panel named/],
    [" ; , ", /no panel named/],
    ["x".repeat(501), /500 or fewer/],
  ])("%#: is refused where nothing is said, or too much", (text, message) => {
    const read = readStep(text);
    expect(read.ok).toBe(false);
    expect(!read.ok && read.message).toMatch(message);
  });

  it("waits for steps by name, and names those there are when one is not", () => {
    const said = readStep("hook: 1 hex M6; after rider seat");
    const wrong = readStep("hook: 1 hex M6; after saddle");
    if (!said.ok || !wrong.ok) throw new Error("not read");
    const added = addStep(tourer(), said.step, (p) => `${p}-new`);
    expect(added.ok && added.edits).toHaveLength(2);
    expect(addStep(tourer(), wrong.step, (p) => p)).toMatchObject({
      ok: false,
      message: expect.stringMatching(/no such step \(there are: rider seat/) as string,
    });
  });
});

describe("the ledger", () => {
  it("comes off with what others wait for first, and goes back the other way round", () => {
    const job = tourer();
    const order = stripOrder(job.strip).map((s) => s.name);
    expect(order.indexOf("rider seat")).toBeLessThan(order.indexOf("left side cover"));
    expect(order.indexOf("trunk liner")).toBeLessThan(order.indexOf("trunk lid"));
    const back = reassembly(job);
    expect(back.map((b) => b.step.name)).toEqual([...order].reverse());
    const lid = back.find((b) => b.step.name === "trunk lid")!;
    expect(lid.lines.join("\n")).toMatch(/9 N·m, medium thread locker, once the position is final/);
    expect(lid.lines[0]).toBe("not to forget: the gas strut's clip");
    const liner = back.find((b) => b.step.name === "trunk liner")!;
    expect(liner.lines.join("\n")).toMatch(/snug and a quarter turn/);
  });

  it("takes nothing off before its plugs are parted and what is over it is off", () => {
    const job = tourer();
    expect(notOffYet(job, step(job, "left side cover"))).toEqual(["rider seat comes off first"]);
    expect(notOffYet(job, step(job, "rider seat"))).toEqual([
      "part the plug: heated seat, under the nose of the seat",
    ]);
  });

  it("will not close with a fastener or a plug unaccounted for", () => {
    let job = tourer();
    const seat = step(job, "rider seat");
    const plug = job.plugs.find((p) => p.stepId === seat.id)!;
    const bolts = job.fasteners.find((f) => f.stepId === seat.id)!;
    job = did(
      job,
      setIn("plug", plug.id, "parted", true),
      setIn("stripStep", seat.id, "state", "off"),
    );
    expect(notBackYet(job, step(job, "rider seat"))).toEqual([
      "plug still apart: heated seat",
      "2 of 2 still out: M6 × 18 socket head, rear",
    ]);
    job = did(job, setIn("fastener", bolts.id, "back", 1));
    expect(notClosed(job).join()).toMatch(/1 of 2 still out/);
    const late = did(job, { kind: "setOnce", entity: "card", field: "stage", value: "handOver" });
    const open = planJob(late, "metric").findings.find((f) => f.rule === "ledger-open");
    expect(open).toMatchObject({ severity: "stop" });
    job = did(
      job,
      setIn("fastener", bolts.id, "back", 2),
      setIn("plug", plug.id, "joined", true),
      setIn("stripStep", seat.id, "state", "back"),
    );
    expect(notClosed(job)).toEqual([]);
  });

  it("that goes round in a circle is told at the step, with the circle in words", () => {
    const job = tourer();
    const [seat, cover] = [step(job, "rider seat"), step(job, "left side cover")];
    const round = did(job, setIn("stripStep", seat.id, "after", [cover.id]));
    expect(integrityFaults(round)).toEqual([
      {
        path: "strip[0].after",
        message:
          "goes round in a circle: rider seat after left side cover after rider seat (one of them needs to come off first)",
      },
    ]);
  });

  it("counts no more back than there are, and no spots without a fastener", () => {
    const job = tourer();
    const [first] = job.fasteners;
    const wrong = did(job, setIn("fastener", first!.id, "back", first!.count + 1));
    expect(integrityFaults(wrong)[0]).toMatchObject({ path: "fasteners[0].back" });
  });

  it("loses a step with what belongs to it, and others no longer wait for it", () => {
    const job = tourer();
    const seat = step(job, "rider seat");
    const without = did(job, ...removeStep(job, seat.id));
    expect(integrityFaults(without)).toEqual([]);
    expect(step(without, "left side cover").after).toEqual([]);
  });

  it("starts the next job on the model fresh, with the time taken as the estimate", () => {
    const job = tourer();
    const over = carriedOver(did(job, setIn("stripStep", job.strip[0]!.id, "state", "off")));
    expect(over.strip.map((s) => s.name)).toEqual(job.strip.map((s) => s.name));
    expect(over.strip.every((s) => s.state === "on" && s.tookMin === 0)).toBe(true);
    expect(over.strip[2]!.estimateMin).toBe(9);
    expect(over.fasteners.every((f) => f.back === 0)).toBe(true);
    expect(over.holes).toEqual(job.holes);
    expect(timeTaken(job)).toEqual({ tookMin: 27, estimateMin: 21 });
  });

  it("says how tight: a torque where it is known, by hand where it is not", () => {
    const [first] = tourer().fasteners;
    expect(tightText(first!)).toBe("7 N·m");
    expect(tightText({ ...first!, torqueNm: 0 })).toBe("snug and a quarter turn");
    expect(tightText({ ...first!, torqueNm: 0, drive: "push" })).toBe("pressed home");
  });
});

describe("tools to lay out", () => {
  it("are one for each drive and size, none for what a hand turns", () => {
    const empty = createJob("t", "", tourer().vehicle);
    const read = readStep(
      "seat: 2 star T30, 1 star, 4 M6 allen, 2 hex M8, a hex bolt, 3 clips, 1 cross, 1 slot, 2 wing nuts",
    );
    if (!read.ok) throw new Error(read.message);
    let n = 0;
    const added = addStep(empty, read.step, (p) => `${p}-${(n += 1)}`);
    if (!added.ok) throw new Error(added.message);
    const job = did(empty, ...added.edits);
    const names = toolsOf(job, synthesise(job))
      .filter(({ why }) => why === "fasteners of the ledger")
      .map(({ name }) => name);
    expect(names).toEqual([
      ...[
        "star bit T30 (six-lobe)",
        "star bits (six-lobe)",
        "hex key for M6",
        "socket or spanner for M8",
      ],
      ...["socket or spanner for hex heads", "trim clip tool", "cross-head driver"],
      "slot-head driver",
    ]);
  });
});
