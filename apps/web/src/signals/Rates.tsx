import { Download } from "lucide-react";
import {
  FLASH_LIMITS,
  decimal,
  judgeFlash,
  ownerName,
  signalsCsv,
  usesSide,
  type FlashMeasure,
  type Job,
  type SignalTrace,
} from "@dragonet/core";
import { Button } from "../ui/Button.tsx";
import { saveText } from "../ui/saveText.ts";
import { DataTable, right } from "../ui/DataTable.tsx";
import { Section } from "../ui/page/Section.tsx";
import { SeverityMark } from "../ui/Severity.tsx";

export function Rates({
  trace,
  measures,
  job,
}: {
  trace: SignalTrace;
  measures: readonly (FlashMeasure | null)[];
  job: Job;
}) {
  const { leastPerMin, mostPerMin, leastOn, mostOn } = FLASH_LIMITS;
  const save = (): void => saveText("signals.csv", "text/csv", signalsCsv(trace));
  return (
    <Section
      title="Rates"
      about={`A turn signal keeps ${leastPerMin} to ${mostPerMin} a minute and is lit ${leastOn * 100} to ${mostOn * 100} % of the time (49 CFR 571.108, SAE J590).`}
      action={
        <Button look="quiet" onClick={save}>
          <Download size={15} aria-hidden /> CSV
        </Button>
      }
    >
      <DataTable
        label="Rates of the lamps"
        heads={[
          "Lamp",
          "Circuit",
          right("A minute"),
          right("Lit"),
          right("First flash"),
          { words: "Verdict", className: "pl-6!" },
        ]}
      >
        {trace.lamps.map((lamp, i) => {
          const m = measures[i] ?? null;
          const run = job.runs.find((r) => r.id === lamp.runId);
          const turns = run !== undefined && usesSide(run);
          const verdict = m && judgeFlash(m);
          return (
            <tr key={lamp.lampId} className="border-t border-hair">
              <td className="py-0.5">{lamp.label}</td>
              <td className="text-muted">{ownerName(job, lamp.runId)}</td>
              <td className="num text-right">{m ? decimal(m.perMin, 0) : "–"}</td>
              <td className="num text-right">{m ? `${decimal(m.onShare * 100, 0)} %` : "–"}</td>
              <td className="num text-right">{m ? `${decimal(m.firstFlashS, 2)} s` : "–"}</td>
              <td className="pl-6">
                {m === null ? (
                  <span className="text-muted">does not flash</span>
                ) : !turns ? (
                  "a pattern of its own"
                ) : verdict === "" ? (
                  "a proper flash"
                ) : (
                  <span className="font-bold">
                    <SeverityMark severity="fix" word={false} /> {verdict}
                  </span>
                )}
              </td>
            </tr>
          );
        })}
      </DataTable>
    </Section>
  );
}
