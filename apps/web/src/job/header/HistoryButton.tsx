import { Redo2, Undo2 } from "lucide-react";
import { useJobStore } from "../store/jobStore.ts";

const WAYS = {
  undo: { name: "Undo", keys: "Ctrl+Z", Icon: Undo2, steps: "undoSteps" },
  redo: { name: "Redo", keys: "Ctrl+Y", Icon: Redo2, steps: "redoSteps" },
} as const;

/** One step of the job's history back, or forward again. */
export function HistoryButton({ way }: { way: keyof typeof WAYS }) {
  const { name, keys, Icon, steps } = WAYS[way];
  const store = useJobStore();
  return (
    <button
      type="button"
      className="touch text-accent disabled:text-hair"
      aria-label={name}
      title={`${name} (${keys})`}
      disabled={store[steps].length === 0}
      onClick={store[way]}
    >
      <Icon size={18} aria-hidden />
    </button>
  );
}
