import { lengthText, type JobPlan, type UnitSystem } from "@dragonet/core";
import { WireSwatch } from "../ui/WireSwatch.tsx";

/** Harnesses that come made up: neither cut nor counted by the metre, only laid and checked. */
export function HarnessSheet({ plan, units }: { plan: JobPlan; units: UnitSystem }) {
  if (plan.harnessWires.length === 0) return null;
  return (
    <section aria-label="Ready-made harnesses" className="border-t-2 border-ink py-3">
      <h2 className="text-lead">Ready-made harnesses</h2>
      <div
        className="relative overflow-x-auto"
        tabIndex={0}
        role="group"
        aria-label="Wires of the harnesses"
      >
        <table className="w-full border-collapse text-small">
          <thead>
            <tr>
              <th scope="col">Harness</th>
              <th scope="col">Flag</th>
              <th scope="col">Size</th>
              <th scope="col">Colour</th>
              <th scope="col">Length</th>
              <th scope="col">From, to</th>
              <th scope="col">Laid</th>
            </tr>
          </thead>
          <tbody>
            {plan.harnessWires.map((w) => (
              <tr key={w.elementId} className="break-inside-avoid border-t border-hair">
                <td>{w.harness}</td>
                <td className="num">{w.label}</td>
                <td className="num">{w.gaugeId}</td>
                <td>
                  <WireSwatch colour={w.colour} />
                </td>
                <td className="num">{lengthText(w.lengthM, units)}</td>
                <td>
                  {w.from}, {w.to}
                </td>
                <td>
                  <span className="inline-block size-3.5 border border-edge" aria-hidden />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}
