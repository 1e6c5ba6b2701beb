import { memo } from "react";
import { span, type BudgetLine, type ChargingBudget } from "@dragonet/core";
import { Section } from "../ui/page/Section.tsx";

/** Every line of the budget in every state: the numbers under the bars. */
export const LoadTable = memo(function LoadTable({
  running,
}: {
  running: readonly ChargingBudget[];
}) {
  const names = [
    ...new Map(
      running.flatMap((b) => b.lines).map((line) => [`${line.kind} ${line.what}`, line] as const),
    ).entries(),
  ];
  const cell = (b: ChargingBudget, key: string): BudgetLine | undefined =>
    b.lines.find((line) => `${line.kind} ${line.what}` === key);
  if (running.length === 0) return null;
  return (
    <Section title="Line by line" about="Mean amps; new circuits are hatched in the bars above.">
      <div
        className="relative overflow-x-auto"
        role="region"
        aria-label="Budget lines"
        tabIndex={0}
      >
        <table className="w-full border-collapse">
          <thead>
            <tr>
              <th scope="col">What</th>
              <th scope="col" className="max-md:hidden">
                Known by
              </th>
              {running.map((b) => (
                <th key={b.state} scope="col" className="text-right">
                  {b.state}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {names.map(([key, line]) => (
              <tr key={key} className="border-t border-hair">
                <td className={`py-0.5 pr-3 ${line.kind === "base" ? "" : "font-bold"}`}>
                  {line.what}
                  <span className="block text-small font-normal text-muted md:hidden">
                    {line.provenance}
                  </span>
                </td>
                <td className="pr-3 text-small text-muted max-md:hidden">{line.provenance}</td>
                {running.map((b) => {
                  const at = cell(b, key);
                  return (
                    <td
                      key={b.state}
                      className="num pl-3 text-right whitespace-nowrap max-md:pl-1 max-md:text-small"
                    >
                      {at ? span(at.currentA) : "–"}
                    </td>
                  );
                })}
              </tr>
            ))}
            <tr className="border-t border-ink">
              <td className="py-0.5 font-bold">to spare</td>
              <td className="max-md:hidden" />
              {running.map((b) => (
                <td
                  key={b.state}
                  className="num pl-3 text-right font-bold whitespace-nowrap max-md:pl-1 max-md:text-small"
                >
                  {span(b.spareA)}
                </td>
              ))}
            </tr>
          </tbody>
        </table>
      </div>
    </Section>
  );
});
