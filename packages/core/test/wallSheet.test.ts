import { wallMarks, wallSvg, type WallMark } from "../src/index.ts";
import { demoJobs } from "../src/demo/index.ts";

const OPTIONS = { fontFamily: "sans-serif", ink: "#000", units: "metric" } as const;

/** Crosses of a picture: the middles of its thick level lines that are no ground. */
function crosses(svg: string): { x: number; y: number }[] {
  const lines = [
    ...svg.matchAll(
      /<line x1="([\d.-]+)" y1="([\d.-]+)" x2="([\d.-]+)" y2="([\d.-]+)" stroke="#000" stroke-width="1.5"\/>/g,
    ),
  ].map(([, ...at]) => at.map(Number));
  return lines
    .filter(([x1 = 0, y1 = 0, x2 = 0, y2 = 0]) => y1 === y2 && x2 - x1 < 20)
    .map(([x1 = 0, y1 = 0, x2 = 0]) => ({ x: (x1 + x2) / 2, y: y1 }));
}

const onWall = (marks: readonly WallMark[]): WallMark[] =>
  marks.filter((mark) => mark.groundM === null && !mark.behind);

const JOBS = demoJobs().filter((job) => onWall(wallMarks(job)).length > 1);

describe("the picture of the wall", () => {
  it("has one cross for each mark on the wall, all to one scale, both ways", () => {
    expect(JOBS.length).toBeGreaterThan(1);
    for (const job of JOBS) {
      const marks = onWall(wallMarks(job));
      const drawn = crosses(wallSvg(wallMarks(job), OPTIONS));
      expect(drawn).toHaveLength(marks.length);
      const [first, ...others] = marks;
      const [at, ...rest] = drawn;
      if (!first || !at) throw new Error("no mark");
      const scales = others.flatMap((mark, i) => {
        const point = rest[i];
        const across = mark.markRightM - first.markRightM;
        const up = mark.markUpM - first.markUpM;
        return [
          ...(Math.abs(across) > 0.05 ? [((point?.x ?? 0) - at.x) / across] : []),
          ...(Math.abs(up) > 0.05 ? [(at.y - (point?.y ?? 0)) / up] : []),
        ];
      });
      for (const scale of scales) expect(Math.abs(scale / (scales[0] ?? 1) - 1)).toBeLessThan(0.02);
    }
  });

  it("writes each mark's height by its number", () => {
    for (const job of JOBS) {
      const svg = wallSvg(wallMarks(job), OPTIONS);
      wallMarks(job).forEach((mark, i) => {
        if (mark.groundM !== null || mark.behind) return;
        expect(svg).toContain(`>${i + 1}: ${Math.round(1000 * mark.markUpM)} mm<`);
      });
    }
  });

  it("is a bare wall where nothing falls on it", () => {
    expect(crosses(wallSvg([], OPTIONS))).toEqual([]);
  });
});
