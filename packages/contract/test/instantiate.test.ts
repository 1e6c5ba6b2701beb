/** Plain documents as objects of the contract's classes. */
import { plainToInstance } from "class-transformer";
import { validateSync } from "class-validator";
import { demoJobs } from "@dragonet/core/demo";
import { JobDto } from "../src/document/job.ts";
import { PhotometryDto } from "../src/document/part/photometry.ts";
import { instantiate } from "../src/instantiate.ts";

const plain = (value: unknown): object => JSON.parse(JSON.stringify(value)) as object;

/** Every object's class by its place. */
function classesOf(value: unknown, path = ""): string[] {
  if (typeof value !== "object" || value === null) return [];
  const inner = Object.entries(value).flatMap(([key, one]) => classesOf(one, `${path}.${key}`));
  return [`${path}: ${value.constructor.name}`, ...inner];
}

describe("a job's objects", () => {
  it.each(demoJobs().map((job) => [job.card.title, plain(job)] as const))(
    "of %s are of the classes that class-transformer gives them, and say the same",
    (_, job) => {
      const made = instantiate(JobDto, job);
      expect(classesOf(made)).toEqual(classesOf(plainToInstance(JobDto, job)));
      expect(plain(made)).toEqual(job);
      expect(classesOf(made).filter((one) => one.endsWith("Dto")).length).toBeGreaterThan(20);
    },
  );

  it("are made of whatever stands there, and what is no object stays as it is", () => {
    const odd = plain({ runs: [5, null, { id: "r" }], lamps: "x", vehicle: [], card: { a: 1 } });
    const made = instantiate(JobDto, odd);
    expect(plain(made)).toEqual(odd);
    expect(classesOf(made)).toContain(".runs.2: LightingCircuitDto");
  });
});

describe("the numbers of a lamp's light", () => {
  const light = (more: object): string[] => {
    const about = { name: "", by: "", source: "file", type: "A", lampLumens: null, watts: 5 };
    const whole = { ...about, vertical: [0], horizontal: [0], candela: [1], ...more };
    const errors = validateSync(instantiate(PhotometryDto, whole), { stopAtFirstError: true });
    return errors.map((e) => `${e.property}: ${Object.values(e.constraints ?? {}).join()}`);
  };

  it("are numbers, and no light is negative; an angle may be", () => {
    expect(light({})).toEqual([]);
    expect(light({ vertical: [-90, 0, 90], candela: [0, 0.5, 1e5] })).toEqual([]);
    expect(light({ candela: [1, -0.1] })).toEqual([
      "candela: entry 2 is -0.1; needs numbers of at least 0",
    ]);
    expect(light({ horizontal: [0, "5"] })).toEqual(['horizontal: entry 2 is "5"; needs numbers']);
    expect(light({ candela: [Infinity] })).toEqual([
      "candela: entry 1 is null; needs numbers of at least 0",
    ]);
    expect(light({ candela: 5 })[0]).toMatch(/^candela: /);
  });
});
