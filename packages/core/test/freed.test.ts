/** What a part that has come in takes out of a job's way, and what it leaves there. */
import { append, freedBy, isFor, type Blocker, type KitItem } from "../src/index.ts";
import { edited, jobWith, keyed } from "./helpers.ts";

const waits = (id: string, kind: Blocker["kind"], text: string): Blocker => ({ id, kind, text });
const item = (id: string, name: string, needed: number, inBox: number): KitItem => ({
  ...{ id, name, needed, inBox },
});

describe("a part that has come in", () => {
  const bare = jobWith("pod-18", 1, keyed);
  const job = edited(
    bare,
    append(bare, "blocker", waits("a", "part", "Grommet, 10 mm hole missing from the kit")),
    append(bare, "blocker", waits("b", "part", "a relay")),
    append(bare, "blocker", waits("c", "customer", "grommet, 10 mm hole: which colour?")),
    append(bare, "kitItem", item("k", "grommet, 10 mm hole", 2, 0)),
    append(bare, "kitItem", item("l", "Grommet, 10 mm hole", 2, 2)),
    append(bare, "kitItem", item("m", "Grommet, 12 mm hole", 2, 0)),
  );

  it("is out of the way of what waits for it by name, and lacks in no kit", () => {
    const freed = edited(job, ...freedBy(job, "Grommet, 10 mm hole"));
    expect(freed.blockers.map(({ id }) => id).toSorted()).toEqual(["b", "c"]);
    expect(freed.kit.map(({ id, inBox }) => id + String(inBox)).toSorted()).toEqual([
      "k2",
      "l2",
      "m0",
    ]);
    expect(freedBy(freed, "Grommet, 10 mm hole")).toEqual([]);
  });

  it("is known by its name in whatever letters, and by metre or not", () => {
    expect(isFor("waits for WIRE 16 AWG", "Wire 16 AWG, metre")).toBe(true);
    expect(isFor("a wire", "Wire 16 AWG, metre")).toBe(false);
    expect(isFor("anything", " ")).toBe(false);
  });
});
