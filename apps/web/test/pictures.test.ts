/** Pictures of the vehicle: names and lamps on every job of the demo stand clear of each other. */
import fc from "fast-check";
import {
  VEHICLE_KINDS,
  outerMeasures,
  routeOf,
  synthesise,
  usualSize,
  type Job,
  type Lamp,
  type Mount,
} from "@dragonet/core";
import { demoJobs } from "@dragonet/core/demo";
import {
  HEIGHT,
  LAMP_R,
  WIDTH,
  lampSpots,
  placeIn,
  seenFrom,
  type SeenLamp,
} from "../src/bench/lampSpots.ts";
import { inHousings } from "../src/bench/inHousings.ts";
import { edgeOf, placeLabels, type Box } from "../src/ui/picture/labels.ts";
import { R, layOutLamps, sizeOf, viewsOf } from "../src/fit/lamps/layOutLamps.ts";
import { rowsFrom } from "../src/signals/TimeDiagrams.tsx";
import { layOutPlan } from "../src/fit/route/layOutPlan.ts";
import { layOutConnectors } from "../src/vehicles/wiring/ConnectorsPlan.tsx";

const jobs = demoJobs();
const mapped = jobs.filter((job) => job.vehicle.places.length > 0);

const crosses = (a: Box, b: Box): boolean =>
  Math.min(a.x + a.width, b.x + b.width) - Math.max(a.x, b.x) > 0.01 &&
  Math.min(a.y + a.height, b.y + b.height) - Math.max(a.y, b.y) > 0.01;

/** Pairs of boxes that lie over each other, by their places in the list. */
const crossings = (boxes: readonly Box[]): string[] =>
  boxes.flatMap((a, i) =>
    boxes.flatMap((b, k) => (k > i && crosses(a, b) ? [`${i} over ${k}`] : [])),
  );

const inside = (box: Box, width: number, height: number): boolean =>
  box.x >= 0 && box.y >= 0 && box.x + box.width <= width && box.y + box.height <= height;

describe("connectors on the vehicle", () => {
  it.each(mapped.map((job) => [job.card.title, job] as const))("%s", (_, { vehicle }) => {
    const { labels, width, height } = layOutConnectors(vehicle);
    const placed = vehicle.connectors.filter((c) => vehicle.places.some((p) => p.id === c.at));
    expect(labels.map(({ connector }) => connector.id)).toEqual(placed.map(({ id }) => id));
    const boxes = labels.map(({ box }) => box);
    expect(crossings(boxes)).toEqual([]);
    expect(boxes.filter((box) => !inside(box, width, height))).toEqual([]);
    // A number is that of its place in the list below the picture.
    for (const { connector, words } of labels) {
      expect(words).toBe(`${vehicle.connectors.indexOf(connector) + 1} ${connector.name}`);
    }
  });
});

describe("the plan of the vehicle", () => {
  it.each(mapped.map((job) => [job.card.title, job] as const))("%s", (_, job) => {
    const { at, labels, badges, width, height } = layOutPlan(
      job.vehicle,
      routeOf(job, synthesise(job)),
    );
    expect(labels).toHaveLength(job.vehicle.places.length);
    const numbers = badges.map(({ x, y }) => ({ x: x - 9.5, y: y - 9.5, width: 19, height: 19 }));
    expect(crossings([...labels, ...numbers])).toEqual([]);
    // No number lies over a place, short as its stretch may be.
    for (const { x, y } of badges) {
      const near = job.vehicle.places.filter((p) => Math.hypot(at(p)[0] - x, at(p)[1] - y) < 12);
      expect(near.map((p) => p.name)).toEqual([]);
    }
    expect(labels.filter((l) => !inside(l, width, height)).map((l) => l.place.name)).toEqual([]);
  });
});

describe("lamps in place", () => {
  const withLamps = jobs.filter((job) => job.mounts.length > 0);
  it.each(withLamps.map((job) => [job.card.title, job] as const))("%s", (_, job) => {
    const number = (mount: Mount): number => job.mounts.indexOf(mount) + 1;
    let seen = 0;
    for (const { picture, spots } of viewsOf(job)) {
      const [width, height] = sizeOf(picture);
      const laid = layOutLamps(spots, picture, number);
      seen += laid.reduce((n, group) => n + group.mounts.length, 0);
      const dots = laid.map(({ at: [x, y] }) => ({
        ...{ x: x - R, y: y - R, width: 2 * R, height: 2 * R },
      }));
      const words = laid.map(({ label }) => label);
      for (const [i, label] of words.entries()) {
        expect(
          crossings([label, ...dots, ...words.filter((_, k) => k !== i)]).filter((c) =>
            c.startsWith("0 "),
          ),
        ).toEqual([]);
      }
      expect(words.filter((box) => !inside(box, width, height))).toEqual([]);
    }
    // Front or rear, and from the left all but those on the right.
    const left = job.mounts.filter((m) => m.side !== "right").length;
    expect(seen).toBe(job.mounts.length + left);
  });
});

describe("names beside points", () => {
  const frame: Box = { x: 0, y: 0, width: 600, height: 400 };

  it("stand nearest where there is room, to the right", () => {
    const [label] = placeLabels([{ at: [100, 100], radius: 5, width: 40, height: 14 }], [], frame);
    expect(label).toEqual({ x: 109, y: 93, width: 40, height: 14 });
  });

  it("cross neither what is taken nor each other, wherever there is room for them all", () => {
    const point = fc.tuple(fc.integer({ min: 60, max: 540 }), fc.integer({ min: 40, max: 360 }));
    fc.assert(
      fc.property(fc.array(point, { minLength: 1, maxLength: 7 }), (points) => {
        const items = points.map((at) => ({ at, radius: 5, width: 46, height: 14 }));
        const boxes = placeLabels(items, [], frame);
        expect(crossings(boxes)).toEqual([]);
        expect(boxes.every((box) => inside(box, frame.width, frame.height))).toBe(true);
      }),
    );
  });

  it("are led to their points from the nearest edge", () => {
    const box = { x: 10, y: 10, width: 20, height: 10 };
    expect(edgeOf(box, [0, 15])).toEqual([10, 15]);
    expect(edgeOf(box, [50, 50])).toEqual([30, 20]);
    expect(edgeOf(box, [15, 12])).toEqual([15, 12]);
  });
});

describe("lamps seen from one end", () => {
  const lamp = (i: number, place: SeenLamp["place"]): SeenLamp => ({
    ...{ lampId: `lamp-${i}` as SeenLamp["lampId"], label: `lamp ${i}`, light: "white" },
    ...{ family: "lamp", place, level: 1 },
  });
  const sizes = VEHICLE_KINDS.map((kind) => outerMeasures(usualSize(kind)));

  it("are those of that end and of the sides, and no horns", () => {
    const lamps = [
      lamp(1, "front"),
      lamp(2, "rear"),
      lamp(3, "left"),
      { ...lamp(4, "front"), family: "horn" },
    ];
    expect(seenFrom(lamps, "front").map((l) => l.label)).toEqual(["lamp 1", "lamp 3"]);
    expect(seenFrom(lamps, "rear").map((l) => l.label)).toEqual(["lamp 2", "lamp 3"]);
  });

  it("are one light where they are levels of one housing, as bright as the brighter, and two where they differ", () => {
    const levels = [
      { ...lamp(1, "rear"), light: "red" as const, level: 0.2 },
      { ...lamp(2, "rear"), light: "red" as const, level: 0.9 },
      { ...lamp(3, "rear"), light: "amber" as const, level: 1 },
      { ...lamp(4, "rear"), light: "red" as const, level: 0.5 },
    ];
    const housed = levels.map(({ lampId }, i) => ({
      id: lampId,
      // The first is the housing of the second and third; the fourth has its own.
      housing: i === 1 || i === 2 ? levels[0]!.lampId : "",
    }));
    const seen = inHousings(levels, housed as unknown as Lamp[]);
    expect(seen.map((l) => [l.label, l.level])).toEqual([
      ["lamp 1", 0.9],
      ["lamp 3", 1],
      ["lamp 4", 0.5],
    ]);
  });

  it("lie over none, inside the picture, up to twenty of them on any vehicle", () => {
    const place = fc.constantFrom<SeenLamp["place"]>("front", "left", "right");
    fc.assert(
      fc.property(fc.array(place, { maxLength: 20 }), fc.constantFrom(...sizes), (places, size) => {
        const lamps = places.map((p, i) => lamp(i, p));
        const spots = [...lampSpots(lamps, [], "front", size).values()];
        expect(spots).toHaveLength(lamps.length);
        for (const [i, [x, y]] of spots.entries()) {
          expect(x).toBeGreaterThan(LAMP_R);
          expect(x).toBeLessThan(WIDTH - LAMP_R);
          expect(y).toBeLessThan(HEIGHT);
          for (const [x2, y2] of spots.slice(i + 1)) {
            expect(Math.hypot(x - x2, y - y2)).toBeGreaterThanOrEqual(2 * LAMP_R);
          }
        }
      }),
    );
  });

  it("are at the vehicle's own edge where nobody has measured them, whatever its width", () => {
    for (const size of sizes) {
      const at = (end: "front" | "rear") =>
        lampSpots([lamp(1, "left")], [], end, size).get("lamp-1")!;
      const [edge] = placeIn(size)([size.width / 2, 0]);
      expect(Math.abs(at("front")[0] - edge)).toBeLessThan(8);
      expect(at("rear")[0]).toBeCloseTo(WIDTH - at("front")[0], 6);
    }
  });

  it("are where the tape has them: higher is higher, and right from behind is left from the front", () => {
    const job: Job = jobs.find((j) => j.mounts.some((m) => m.side === "right"))!;
    const mount = {
      ...job.mounts.find((m) => m.side === "right")!,
      lampId: lamp(1, "left").lampId,
    };
    const size = outerMeasures(job.vehicle.size);
    const at = (end: "front" | "rear", m: Mount) =>
      lampSpots([lamp(1, "left")], [m], end, size).get("lamp-1")!;
    expect(at("rear", mount)[0]).toBeGreaterThan(WIDTH / 2);
    expect(at("front", mount)[0]).toBeCloseTo(WIDTH - at("rear", mount)[0], 6);
    const low = { ...mount, heightM: { ...mount.heightM, value: mount.heightM.value / 2 } };
    expect(at("rear", low)[1]).toBeGreaterThan(at("rear", mount)[1]);
    const [x, y] = placeIn(size)([mount.outM.value, mount.heightM.value]);
    expect(at("rear", mount)).toEqual([x, y]);
  });
});

describe("names beside strips of time", () => {
  it("are whole, in as many lines as they take, none over the next", () => {
    fc.assert(
      fc.property(
        fc.array(fc.string({ minLength: 1, maxLength: 130 }), { maxLength: 9 }),
        (names) => {
          const rows = rowsFrom(18, names);
          for (const [i, { lines, y, height }] of rows.entries()) {
            expect(lines.join("").replace(/\s/g, "")).toBe(names[i]!.replace(/\s/g, ""));
            expect(Math.max(0, ...lines.map((line) => [...line].length))).toBeLessThanOrEqual(27);
            expect(height).toBeGreaterThanOrEqual(lines.length * 13);
            const next = rows[i + 1];
            if (next) expect(next.y).toBe(y + height);
          }
        },
      ),
    );
    const [row] = rowsFrom(0, ["Brake lamp with flasher inside"]);
    expect(row!.lines).toEqual(["Brake lamp with flasher", "inside"]);
  });
});
