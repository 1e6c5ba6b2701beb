import { useState } from "react";
import type { JobAnswer } from "@dragonet/contract";
import { ask } from "../base/api.ts";
import { useOpenJobs } from "../board/jobs.ts";
import { Choice } from "../ui/forms/Choice.tsx";
import { useTitle } from "../ui/page/useTitle.ts";
import type { TrainingGround } from "../worker/training.ts";
import { FindFault } from "./FindFault.tsx";
import { Progress } from "./Progress.tsx";
import { Questions } from "./Questions.tsx";
import { useMadeGround } from "./training.ts";

const MADE = "made";

/** The trainer: faults to find and questions to answer, on jobs of the shop or made-up ones. */
export function TrainingPage() {
  useTitle("Training");
  const { data: jobs } = useOpenJobs();
  const made = useMadeGround();
  const [choice, setChoice] = useState(MADE);
  const ground = async (): Promise<TrainingGround> => {
    if (choice === MADE) return made();
    const { document } = await ask<JobAnswer>(`jobs/${choice}`);
    return { kind: "job", job: document };
  };
  return (
    <div className="mx-auto w-full max-w-6xl p-4">
      <div className="mb-4 flex flex-wrap items-baseline gap-4">
        <h1 className="mr-auto text-lead">Training</h1>
        <Choice
          label="Trained on"
          className="w-80 max-w-full"
          value={choice}
          options={[
            { value: MADE, label: "a job made up of what the shop has" },
            ...(jobs ?? []).map((job) => ({ value: job.id, label: job.title })),
          ]}
          onChange={setChoice}
        />
      </div>
      <FindFault ground={ground} />
      <Questions ground={ground} />
      <Progress />
    </div>
  );
}
