import { decimal, type Seen } from "@dragonet/core";
import { DataTable, right } from "../ui/DataTable.tsx";
import { Section } from "../ui/page/Section.tsx";
import { SeverityMark } from "../ui/Severity.tsx";

const VERDICT_WORDS: Readonly<Record<Seen["verdict"], string>> = {
  asBefore: "as before",
  untold: "nobody has told what hung on it",
  less: "less than before, and enough",
  missed: "takes it for a dead bulb",
  more: "more than before",
};

/** What the vehicle's own flasher, monitor or bus sees on each wire that the job touches. */
export function SeenByVehicle({ seen }: { seen: readonly Seen[] }) {
  if (seen.length === 0) return null;
  return (
    <Section
      title="What the vehicle sees"
      about="Current on each factory wire that this job taps or replaces a lamp on, with its signal on and the engine running."
    >
      <DataTable
        label="What the vehicle sees"
        heads={[
          "Wire",
          right("Replaced"),
          right("Now"),
          right("Wants"),
          { words: "Verdict", className: "pl-6!" },
        ]}
      >
        {seen.map((s) => (
          <tr key={s.pinId} className="border-t border-hair">
            <td className="py-0.5">{s.carries}</td>
            <td className="num text-right">{decimal(s.wasA, 2)} A</td>
            <td className="num text-right">{decimal(s.nowA, 2)} A</td>
            <td className="num text-right">{s.leastA > 0 ? `${decimal(s.leastA, 2)} A` : "–"}</td>
            <td className="pl-6">
              {s.verdict === "missed" ? (
                <span className="font-bold">
                  <SeverityMark severity="fix" word={false} /> {VERDICT_WORDS.missed}
                </span>
              ) : s.wasA === 0 ? (
                "tapped, nothing replaced"
              ) : (
                VERDICT_WORDS[s.verdict]
              )}
            </td>
          </tr>
        ))}
      </DataTable>
    </Section>
  );
}
