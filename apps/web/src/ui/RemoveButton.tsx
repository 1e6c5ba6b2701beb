import { Trash2 } from "lucide-react";

/** Takes one entry away; undo brings it back. */
export function RemoveButton({ what, onClick }: { what: string; onClick: () => void }) {
  return (
    <button
      type="button"
      aria-label={`Remove ${what}`}
      title={`Remove ${what}`}
      className="touch no-print inline-flex min-h-6 min-w-6 items-center justify-center px-1 text-accent disabled:text-hair"
      onClick={onClick}
    >
      <Trash2 size={15} aria-hidden />
    </button>
  );
}
