import {
  printPartsCsv,
  printVehiclesCsv,
  readPartsCsv,
  readVehiclesCsv,
  type Part,
  type Vehicle,
} from "../src/index.ts";
import { DEMO_SHELF, DEMO_VEHICLES } from "../src/demo/index.ts";

describe("parts as CSV", () => {
  it("come back exactly as they went out", () => {
    expect(readPartsCsv(printPartsCsv(DEMO_SHELF))).toEqual({ ok: true, value: DEMO_SHELF });
  });

  it("survive commas, quotes, newlines and what a spreadsheet would run", () => {
    const base = DEMO_SHELF.find((p) => p.kind === "sundry")!;
    const nasty: Part[] = ['a,"b"', "line\nbreak", "=1+1", "@cmd", "'=quoted", "näher Ω"].map(
      (name, i) => ({ ...base, id: `n${i}` as Part["id"], name }),
    );
    const text = printPartsCsv(nasty);
    expect(text).not.toMatch(/(^|,)=1/m);
    expect(readPartsCsv(text)).toEqual({ ok: true, value: nasty });
  });

  it("take bounds by provenance when a spreadsheet gives none", () => {
    const read = readPartsCsv(
      "id,kind,name,load,power_w,power_w_from,min_v,max_v\na,load,Pod,drivenLed,20,measured,9,32",
    );
    expect(read).toMatchObject({
      ok: true,
      value: [{ load: { powerW: { value: 20, low: 19.6, high: 20.4 } }, stock: 0 }],
    });
  });

  it("are refused with line and column for every fault", () => {
    const read = readPartsCsv(
      [
        "id,kind,name,load,power_w,min_v,max_v,contact_a,coil_ohm",
        "a,load,Pod,laser,20,9,32,,",
        "b,relay,,,,,,lots,88",
        "a,sundry,Tie,,,,,,",
      ].join("\n"),
    );
    if (read.ok) throw new Error("was taken");
    const said = read.faults.map((f) => `${f.line} ${f.column} ${f.message}`);
    expect(said).toEqual([
      expect.stringMatching(/^2 load invalid value: "laser" \(one of drivenLed/) as string,
      expect.stringMatching(/^3 name this cell is empty/) as string,
      expect.stringMatching(/^3 contact_a invalid number: "lots"/) as string,
      expect.stringMatching(/^4 id "a" stands on line 2 already/) as string,
    ]);
  });

  it("are refused when a column is missing or the text is torn", () => {
    expect(readPartsCsv("id,name\n1,x")).toMatchObject({
      faults: [{ line: 1, column: "kind" }],
    });
    expect(readPartsCsv('id,kind,name\n1,sundry,"x')).toMatchObject({ ok: false });
    expect(readPartsCsv("")).toMatchObject({ ok: false });
  });
});

describe("vehicles as CSV", () => {
  it("come back exactly as they went out", () => {
    const read = readVehiclesCsv(printVehiclesCsv(DEMO_VEHICLES));
    const blank = (v: Vehicle): Vehicle => v;
    expect(read).toEqual({ ok: true, value: DEMO_VEHICLES.map(blank) });
  });

  it("are refused with the line of a bad cell and the name of a missing one", () => {
    const text = printVehiclesCsv([DEMO_VEHICLES[0]!])
      .replace(/battery,,capacityAh,14,/, "battery,,capacityAh,plenty,")
      .split("\n")
      .filter((line) => !line.includes("charging,,idleRpm"))
      .join("\n");
    const read = readVehiclesCsv(text);
    if (read.ok) throw new Error("was taken");
    const said = read.faults.map((f) => f.message);
    expect(said).toContainEqual(expect.stringContaining('invalid number: "plenty"'));
    expect(said).toContainEqual(expect.stringContaining('no row for "idleRpm"'));
  });
});
