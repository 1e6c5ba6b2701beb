import { printIes, readIes } from "@dragonet/core";
import { call, demoThat, flashingBrake } from "./call.ts";

const marshal = flashingBrake();
const wall = demoThat((job) => job.aims.length === 1);

/** A flat glowing disc of 1000 cd, as a file (Lambert: 3142 lm). */
const DISC = (() => {
  const angles = Array.from({ length: 91 }, (_, i) => i);
  const text = [
    ...["IESNA:LM-63-2002", "[LUMINAIRE] Disc", "TILT=NONE", "1 -1 1 91 1 1 2 0 0 0", "1 1 10"],
    ...[
      angles.join(" "),
      "0",
      angles.map((a) => (1000 * Math.cos((a * Math.PI) / 180)).toFixed(3)).join(" "),
    ],
  ].join("\n");
  const read = readIes(text);
  if (!read.ok) throw new Error(read.message);
  return printIes(read.value);
})();

describe("aim", () => {
  it("puts marks where the tape finds them, at any distance", async () => {
    const marks = async (distance: string) =>
      (
        JSON.parse(
          (await call(marshal, ["aim", "job.json", "--distance", distance, "--json"])).out,
        ) as {
          marks: { lamp: string; markM: { right: number; up: number }; lampM: { up: number } }[];
        }
      ).marks;
    for (const [distance, metres] of [
      ["7.62", 7.62],
      ["10", 10],
    ] as const) {
      const [left, right] = await marks(distance);
      // Pods 710 mm up, 240 mm aside, 0.3° down.
      expect(left!.markM.up).toBeCloseTo(0.71 - metres * Math.tan((0.3 * Math.PI) / 180), 6);
      expect([left!.markM.right, right!.markM.right]).toEqual([-0.24, 0.24]);
    }
  });

  it("tells road, glare and the correction of what was off", async () => {
    const { out } = await call(wall, ["aim", "job.json"]);
    expect(out).toMatch(/40 W light bar \(centre, driving\): spot 1040 mm up/);
    // 130 mm high at 7.62 m under a foot of 40 mm: 0.68 mm, under the rear edge to bring it down.
    expect(out).toMatch(
      /off 130 mm up, 10 mm right: shim of 0\.7 mm under the rear edge; turn it 0\.1° to the left/,
    );
    const { light } = JSON.parse((await call(marshal, ["aim", "job.json", "--json"])).out) as {
      light: { glare: { dippedLamps: string[] }; seeing: { metres: number } };
    };
    // Pods that light with the high beam only are dipped with it.
    expect(light.glare.dippedLamps).toEqual([]);
    expect(light.seeing.metres).toBeGreaterThan(100);
  });

  it("tells the road by the vehicle's own lamps before, and what may not be lit together", async () => {
    const { light } = JSON.parse((await call(marshal, ["aim", "job.json", "--json"])).out) as {
      light: {
        seeing: { metres: number };
        before: { lamps: { beam: string }[]; seeingM: number; glare: { cd: number }[] };
        together: unknown[];
      };
    };
    expect(light.before.lamps.map(({ beam }) => beam)).toEqual(["low", "driving"]);
    expect(light.before.seeingM).toBeLessThan(light.seeing.metres);
    // A low beam that is aimed sends an oncoming eye no more than it may.
    for (const { cd } of light.before.glare) expect(cd).toBeLessThanOrEqual(250);
    expect(light.together).toEqual([]);
    const text = JSON.stringify({
      ...marshal,
      practices: { ...marshal.practices, place: "un" },
      runs: marshal.runs.map((r) =>
        r.id === "pods" ? { ...r, condition: { anyOf: [[{ input: "key", negated: false }]] } } : r,
      ),
    });
    const keyed = await call(JSON.parse(text) as typeof marshal, ["aim", "job.json", "--json"]);
    const said = (JSON.parse(keyed.out) as { light: { together: { text: string }[] } }).light;
    expect(said.together.map((note) => note.text)).toEqual([
      "Aux pods is lit without the high beam",
    ]);
  });

  it("refuses a wall that is none", async () => {
    for (const distance of ["0", "x", "1e9"]) {
      const answer = await call(wall, ["aim", "job.json", "--distance", distance]);
      expect(answer).toMatchObject({ code: 2, out: "" });
      expect(answer.err).toContain("metres from lamp to wall");
    }
  });
});

describe("beam", () => {
  const beam = (args: readonly string[], text = DISC) =>
    call(wall, ["beam", "disc.ies", ...args], { "disc.ies": text });

  it("tells candela and lux at a point, by square and cosine", async () => {
    const said = JSON.parse((await beam(["--at", "10,0,0", "--json"])).out) as {
      lumens: number;
      point: { candela: number; luxFacing: number; luxUpright: number; luxLevel: number };
    };
    expect(said.lumens).toBeCloseTo(1000 * Math.PI, 0);
    expect(said.point.candela).toBeCloseTo(1000, 3);
    expect(said.point.luxFacing).toBeCloseTo(10, 5);
    const aside = JSON.parse((await beam(["--at=10,-10,0", "--json"])).out) as typeof said;
    expect(aside.point.luxFacing).toBeCloseTo((1000 * Math.SQRT1_2) / 200, 4);
    expect(aside.point.luxUpright).toBeCloseTo(1000 / 400, 4);
    const { out } = await beam(["--at", "3,0,-4"]);
    expect(out).toMatch(/Disc: type C, 1000 cd at most, 314\d lm/);
    expect(out).toMatch(
      /600 cd there; 24 lx turned to the lamp, 14\.4 lx on a wall, 19\.2 lx on the ground/,
    );
  });

  it("refuses a broken file by its line, and a point that is none", async () => {
    const torn = await beam([], DISC.replace("1000", "bright"));
    expect(torn).toMatchObject({ code: 2, out: "" });
    expect(torn.err).toMatch(/disc\.ies: line \d+: candela at 0°: "bright" is no number/);
    for (const at of ["1,2", "0,0,0", "a,b,c"]) {
      expect(await beam(["--at", at])).toMatchObject({ code: 2, out: "" });
    }
  });
});
