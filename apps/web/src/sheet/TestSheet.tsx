import { useCallback } from "react";
import type { Job, TestLine, TestReport } from "@dragonet/core";
import { useOfJob } from "../job/useOfJob.ts";
import { DataTable } from "../ui/DataTable.tsx";
import { planner } from "../worker/port/planner.ts";

const readText = ({ read, waived, off }: TestLine): string =>
  waived ? `left out: ${read}` : off ? `${read}, off` : read;

/** The test on the vehicle as it is taped to the machine: each step, what is right, what was read. */
export function TestSheet() {
  const report = useOfJob<TestReport>(useCallback((job: Job) => planner().tested(job), []));
  if (!report || report.total === 0) return null;
  const { lines, mends, unread, total } = report;
  return (
    <section aria-label="Test on the vehicle" className="border-t-2 border-ink py-3">
      <h2 className="text-lead">Test on the vehicle</h2>
      <p>
        {unread === 0
          ? "Every step is read or left out with a reason."
          : `${unread} of ${total} steps not read.`}
      </p>
      <DataTable
        label="Steps of the test"
        className="text-small"
        heads={["With", "Tips, clamp or eye", "Right", "Read"]}
      >
        {lines.map((line, i) => (
          <tr key={i} className="break-inside-avoid border-t border-hair">
            <td className="py-0.5 pr-3">{line.controls}</td>
            <td className="pr-3">{line.words}</td>
            <td className="num pr-3">{line.expected}</td>
            <td className={`num min-w-32 ${line.off ? "font-bold" : ""}`}>{readText(line)}</td>
          </tr>
        ))}
      </DataTable>
      {mends.length > 0 && (
        <ul className="mt-2 list-disc pl-5">
          {mends.map(({ id, what, done, by }) => (
            <li key={id}>
              {what}: {done} ({by})
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
