import { readFileSync, readdirSync } from "node:fs";
import { join } from "node:path";
import { printJob, type Job } from "@dragonet/core";
import { demoJobs } from "@dragonet/core/demo";
import { run } from "../src/run.ts";

const [, marshal] = demoJobs() as [Job, Job];

const call = (...args: string[]) => callOn(marshal, ...args);

function callOn(job: Job, ...args: string[]) {
  const said = { out: "", err: "" };
  const code = run(args, {
    read: (path) => (path === "job.json" ? printJob(job) : readFileSync(path, "utf8")),
    write: () => {},
    out: (text) => void (said.out += text),
    err: (text) => void (said.err += text),
    serveLines: () => 0,
  });
  return { code, ...said };
}

interface Solved {
  readonly nodes: { name: string; volts: number }[];
  readonly lamps: { label: string; level: number }[];
}

describe("solve and spice", () => {
  const pods = (set: string): number[] => {
    const { lamps } = JSON.parse(call("solve", "job.json", "--set", set, "--json").out) as Solved;
    return lamps.filter((l) => l.label.includes("spot")).map((l) => l.level);
  };

  it("light the pods with key, high beam and their switch, and not without", () => {
    expect(pods("key=on,high=on,pods=on").every((level) => level > 0.99)).toBe(true);
    expect(pods("key=on,pods=on").every((level) => level < 0.01)).toBe(true);
    expect(pods("all=on,high=off").every((level) => level < 0.01)).toBe(true);
  });

  it("stand on a battery as full as is said, and not on a percentage that is none", () => {
    const battery = (set: string): number => {
      const { nodes } = JSON.parse(call("solve", "job.json", "--set", set, "--json").out) as Solved;
      return Math.max(...nodes.map((n) => n.volts));
    };
    const all = "key=on,high=on,pods=on";
    expect(battery(`${all},charge=100`)).toBe(battery(all));
    expect(battery(all) - battery(`${all},charge=50`)).toBeGreaterThan(0.3);
    for (const wrong of ["charge", "charge=", "charge=-1", "charge=101", "charge=half"]) {
      expect(call("solve", "job.json", "--set", wrong)).toMatchObject({
        code: 2,
        err: `--set: invalid setting: "${wrong}" (percent, as charge=50)\n`,
      });
    }
  });

  it("take speed in km/h, and signals as screens call them", () => {
    for (const wrong of ["speed", "speed=", "speed=-1", "speed=fast"]) {
      expect(call("solve", "job.json", "--set", wrong)).toMatchObject({
        code: 2,
        err: `--set: invalid setting: "${wrong}" (speed in km/h, as speed=20)\n`,
      });
    }
    const said = call("solve", "job.json", "--set", "key on=on,high beam=on,pods=on,speed=30");
    expect(said).toEqual(call("solve", "job.json", "--set", "key=on,high=on,pods=on"));
    expect(said.code).toBe(0);
  });

  it("have a channel that flashes above a speed dark in its dark phase, there and not below", () => {
    const strip = demoJobs().find((job) =>
      job.runs.some((r) => r.program !== null && r.program.flashFromKmh > 0),
    )!;
    const program = strip.runs.find((r) => r.program !== null)!.program!;
    const level = (set: string): number => {
      const lamps = (
        JSON.parse(callOn(strip, "solve", "job.json", "--set", set, "--json").out) as Solved
      ).lamps;
      return Math.max(...lamps.map((l) => l.level));
    };
    const braking = "key=on,brake=on,phase=off";
    expect(level(`${braking},speed=${program.flashFromKmh - 1}`)).toBeGreaterThan(0.9);
    expect(level(`${braking},speed=${program.flashFromKmh}`)).toBeLessThan(0.1);
  });

  it("name nodes alike", () => {
    const { nodes } = JSON.parse(
      call("solve", "job.json", "--set", "all=on", "--json").out,
    ) as Solved;
    const { code, out } = call("spice", "job.json", "--set", "all=on");
    expect(code).toBe(0);
    for (const { name } of nodes) expect(out).toMatch(new RegExp(`\\b${name}\\b`));
    expect(out).toMatch(/^\.op$/m);
  });

  it("refuse a control that is not there, with what would be valid", () => {
    expect(call("solve", "job.json", "--set", "moon=on")).toMatchObject({
      code: 2,
      err: expect.stringContaining('no control "moon" on this job (one of all, key') as string,
    });
    expect(call("solve", "job.json", "--set", "key").err).toContain("needs NAME=on or NAME=off");
  });
});

describe("prove and faults", () => {
  it("pass the marshal's motorcycle and tell what each fault does", () => {
    expect(call("prove", "job.json")).toMatchObject({ code: 0 });
    const { code, out } = call("faults", "job.json");
    expect(code).toBe(0);
    expect(out).toMatch(/chafed to the frame\n {6}own 7.5 A fuse opens at \d+ A within \d+ ms/);
  });
});

describe("the examples", () => {
  const folder = join(__dirname, "../../../examples");
  const files = readdirSync(folder).filter((f) => f.endsWith(".dragonet.json"));

  it("are ten or more, one of them of more than twelve runs", () => {
    expect(files.length).toBeGreaterThanOrEqual(10);
    const runs = files.map(
      (f) => (JSON.parse(readFileSync(join(folder, f), "utf8")) as Job).runs.length,
    );
    expect(Math.max(...runs)).toBeGreaterThan(12);
  });

  it.each(files)("%s can be read by every verb", (file) => {
    for (const verb of ["check", "solve", "spice", "prove", "faults"]) {
      const { code, err } = call(verb, join(folder, file), "--set", "all=on");
      expect(`${verb} ${code === 2 ? err : ""}`).toBe(`${verb} `);
    }
  });

  it.each(files)("%s stands as it would be printed", (file) => {
    const text = readFileSync(join(folder, file), "utf8");
    expect(text).toBe(printJob(JSON.parse(text) as Job));
  });
});
