import DxfParser from "dxf-parser";
import { patternOf, templateDrawing, type Job } from "@dragonet/core";
import { demoJobs } from "@dragonet/core/demo";
import { drawingDxf } from "../src/index.ts";

interface Entity {
  readonly type: string;
  readonly layer: string;
  readonly center: { x: number; y: number };
  readonly radius: number;
  readonly vertices: readonly { x: number; y: number }[];
}

const tourer = (): Job => demoJobs().find((j) => j.card.title.startsWith("Box lamp"))!;

describe("a template as DXF", () => {
  const drawing = templateDrawing(patternOf(tourer(), tourer().templates[0]!), "Trunk lid");
  const read = new DxfParser().parseSync(drawingDxf(drawing))!;
  const entities = read.entities as unknown as readonly Entity[];

  it("measures true in another library's reader: the bar and hole centres to 0.01 mm", () => {
    const bar = entities.filter((e) => e.type === "LINE" && e.layer === "SCALE");
    const long = Math.max(
      ...bar.map((e) =>
        Math.hypot(e.vertices[1]!.x - e.vertices[0]!.x, e.vertices[1]!.y - e.vertices[0]!.y),
      ),
    );
    expect(Math.abs(long - 100)).toBeLessThan(0.01);
    const holes = entities.filter((e) => e.type === "CIRCLE" && e.layer === "CUT");
    expect(holes).toHaveLength(3);
    const [cable, left, right] = holes;
    // 178 mm between the bosses: studs 24 mm inside each are 130 mm apart, the cable midway.
    expect(Math.abs(right!.center.x - left!.center.x - 130)).toBeLessThan(0.01);
    expect(Math.abs(cable!.center.x - left!.center.x - 65)).toBeLessThan(0.01);
    expect(Math.abs(cable!.center.y - left!.center.y)).toBeLessThan(0.01);
    expect(left!.radius).toBeCloseTo(2.75, 4);
  });

  it("is in mm, upright, with a layer for each use", () => {
    expect(read.header.$INSUNITS).toBe(4);
    const layers = Object.keys(read.tables.layer.layers);
    expect(layers).toEqual(expect.arrayContaining(["CUT", "MARK", "PANEL", "SCALE"]));
    const panel = entities.filter((e) => e.layer === "PANEL");
    const bar = entities.find((e) => e.layer === "SCALE" && e.type === "LINE")!;
    const lowest = Math.min(...panel.flatMap((e) => e.vertices.map((v) => v.y)));
    expect(bar.vertices[0]!.y).toBeLessThan(lowest);
  });

  it("keeps hostile text one line of plain characters", () => {
    const nasty = drawingDxf({
      ...drawing,
      items: [
        { kind: "text", layer: "MARK", x: 1, y: 1, heightMm: 3, text: "a\n0\nEOF\n%%u \\P ø é" },
      ],
    });
    const again = new DxfParser().parseSync(nasty)!;
    expect(again.entities).toHaveLength(1);
  });
});
