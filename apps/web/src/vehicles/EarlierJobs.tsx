import { Link } from "react-router";
import { useJobsPage } from "../board/jobs.ts";
import { STAGE_WORDS } from "../job/stages.ts";
import { Section } from "../ui/page/Section.tsx";
import { Empty } from "../ui/page/states.tsx";

/** Jobs of the shop on one model. */
export function EarlierJobs({ model }: { model: string }) {
  const { data } = useJobsPage(new URLSearchParams({ model }).toString());
  const jobs = data?.jobs ?? [];
  return (
    <Section title="Jobs on this model">
      {jobs.length === 0 ? (
        <Empty title="None yet" />
      ) : (
        <ul>
          {jobs.map((j) => (
            <li key={j.id} className="border-t border-hair py-1">
              <Link className="font-bold text-accent" to={`/jobs/${j.id}`}>
                {j.title}
              </Link>{" "}
              <span className="text-muted">
                {[j.machine, STAGE_WORDS[j.stage].toLowerCase()]
                  .filter((word) => word !== "")
                  .join(", ")}
              </span>
            </li>
          ))}
        </ul>
      )}
    </Section>
  );
}
