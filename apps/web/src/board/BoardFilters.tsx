import { STAGES, type Stage } from "@dragonet/core";
import { STAGE_WORDS, stageNumber } from "../job/stages.ts";
import { Choice } from "../ui/forms/Choice.tsx";
import { SearchField } from "../ui/forms/SearchField.tsx";
import { Tick } from "../ui/forms/Tick.tsx";
import type { BoardView } from "./boardView.ts";
import { WAIT_CHOICES } from "./waitWords.ts";

interface BoardFiltersProps {
  readonly view: BoardView;
  readonly onChange: (change: Partial<BoardView>) => void;
  /** Those that jobs stand at. */
  readonly benches: readonly string[];
}

/** What of the board is looked at: by words, by what is waited for, by bench and stage. */
export function BoardFilters({ view, onChange, benches: taken }: BoardFiltersProps) {
  const benches = [...new Set([view.bench, ...taken])].filter((bench) => bench !== "").sort();
  return (
    <div role="search" className="mb-2 flex flex-wrap items-center gap-3">
      <SearchField
        label="Search jobs"
        value={view.words}
        onChange={(words) => onChange({ words })}
      />
      <Choice<string>
        label="Waits for"
        value={view.waits}
        className="w-52"
        options={WAIT_CHOICES.map(([value, label]) => ({ value, label }))}
        onChange={(waits) => onChange({ waits })}
      />
      {benches.length > 0 && (
        <Choice<string>
          label="Bench"
          value={view.bench}
          className="w-32"
          options={[
            { value: "", label: "any bench" },
            ...benches.map((value) => ({ value, label: value })),
          ]}
          onChange={(bench) => onChange({ bench })}
        />
      )}
      <Choice<Stage | "">
        label="Stage"
        value={view.stage}
        className="w-36"
        options={[
          { value: "", label: "any stage" },
          ...STAGES.map((value) => ({
            value,
            label: `${stageNumber(value)} ${STAGE_WORDS[value]}`,
          })),
        ]}
        onChange={(stage) => onChange({ stage })}
      />
      <Tick checked={view.late} onChange={(late) => onChange({ late })}>
        only late ones
      </Tick>
    </div>
  );
}
