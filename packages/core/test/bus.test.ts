/** DBC and candump, open formats, against a general-purpose CAN library; the simulated module. */
import { Can, Dbc } from "candied";
import fc from "fast-check";
import {
  BusFollower,
  CandumpReader,
  LEAST_WRITE_V,
  MODULE_FAILURES,
  PLAIN,
  SIMULATED_DBC,
  compareModule,
  connect,
  decodeSignal,
  encodeSignal,
  framesOf,
  newModule,
  printCandump,
  readDbc,
  readModule,
  readScript,
  rollBack,
  unplug,
  writeModule,
  type Behaviour,
  type BusSignal,
  type Job,
  type Dbc as OurDbc,
} from "../src/index.ts";
import { demoJobs } from "../src/demo/index.ts";

const dbcOf = (text: string): OurDbc => {
  const read = readDbc(text);
  if (!read.ok) throw new Error(read.faults.map((f) => `${f.path}: ${f.message}`).join("; "));
  return read.value;
};

const SAMPLE = `VERSION ""

NS_ :

BS_:

BU_: A B

BO_ 100 FIRST: 8 A
 SG_ Small : 0|4@1+ (1,0) [0|15] "" B
 SG_ Crossing : 6|12@1- (0.5,-10) [0|0] "V" B
 SG_ Big : 39|16@0+ (0.05,0) [0|0] "km/h" B
 SG_ BigSigned : 55|16@0- (0.25,3) [0|0] "A" B

BO_ 2147484000 SECOND: 4 B
 SG_ Wide : 0|32@1+ (1,0) [0|0] "" A
`;

describe("DBC", () => {
  // That library reads Motorola order wrongly (bytes 12 34 as 0): those are checked by hand below.
  it("decodes Intel signals as a general-purpose CAN library does (candied), on random frames", () => {
    const theirs = new Dbc();
    theirs.load(SAMPLE);
    const can = new Can();
    can.database = theirs.data;
    const [first] = dbcOf(SAMPLE).messages;
    fc.assert(
      fc.property(fc.uint8Array({ minLength: 8, maxLength: 8 }), (bytes) => {
        const decoded = can.decode(can.createFrame(100, [...bytes]));
        for (const signal of first!.signals.filter((x) => x.littleEndian)) {
          const other = decoded?.boundSignals.get(signal.name)?.value;
          expect(other).toBeDefined();
          expect(decodeSignal(signal, bytes)).toBeCloseTo(other!, 9);
        }
      }),
      { seed: 3, numRuns: 200 },
    );
  });

  it("reads Motorola signals as their layout says, by hand", () => {
    const aligned = dbcOf(SAMPLE).messages[0]!.signals[2]!;
    // From bit 39 down, bytes 4 and 5: 0x1234 = 4660, at 0.05 km/h.
    const bytes = Uint8Array.from([0, 0, 0, 0, 0x12, 0x34, 0, 0]);
    expect(decodeSignal(aligned, bytes)).toBeCloseTo(4660 * 0.05, 12);
    const signed = dbcOf(SAMPLE).messages[0]!.signals[3]!;
    // Bytes 6 and 7 all ones: −1, at 0.25 A with 3 A added.
    const ones = Uint8Array.from([0, 0, 0, 0, 0, 0, 0xff, 0xff]);
    expect(decodeSignal(signed, ones)).toBeCloseTo(3 - 0.25, 12);
  });

  it("reads Motorola signals that end within a byte, by hand", () => {
    const text = 'BO_ 1 M: 8 A\n SG_ S : 55|13@0+ (0.25,3) [0|0] "" A\n';
    const signal = dbcOf(text).messages[0]!.signals[0]!;
    // Byte 6 is 0x12, byte 7 is 0x38: (0x12 << 5 | 0x38 >> 3) = 583.
    const data = Uint8Array.from([0, 0, 0, 0, 0, 0, 0x12, 0x38]);
    expect(decodeSignal(signal, data)).toBeCloseTo(583 * 0.25 + 3, 12);
  });

  it("knows extended frames, units and both byte orders", () => {
    const { messages } = dbcOf(SAMPLE);
    expect(messages.map((m) => [m.id, m.extended])).toEqual([
      [100, false],
      [352, true],
    ]);
    expect(messages[0]?.signals[2]).toMatchObject({ littleEndian: false, unit: "km/h" });
  });

  it("writes what it reads, for any signal that fits", () => {
    const signals = fc.record({
      startBit: fc.integer({ min: 0, max: 31 }),
      length: fc.integer({ min: 1, max: 24 }),
      signed: fc.boolean(),
      raw: fc.integer({ min: 0, max: 2 ** 24 }),
    });
    fc.assert(
      fc.property(signals, ({ startBit, length, signed, raw }) => {
        const signal: BusSignal = {
          name: "s",
          startBit,
          length,
          littleEndian: true,
          signed,
          factor: 0.5,
          offset: -4,
          unit: "",
        };
        const span = 2 ** length;
        const whole = (raw % span) - (signed && raw % span >= span / 2 ? span : 0);
        const data = new Uint8Array(8);
        encodeSignal(signal, whole * 0.5 - 4, data);
        expect(decodeSignal(signal, data)).toBeCloseTo(whole * 0.5 - 4, 9);
      }),
      { seed: 9 },
    );
  });

  it.each([
    ["BO_ x NAME: 8 A", "line 1", "invalid message"],
    ['SG_ S : 0|8@1+ (1,0) [0|1] "" A', "line 1", "before any message"],
    ['BO_ 1 M: 1 A\n SG_ S : 4|8@1+ (1,0) [0|1] "" A', "line 2", "does not fit"],
    ["BO_ 1 M: 1 A\n SG_ S zero", "line 2", "invalid signal"],
    ["BO_ 1 M: 1 A\nBO_ 1 N: 1 A", "line 2", "already"],
    ["hello", "line 1", "no messages"],
  ])("%j is refused with its line", (text, path, words) => {
    const read = readDbc(text);
    expect(read.ok).toBe(false);
    if (!read.ok) {
      expect(read.faults[0]?.path).toBe(path);
      expect(read.faults[0]?.message).toContain(words);
    }
  });
});

describe("candump", () => {
  it("is read in pieces of any size, and printed the same", () => {
    const log = "(100.000000) can0 210#0102\n(100.250000) can0 00000160#DEADBEEF\n";
    for (const size of [1, 7, 1000]) {
      const reader = new CandumpReader();
      const frames = [];
      for (let i = 0; i < log.length; i += size)
        frames.push(...reader.push(log.slice(i, i + size)));
      frames.push(...reader.end());
      expect(frames.map((f) => [f.atS, f.id, f.extended, f.data.length])).toEqual([
        [0, 0x210, false, 2],
        [0.25, 0x160, true, 4],
      ]);
      expect(printCandump(frames)).toContain("can0 210#0102");
    }
  });

  it("tells broken lines by their number and goes on", () => {
    const reader = new CandumpReader();
    const frames = reader.push("(1.0) can0 1#00\nnoise\n(2.0) can0 123#0\n(3.0) can0 123#00\n");
    expect(frames).toHaveLength(1);
    expect(reader.faults.map((f) => f.path)).toEqual(["line 1", "line 2", "line 3"]);
  });
});

describe("the simulated bus", () => {
  it("puts a script on the bus; its log gives the script again", () => {
    const [job] = demoJobs() as [Job];
    const text = "0 key on\n0.5 speed 42\n1 left on\n4 left off\n5 brake on\n6 brake off\n";
    const script = readScript(job, text);
    if (!script.ok) throw new Error("script");
    const dbc = dbcOf(SIMULATED_DBC);
    const log = printCandump(framesOf(dbc, script.value));
    const reader = new CandumpReader();
    const follower = new BusFollower(dbc);
    follower.push([...reader.push(log), ...reader.end()]);
    expect(reader.faults).toEqual([]);
    expect(follower.unknown).toBe(0);
    const controls = follower.events.filter((e) => e.kind !== "speed" || e.kmh > 0);
    expect(controls).toEqual(script.value.events);
  });
});

describe("the simulated module", () => {
  const was: Behaviour[] = [{ ...PLAIN, label: "as sold" }];
  const wanted: Behaviour[] = [
    { ...PLAIN, label: "four flashes", flashes: 4 },
    { ...PLAIN, label: "runs on", runOnS: 20 },
  ];
  const plugged = () => connect(newModule(was)).state;
  const good = { supplyV: 12.6, failure: "none" as const };

  it("is read, compared, written, verified, and rolled back", () => {
    const start = plugged();
    expect(readModule(start)).toEqual(was);
    expect(compareModule(start, wanted)).toEqual([0, 1]);
    const written = writeModule(start, wanted, good);
    expect(written.ok).toBe(true);
    expect(readModule(written.state)).toEqual(wanted);
    expect(compareModule(written.state, wanted)).toEqual([]);
    expect(readModule(rollBack(written.state).state)).toEqual(was);
  });

  it.each(MODULE_FAILURES.filter((f) => f !== "none"))(
    "survives %s: nothing is half-written, and it can be written afterwards",
    (failure) => {
      const failed = writeModule(plugged(), wanted, { ...good, failure });
      expect(failed.ok).toBe(false);
      expect(readModule(failed.state)).toEqual(was);
      const again = connect(failed.state);
      expect(again.state.pending).toEqual([]);
      expect(readModule(again.state)).toEqual(was);
      expect(readModule(writeModule(again.state, wanted, good).state)).toEqual(wanted);
    },
  );

  it("refuses what it may not: unplugged, or too few volts", () => {
    expect(writeModule(unplug(plugged()), wanted, good).said).toContain("Not connected");
    const low = writeModule(plugged(), wanted, { ...good, supplyV: LEAST_WRITE_V - 0.1 });
    expect(low.ok).toBe(false);
    expect(rollBack(unplug(plugged())).ok).toBe(false);
  });
});
