import { X } from "lucide-react";
import { Suspense, lazy, useState } from "react";
import { Link } from "react-router";
import type { PreferencesRequest } from "@dragonet/contract";
import { useCurrentUser } from "../base/session.ts";
import { useLikes } from "../settings/useLikes.ts";
import { Button } from "../ui/Button.tsx";

/** Dialogs come when they are asked for: the board is the first page. */
const NameView = lazy(async () => ({ default: (await import("./NameView.tsx")).NameView }));

const MOST_VIEWS = 20;

/** Ways to look at the board that somebody has kept, and the way that is looked at now to keep. */
export function Views({ query }: { query: string }) {
  const { preferences } = useCurrentUser();
  const views = preferences.views ?? [];
  const save = useLikes();
  const [naming, setNaming] = useState(false);
  const keep = (next: PreferencesRequest["views"]): void =>
    save.mutate({ ...preferences, views: next ?? [] });
  const keepThis = (name: string): void => {
    keep([...views.filter((view) => view.name !== name), { name, query }]);
    setNaming(false);
  };
  const isKept = views.some((view) => view.query === query);
  if (views.length === 0 && query === "") return null;
  return (
    <div className="mb-2 flex flex-wrap items-center gap-x-4 gap-y-1 text-small">
      <nav aria-label="Kept views" className="flex flex-wrap gap-x-4 gap-y-1">
        {query !== "" && (
          <Link to="/" className="touch inline-flex items-center text-accent underline">
            All jobs
          </Link>
        )}
        {views.map((view) => (
          <span key={view.name} className="inline-flex items-center gap-1">
            <Link
              to={`/?${view.query}`}
              aria-current={view.query === query ? "true" : undefined}
              className={`touch inline-flex items-center ${view.query === query ? "font-bold" : "text-accent underline"}`}
            >
              {view.name}
            </Link>
            {view.query === query && (
              <button
                type="button"
                aria-label={`Forget ${view.name}`}
                className="touch text-accent"
                onClick={() => keep(views.filter((other) => other !== view))}
              >
                <X size={14} aria-hidden />
              </button>
            )}
          </span>
        ))}
      </nav>
      {query !== "" && !isKept && views.length < MOST_VIEWS && (
        <Button look="quiet" className="px-1" onClick={() => setNaming(true)}>
          Keep this view
        </Button>
      )}
      {naming && (
        <Suspense fallback={null}>
          <NameView onKeep={keepThis} onClose={() => setNaming(false)} />
        </Suspense>
      )}
    </div>
  );
}
