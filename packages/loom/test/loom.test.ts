import { loomGraph, synthesise, unitAt, wiresOf } from "@dragonet/core";
import { demoJobs } from "@dragonet/core/demo";
import { layOutLoom, loomPage } from "../src/index.ts";

const jobs = demoJobs().filter((job) => job.runs.length > 0);
const paper = { fontFamily: "sans-serif", ink: "#000", paper: "#fff" };

describe("the whole-loom page", () => {
  it.each(jobs.map((job) => [job.card.title, job] as const))(
    "%s: every part and every wire that is cut is on it, and none overlap",
    async (_, job) => {
      const circuit = synthesise(job);
      const graph = loomGraph(job, circuit, "metric");
      const layout = await layOutLoom(graph);
      for (const [id, element] of circuit.elements) {
        if (element.kind === "wire") {
          const points = layout.edges.get(id);
          expect({ id, corners: points?.length ?? 0 }).toMatchObject({ id });
          expect(points!.length).toBeGreaterThanOrEqual(2);
        }
      }
      const wired = new Set(wiresOf(circuit).flatMap((w) => [w.from, w.to]));
      for (const node of wired) {
        const unit = unitAt(circuit, node);
        if (unit?.kind !== "chassis") expect(layout.nodes.has(unit!.id)).toBe(true);
      }
      const boxes = graph.nodes.map((n) => ({ ...n, ...layout.nodes.get(n.id)! }));
      boxes.forEach((a, i) => {
        for (const b of boxes.slice(i + 1)) {
          const apart =
            a.x + a.width <= b.x ||
            b.x + b.width <= a.x ||
            a.y + a.height <= b.y ||
            b.y + b.height <= a.y;
          expect({ a: a.id, b: b.id, apart }).toMatchObject({ apart: true });
        }
      });
    },
  );

  it("is the same each time, names every lamp, and carries no markup of a job's text", async () => {
    const [job] = jobs as [(typeof jobs)[number]];
    const hostile = {
      ...job,
      lamps: job.lamps.map((l, i) => (i === 0 ? { ...l, label: "<script>x</script>" } : l)),
    };
    const page = await loomPage(hostile, "metric", paper);
    expect(await loomPage(hostile, "metric", paper)).toBe(page);
    expect(page).not.toContain("<script>");
    for (const lamp of job.lamps.slice(1)) expect(page).toContain(lamp.label.slice(0, 10));
  });
});
