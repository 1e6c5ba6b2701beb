import { useCallback } from "react";
import { useLocation, useNavigate } from "react-router";
import { STAGES, vehicleName } from "@dragonet/core";
import { useNarrow } from "../../base/useNarrow.ts";
import { useSingleKeys } from "../../base/useSingleKeys.ts";
import { useTitle } from "../../ui/page/useTitle.ts";
import { STAGE_WORDS, stageNumber } from "../stages.ts";
import { useJob } from "../store/jobStore.ts";
import { PhoneLine } from "./PhoneLine.tsx";
import { StageNav } from "./StageNav.tsx";
import { Standing } from "./Standing.tsx";

function useStageKeys(jobId: string): void {
  const navigate = useNavigate();
  const press = useCallback(
    (key: string) => {
      const stage = STAGES.find((s) => String(stageNumber(s)) === key);
      if (stage) void navigate(`/jobs/${jobId}/${stage}`);
    },
    [jobId, navigate],
  );
  useSingleKeys(press);
}

/** The job's name, its pages, whether it is saved. */
export function JobHeader({ jobId }: { jobId: string }) {
  const { card, vehicle } = useJob();
  const phone = useNarrow("md");
  useStageKeys(jobId);
  const at = useLocation().pathname.split("/")[3] ?? "";
  const here = STAGES.find((stage) => stage === at);
  useTitle(`${card.title}: ${here ? STAGE_WORDS[here] : at}`);
  const about = [vehicleName(vehicle), card.customer].filter((t) => t !== "").join(" · ");
  return (
    <header
      className={`no-print border-b border-hair py-1 ${phone ? "px-1" : "flex flex-wrap items-center gap-x-2 gap-y-1 px-4"}`}
    >
      {phone ? (
        <PhoneLine about={about} />
      ) : (
        <div className="max-w-xs min-w-0">
          <h1 className="leading-tight break-words">{card.title}</h1>
          <p className="text-small leading-4 break-words text-muted">{about}</p>
        </div>
      )}
      <StageNav {...{ jobId, here, at }} />
      {!phone && <Standing phone={false} />}
    </header>
  );
}
