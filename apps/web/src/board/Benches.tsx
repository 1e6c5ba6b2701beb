import { memo } from "react";
import { Link } from "react-router";
import type { JobOnBoardAnswer } from "@dragonet/contract";
import { STAGE_WORDS } from "../job/stages.ts";
import { promisedText } from "./JobLine.tsx";
import { StageRuler } from "./StageRuler.tsx";

/** What stands on the benches now. */
export const Benches = memo(function Benches({ jobs }: { jobs: readonly JobOnBoardAnswer[] }) {
  const benches = [...new Set(jobs.map((j) => j.bench).filter((b) => b !== ""))].sort();
  if (benches.length === 0) return null;
  return (
    <section aria-labelledby="benches" className="border-b-2 border-ink pb-3">
      <h2 id="benches" className="text-small text-muted">
        On the benches
      </h2>
      <div className="grid grid-cols-1 gap-x-10 md:grid-cols-2">
        {benches.map((bench) => (
          <div key={bench}>
            <h3 className="mt-2 border-b border-ink text-lead">{bench}</h3>
            <ul>
              {jobs
                .filter((j) => j.bench === bench)
                .map((j) => (
                  <li key={j.id} className="flex items-center justify-between gap-3 py-1">
                    <span className="min-w-0">
                      <Link to={`/jobs/${j.id}`} className="font-bold text-accent">
                        {j.model}
                        {j.machine !== "" && `, ${j.machine}`}
                      </Link>
                      <span className="block text-small">
                        {j.title}. {STAGE_WORDS[j.stage]}
                        {j.promised !== "" && `, promised ${promisedText(j.promised)}`}
                      </span>
                    </span>
                    <StageRuler stage={j.stage} />
                  </li>
                ))}
            </ul>
          </div>
        ))}
      </div>
    </section>
  );
});
