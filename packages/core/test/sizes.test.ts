/** What a fuse of its own lets through decides a wire's size, and the factory's only the piece before it. */
import { carriesA, gaugeOf, gaugesOf, synthesise, type WireElement } from "../src/index.ts";
import { demoJobs } from "../src/demo/index.ts";

describe("the wires behind a fuse of their own on a factory wire", () => {
  it("are no thicker than that fuse asks among what lies beside them, and the piece before it alone", () => {
    let tried = 0;
    for (const job of demoJobs()) {
      const circuit = synthesise(job);
      for (const run of circuit.runs) {
        const choice = circuit.choices.find((c) => c.runId === run.runId && c.kind === "wire");
        const own = [...circuit.elements.values()].find(
          (e) => e.kind === "fuse" && e.runId === run.runId && run.out.includes(e.id),
        );
        const decided = choice?.reason.includes("the fuse and handling decide") === true;
        if (run.source.kind !== "pin" || own?.kind !== "fuse" || !decided) continue;
        const wires = [...circuit.elements.values()].filter(
          (e): e is WireElement => e.kind === "wire" && e.group === run.runId,
        );
        const ladder = gaugesOf(job.practices.wireSystem);
        const at = ladder.findIndex((g) => g.id === wires[0]!.gaugeId);
        const thinner = ladder[at - 1]!;
        // Thinnest on a vehicle by practice: 18 AWG, 0.75 mm².
        if (gaugeOf(wires[0]!.gaugeId).areaM2 < 0.83e-6) {
          tried += 1;
          continue;
        }
        const bundle = Math.max(...wires.map((w) => w.bundle));
        const enough =
          carriesA({ gaugeId: thinner.id, bundle }, job.practices) >= own.ratingA &&
          carriesA({ gaugeId: thinner.id, bundle: 1 }, job.practices) >= run.source.pin.fuseA;
        expect([job.card.title, run.runId, enough]).toEqual([job.card.title, run.runId, false]);
        tried += 1;
      }
    }
    expect(tried).toBeGreaterThan(5);
  });
});
