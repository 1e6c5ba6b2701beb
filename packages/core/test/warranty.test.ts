/** Who answers for what, and until when; months are those of the calendar (common practice). */
import {
  asId,
  append,
  integrityFaults,
  monthsOn,
  piecesOf,
  printPartJobsCsv,
  warrantiesOf,
  warrantyLines,
  type Job,
  type PartId,
} from "../src/index.ts";
import { edited, jobWith, keyed } from "./helpers.ts";

const lot = (id: string, partId: string, number: string, count = 1) => ({
  ...{ id, partId: asId<PartId>(partId), lot: number, count },
});

/** Two pods and a switch, handed over on a day, with what is answered for. */
function handedOver(at: string, work: number, pods: number): Job {
  const job = jobWith("pod-18", 2, keyed, { switchPartId: asId<PartId>("switch-lit-12") });
  return {
    ...job,
    practices: { ...job.practices, tariff: { ...job.practices.tariff, warrantyMonths: work } },
    parts: job.parts.map((part) =>
      part.id === "pod-18" && pods > 0 ? { ...part, warrantyMonths: pods } : part,
    ),
    signatures: at === "" ? [] : [{ id: "s", gate: "", name: "Pim", reason: "", at }],
  };
}

describe("months on", () => {
  it.each([
    ["2026-11-27", 24, "2028-11-27"],
    ["2026-01-31", 1, "2026-02-28"],
    ["2024-01-31", 1, "2024-02-29"],
    ["2024-02-29", 12, "2025-02-28"],
    ["2026-12-31", 2, "2027-02-28"],
    ["2026-10-31", 14, "2027-12-31"],
  ])("from %s by %s are %s", (day, months, then) => expect(monthsOn(day, months)).toBe(then));
});

describe("pieces of a job", () => {
  it("are counted once each, with what turns them on and nothing that is not used", () => {
    const job = handedOver("", 0, 0);
    const idle = edited(job, append(job, "part", { ...job.parts[0]!, id: asId<PartId>("idle") }));
    expect(piecesOf(idle).map(({ part, pieces }) => [part.id, pieces])).toEqual([
      ["pod-18", 2],
      ["switch-lit-12", 1],
    ]);
  });
});

describe("warranty", () => {
  it("runs from the hand-over, of the work and of each part that has one", () => {
    const job = handedOver("2026-11-27T16:00:00Z", 24, 36);
    expect(warrantiesOf(job)).toEqual([
      { of: "", pieces: 0, lots: [], months: 24, until: "2028-11-27" },
      expect.objectContaining({ pieces: 2, lots: [], months: 36, until: "2029-11-27" }),
    ]);
    const lines = warrantyLines(job).join("\n");
    expect(lines).toContain("its work: until 2028-11-27.");
    expect(lines).toMatch(/Makers answer for their parts: .*: until 2029-11-27\./);
    expect(lines).toContain("law");
  });

  it("of a vehicle that is still here is told by its length", () => {
    const lines = warrantyLines(handedOver("", 24, 18)).join("\n");
    expect(lines).toContain("2 years from the hand-over");
    expect(lines).toContain("18 months from the hand-over");
    expect(lines).not.toMatch(/\d{4}-\d\d-\d\d/);
  });

  it("says nothing where nobody answers for anything, and still names a lot", () => {
    const job = handedOver("2026-11-27T16:00:00Z", 0, 0);
    expect(warrantyLines(job)).toEqual([]);
    const withLot = edited(job, append(job, "lot", lot("l", "pod-18", "A-77", 2)));
    const [line, ...more] = warrantyLines(withLot);
    expect(line).toMatch(/Lots, should a maker call back: .* A-77\./);
    expect(more).toEqual([]);
  });
});

describe("lots", () => {
  it("are of parts of the job, under ids of their own", () => {
    const job = handedOver("", 0, 0);
    const sound = edited(job, append(job, "lot", lot("l", "pod-18", "A-77")));
    expect(integrityFaults(sound)).toEqual([]);
    const other = { ...sound, lots: [lot("l", "none", "x")] };
    expect(integrityFaults(other).map(({ path }) => path)).toEqual(["lots[0].partId"]);
    const twice = { ...sound, lots: [lot("l", "pod-18", "x"), lot("l", "pod-18", "y")] };
    expect(integrityFaults(twice).map(({ path }) => path)).toEqual(["lots[1].id"]);
  });

  it("stand in the table of whom to tell", () => {
    const text = printPartJobsCsv([
      {
        ...{ id: "1", title: "Pods", customer: "Wren", model: "Quad", machine: "7" },
        ...{ stage: "handOver", updatedAt: "2026-11-27T10:00:00Z", count: 2, lots: ["A-77", "B"] },
      },
    ]);
    const [head, row] = text.trim().split(/\r?\n/);
    expect(head!.split(",")).toContain("lots");
    expect(row).toContain("A-77 B");
  });
});
