/**
 * Five jobs as netlists that were written by hand: what lies between source and lamp, with each
 * resistance from a published formula, solved by ngspice (Debian package). No circuit of the
 * planner's is used for them: only what the job document says, and what an installer measures.
 */
import {
  allOf,
  asId,
  designPoint,
  measured,
  synthesise,
  type Job,
  type LoadPart,
  type LightingCircuit,
  type Vehicle,
} from "../src/index.ts";
import { MIDGE, demoPart } from "../src/demo/index.ts";
import { behind, jobWith, sure } from "./helpers.ts";
import { ngspice } from "./ngspice.ts";

/** ASTM B258: d = 0.127 mm · 92^((36 − n) / 39). IEC 60028: 17.241 nΩ·m, and 0.393 % a kelvin; 2 % for strands. */
function awgOhm(n: number, metres: number, celsius: number): number {
  const d = 0.127e-3 * 92 ** ((36 - n) / 39);
  return (1.02 * 1.7241e-8 * (1 + 0.00393 * (celsius - 20)) * metres * 4) / (Math.PI * d ** 2);
}

/** IEC 60228 class 5, plain copper (from memory), Ω/km at 20 °C. */
const CLASS_5 = { 1: 19.5, 1.5: 13.3, 2.5: 7.98 };
const metricOhm = (mm2: keyof typeof CLASS_5, metres: number, celsius: number): number =>
  (CLASS_5[mm2] / 1000) * metres * (1 + 0.00393 * (celsius - 20));

/** A blade fuse drops 0.1 V at its rating, a contact or switch has 5 mΩ, a lug on a frame 8 mΩ: common practice. */
const fuseOhm = (ratingA: number): number => 0.1 / ratingA;
const CONTACT_OHM = 0.005;
const LUG_OHM = 0.008;
/** A lead battery has 0.24 Ω for each Ah that it has, all of it: common practice. */
const insideOhm = (ah: number): number => 0.24 / ah;

const AMBIENT = 20;
const bare = (vehicle: Vehicle): Vehicle => ({ ...vehicle, places: [], segments: [] });
const lengths: Partial<LightingCircuit> = {
  ...{ fuseAtM: measured(0.15), feedM: measured(0.5), loadM: measured(2) },
  ...{ branchM: measured(0.4), controlM: measured(0.6), tapM: measured(0.3) },
};
const cool = (job: Job): Job => ({
  ...job,
  vehicle: bare(job.vehicle),
  practices: { ...job.practices, ambientC: AMBIENT },
});

const load = (spec: LoadPart["load"], family: LoadPart["family"] = "lamp"): LoadPart => ({
  ...(demoPart("pod-18") as LoadPart),
  ...{ id: asId("by-hand"), name: "By hand", family, pigtail: "", load: spec },
});

/** Volts at each load of the only run, everything on. */
function lampVolts(job: Job, volts: { sourceV: number; packV: number }): number[] {
  const circuit = synthesise(job);
  const point = designPoint(job, circuit, volts);
  return circuit.runs[0]!.branches.map(({ load: id }) => {
    const at = point.at.get(id)!;
    return at.fromV - at.toV;
  });
}

const deck = (...lines: string[]): Map<string, number> =>
  ngspice(["by hand", ...lines, ".op", ".end", ""].join("\n"));

/** Copper is warmed by its own current: a few millivolts of what is lost on the way. */
const WITHIN_V = 0.006;

describe("a netlist written by hand agrees with the plan", () => {
  it("one 35 W bulb on its switch and the frame: its current goes with V^0.55", () => {
    const bulb = load({ kind: "filament", powerW: sure(35), ratedV: 12 });
    const job = cool(
      jobWith(bulb, 1, allOf("switch"), {
        ...lengths,
        ...{ relay: "no", wire: "16 AWG", fuse: { kind: "rating", ratingA: 5 } },
      }),
    );
    const out = awgOhm(16, 0.15 + (0.5 + 0.6) + (2 + 0.6) + 0.4, AMBIENT);
    const v = deck(
      "Vb b 0 12.7",
      `Rb b p ${insideOhm(14)}`,
      `Ro p l ${out + fuseOhm(5) + CONTACT_OHM}`,
      "Bl l m I = (35/12) * pow(max(V(l,m),0.1)/12, 0.55)",
      `Rr m 0 ${awgOhm(16, 0.4, AMBIENT) + LUG_OHM}`,
    );
    const [volts] = lampVolts(job, { sourceV: 12.7, packV: 0 });
    expect(Math.abs(volts! - (v.get("l")! - v.get("m")!))).toBeLessThan(WITHIN_V);
  });

  it("two 18 W pods with drivers on a relay, a wire of their own back: each takes P / V", () => {
    const pod = load({ kind: "drivenLed", powerW: sure(18), minV: 9, maxV: 32 });
    const job = cool(
      jobWith(pod, 2, allOf("switch"), {
        ...lengths,
        ...{ relay: "yes", return: "wire", wire: "1.5 mm²" },
        fuse: { kind: "rating", ratingA: 5 },
      }),
    );
    const out = metricOhm(1.5, 0.15 + 0.5 + 2, AMBIENT) + fuseOhm(5) + CONTACT_OHM;
    const back = metricOhm(1.5, 2 + 0.5, AMBIENT);
    const branch = metricOhm(1.5, 0.4, AMBIENT);
    const v = deck(
      "Vb b 0 12.7",
      `Rb b p ${insideOhm(14)}`,
      // The coil hangs behind the fuse, with 88 Ω.
      "Rc p 0 88",
      `Ro p s ${out}`,
      `Ra1 s a ${branch}`,
      "B1 a c I = 18 / max(V(a,c), 9)",
      `Ra2 c g ${branch}`,
      `Rb1 s d ${branch}`,
      "B2 d e I = 18 / max(V(d,e), 9)",
      `Rb2 e g ${branch}`,
      `Rg g 0 ${back}`,
    );
    const [first, second] = lampVolts(job, { sourceV: 12.7, packV: 0 });
    expect(Math.abs(first! - (v.get("a")! - v.get("c")!))).toBeLessThan(WITHIN_V);
    expect(Math.abs(second! - (v.get("d")! - v.get("e")!))).toBeLessThan(WITHIN_V);
  });

  it("a heater of 60 W on its relay and the frame: an ohmic load, by V² / R", () => {
    const heater = load({ kind: "resistive", powerW: sure(60), ratedV: 12 }, "heater");
    const job = cool(
      jobWith(heater, 1, allOf("switch"), {
        ...lengths,
        ...{ relay: "yes", wire: "14 AWG", fuse: { kind: "rating", ratingA: 7.5 } },
      }),
    );
    // Without ngspice: a divider. R = 12² / 60 = 2.4 Ω; the coil's seventh of an amp is beside it.
    const way = awgOhm(14, 0.15 + 0.5 + 2 + 0.4 + 0.4, AMBIENT);
    const rest = way + fuseOhm(7.5) + CONTACT_OHM + LUG_OHM;
    const v = deck(
      "Vb b 0 12.7",
      `Rb b p ${insideOhm(14)}`,
      "Rc p 0 88",
      `Ro p l ${rest}`,
      "Rl l 0 2.4",
    );
    const [volts] = lampVolts(job, { sourceV: 12.7, packV: 0 });
    expect(Math.abs(volts! - v.get("l")!)).toBeLessThan(WITHIN_V);
    expect(Math.abs(volts! - (12.7 * 2.4) / (2.4 + rest + insideOhm(14)))).toBeLessThan(0.01);
  });

  it("five plain 10 W lamps in series on a pack of 62 V: each has a fifth of what is left", () => {
    const lamp = load({ kind: "resistive", powerW: sure(10), ratedV: 12 });
    const job = cool(
      jobWith(
        lamp,
        5,
        allOf("switch"),
        {
          ...lengths,
          ...{ relay: "no", arrangement: "series", return: "wire", wire: "18 AWG" },
          ...{ feed: { kind: "pack" }, fuse: { kind: "rating", ratingA: 3 } },
        },
        MIDGE,
      ),
    );
    const found = lampVolts(job, { sourceV: 0, packV: 62 });
    // 14.4 Ω each; 0.86 A. What copper, fuse, switch and pack take of 62 V is some 0.1 V of it.
    const way = awgOhm(18, 0.15 + 1.1 + 2.6 + 6 * 0.4 + 2.5, AMBIENT) + fuseOhm(3) + CONTACT_OHM;
    const v = deck("Vb b 0 62", `Rw b l ${way}`, "Rl l 0 72");
    for (const volts of found) expect(Math.abs(volts - v.get("l")! / 5)).toBeLessThan(0.03);
    expect(found).toHaveLength(5);
  });

  it("two 3 A horns behind a converter: it holds 13 V whatever the pack shows", () => {
    const job = cool(
      behind("converter-60-12-25", load({ kind: "constantCurrent", currentA: sure(3) }, "horn"), 2),
    );
    const on = {
      ...job,
      runs: job.runs.map((run) => ({
        ...run,
        ...lengths,
        relay: "no" as const,
        wire: "14 AWG",
        fuse: { kind: "rating", ratingA: 10 } as const,
      })),
    };
    const [at48, at56] = [48, 56].map((packV) => lampVolts(on, { sourceV: 0, packV })[0]!);
    // 6 A on the trunk out and back, 3 A on each branch.
    const feeder = awgOhm(14, 0.15 + 1.1 + 2.6 + 2.5, AMBIENT) + fuseOhm(10) + CONTACT_OHM;
    const v = 13 - 6 * feeder - 3 * awgOhm(14, 0.8, AMBIENT);
    expect(Math.abs(at48! - v)).toBeLessThan(0.1);
    expect(Math.abs(at56! - at48!)).toBeLessThan(1e-6);
  });
});
