import { placeOf, type JobPlan } from "@dragonet/core";
import { useJob } from "../job/store/jobStore.ts";

/** For the inspector: what was added, where, and what turns it on. */
export function InspectorSheet({ plan }: { plan: JobPlan }) {
  const job = useJob();
  if (plan.inspector.length === 0) return null;
  const asks = plan.findings.filter((f) => f.rule === "place-asks");
  return (
    <section
      aria-label="For the inspector"
      className="break-inside-avoid border-t-2 border-ink py-3"
    >
      <h2 className="text-lead">For the inspector: what was added</h2>
      <table className="w-full border-collapse text-small">
        <thead>
          <tr>
            <th scope="col">Lamp</th>
            <th scope="col">Where</th>
            <th scope="col">Light</th>
            <th scope="col">On with</th>
            <th scope="col">Over time</th>
          </tr>
        </thead>
        <tbody>
          {plan.inspector.map((line) => (
            <tr key={line.id} className="border-t border-hair">
              <td className="py-0.5">{line.label}</td>
              <td>{line.place}</td>
              <td>{line.light}</td>
              <td>{line.when}</td>
              <td>{line.overTime}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1">
        {placeOf(job.practices.place)
          ? `Held against ${placeOf(job.practices.place)?.name}: ${asks.length === 0 ? "nothing found that it asks otherwise" : asks.map((f) => f.title).join("; ")}. Advisory; the inspector has the last word.`
          : "No place was chosen to hold these against."}
      </p>
    </section>
  );
}
