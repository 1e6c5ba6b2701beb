import { STAGES, type Stage } from "@dragonet/core";
import { STAGE_WORDS, stageNumber } from "../job/stages.ts";

/** How far a job is: eight ticks on a rule, those behind it filled, its own the tall one. */
export function StageRuler({ stage }: { stage: Stage }) {
  const at = stageNumber(stage);
  return (
    <svg
      width="88"
      height="18"
      role="img"
      aria-label={`stage ${at} of ${STAGES.length}: ${STAGE_WORDS[stage]}`}
    >
      <line x1="1" y1="15.5" x2="87" y2="15.5" stroke="var(--edge)" />
      {STAGES.map((s, i) => {
        const x = 4 + i * 11.4;
        const height = i + 1 === at ? 14 : 6;
        return (
          <rect
            key={s}
            x={x - 1.5}
            y={15.5 - height}
            width={i + 1 === at ? 4 : 2.4}
            height={height}
            fill={i + 1 <= at ? "var(--ink)" : "var(--hair)"}
          />
        );
      })}
    </svg>
  );
}
