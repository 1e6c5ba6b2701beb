/**
 * Ordinary situations with the fuse, wire and relay that an experienced auto-electrician would
 * accept: common practice, checked by arithmetic. The jobs are laid out in the ordinary way.
 */
import { integrityFaults } from "../src/index.ts";
import { judge, referenceJobs } from "../src/demo/index.ts";

const references = referenceJobs();

describe("picks", () => {
  it.each(references.map((ref) => [ref.situation, ref] as const))("%s", (_, ref) => {
    expect(integrityFaults(ref.job)).toEqual([]);
    expect(judge(ref)).toMatchObject({ inside: true });
  });

  it("can fall outside: another fuse, another wire, a relay too many are told apart", () => {
    const [bar] = references;
    expect(judge({ ...bar!, fuses: [30] }).inside).toBe(false);
    expect(judge({ ...bar!, thinnest: 10 }).inside).toBe(false);
    expect(judge({ ...bar!, thickest: 22 }).inside).toBe(false);
    expect(judge({ ...bar!, relay: true }).inside).toBe(false);
  });
});
