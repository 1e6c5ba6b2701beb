import { lookOf, planJob, lineDiagramSvg, synthesise, type DiagramPart } from "../src/index.ts";
import { kitByHand, withLedger } from "./jobs.ts";

const KINDS = [
  ...["wire", "chassis", "strap", "fuse", "switch", "contact", "coil", "diode", "load"],
  ...["connector", "converter", "battery", "flasher", "tap"],
] as DiagramPart["kind"][];

/** Numbers of a path that are places, walked: M, L, H, V and their small ones, arcs by their ends. */
function extent(d: string): { x: number[]; y: number[] } {
  const [xs, ys]: [number[], number[]] = [[], []];
  let [x, y, sx, sy] = [0, 0, 0, 0];
  const steps = [...d.matchAll(/([MLHVZAmlhvza])([^MLHVZAmlhvza]*)/g)];
  for (const [, letter = "", rest = ""] of steps) {
    const n = [...rest.matchAll(/-?\d+(\.\d+)?/g)].map(([text]) => Number(text));
    const small = letter === letter.toLowerCase();
    const size = { m: 2, l: 2, h: 1, v: 1, a: 7, z: 0 }[letter.toLowerCase()]!;
    if (size === 0) [x, y] = [sx, sy];
    for (let i = 0; size > 0 && i + size <= n.length; i += size) {
      const [dx, dy] =
        size === 1
          ? letter.toLowerCase() === "h"
            ? [n[i]!, small ? 0 : y]
            : [small ? 0 : x, n[i]!]
          : [n[i + size - 2]!, n[i + size - 1]!];
      [x, y] = small ? [x + dx, y + dy] : [dx, dy];
      if (letter.toLowerCase() === "m" && i === 0) [sx, sy] = [x, y];
      xs.push(x);
      ys.push(y);
    }
  }
  return { x: xs, y: ys };
}

describe("symbols on a lane", () => {
  it.each(KINDS)("%s stands in its box, open and closed, with room for it on paper", (kind) => {
    const { width, marks, paperPt, grow } = lookOf(kind);
    expect(paperPt).toBeGreaterThanOrEqual(width);
    expect([1, 2, 3]).toContain(grow);
    for (const closed of [true, false]) {
      for (const { d, stroke } of marks(closed)) {
        expect(stroke).toBeGreaterThanOrEqual(0);
        const { x, y } = extent(d);
        expect(x.length).toBeGreaterThan(0);
        expect(Math.min(...x)).toBeGreaterThanOrEqual(0);
        expect(Math.max(...x)).toBeLessThanOrEqual(width);
        expect(Math.min(...y)).toBeGreaterThanOrEqual(0);
        expect(Math.max(...y)).toBeLessThanOrEqual(22);
      }
    }
    expect(marks(true).length > 0).toBe(width > 0);
  });

  it("meet the lane at both sides of their box, but a tap begins and the frame ends one", () => {
    for (const kind of KINDS) {
      const { width, leads, marks } = lookOf(kind);
      if (width === 0) continue;
      const onLane = marks(true)
        .map(({ d }) => extent(d))
        .flatMap(({ x, y }) => x.filter((_, i) => Math.abs(y[i]! - 11) <= 8));
      const touches = (at: number) => onLane.some((x) => Math.abs(x - at) <= 1.5);
      if (leads !== "right") expect([kind, touches(0)]).toEqual([kind, true]);
      if (leads !== "left") expect([kind, touches(width)]).toEqual([kind, true]);
    }
    expect(lookOf("tap").leads).toBe("right");
    expect(lookOf("chassis").leads).toBe("left");
  });

  it("of a switch and a contact open and close, and nothing else moves", () => {
    for (const kind of KINDS) {
      const { marks } = lookOf(kind);
      const moves = kind === "switch" || kind === "contact";
      expect([kind, JSON.stringify(marks(true)) === JSON.stringify(marks(false))]).toEqual([
        kind,
        !moves,
      ]);
    }
  });
});

describe("a strip on paper", () => {
  const job = withLedger();
  const svgs = planJob(job, "metric").strips.engineOff.map((strip) => ({
    strip,
    svg: lineDiagramSvg(strip, { fontFamily: "sans-serif", ink: "#111" }),
  }));

  it("has a symbol for every part that has one, and insulation for every wire", () => {
    for (const { strip, svg } of svgs) {
      const parts = [...strip.out, ...strip.back, ...strip.control.flatMap((lane) => lane.parts)];
      const marks = parts.flatMap((part) => lookOf(part.kind).marks(false));
      expect(svg.match(/<path /g)?.length ?? 0).toBe(marks.length);
      // Two edges of ink and the colour within, one more line for a stripe.
      const coloured = parts.filter((part) => part.kind === "wire" && part.colour !== "");
      expect(svg.match(/stroke-width="4.4"/g)?.length ?? 0).toBe(coloured.length);
      const striped = coloured.filter((part) => part.colour.includes("/"));
      expect(svg.match(/stroke-width="1.5"/g)?.length ?? 0).toBe(striped.length);
    }
  });

  it("says every part by its name, every lamp by its volts and amps", () => {
    for (const { strip, svg } of svgs) {
      const said = (text: string) =>
        expect(svg).toContain(text.replace(/[&<>"']/g, (c) => `&#${c.charCodeAt(0)};`));
      for (const part of [...strip.out, ...strip.back]) said(part.name);
      for (const lamp of strip.lamps) {
        said(lamp.label);
        said(`${lamp.volts.toFixed(2)} V  ${lamp.currentA.toFixed(2)} A`);
      }
      for (const { label } of strip.control) said(label);
    }
  });

  it("is as wide as its longest lane, and no text of a lane lies beyond it", () => {
    for (const { svg } of svgs) {
      const [, width = "", height = ""] = /viewBox="0 0 (\S+) (\S+)"/.exec(svg) ?? [];
      for (const [, x, y] of svg.matchAll(/<text x="(\S+)" y="(\S+)"/g)) {
        expect(Number(x)).toBeLessThanOrEqual(Number(width));
        expect(Number(y)).toBeLessThanOrEqual(Number(height));
      }
    }
  });

  it("has every kind of part that a kit is wired with", () => {
    const kinds = new Set([...synthesise(kitByHand()).elements.values()].map((e) => e.kind));
    for (const kind of kinds) expect(KINDS).toContain(kind);
    expect(kinds.size).toBeGreaterThan(8);
  });
});
