import { X } from "lucide-react";
import { useState } from "react";
import { useForm } from "react-hook-form";
import { Link } from "react-router";
import type { PreferencesRequest } from "@dragonet/contract";
import { useMe } from "../base/session.ts";
import { useLikes } from "../settings/useLikes.ts";
import { Button } from "../ui/Button.tsx";
import { FormField } from "../ui/forms/FormField.tsx";
import { Modal } from "../ui/page/Modal.tsx";

const MOST_VIEWS = 20;

/** Ways to look at the board that somebody has kept, and the way that is looked at now to keep. */
export function Views({ query }: { query: string }) {
  const { preferences } = useMe();
  const views = preferences.views ?? [];
  const save = useLikes();
  const [naming, setNaming] = useState(false);
  const { register, handleSubmit, formState, reset } = useForm({ defaultValues: { name: "" } });
  const keep = (next: PreferencesRequest["views"]): void =>
    save.mutate({ ...preferences, views: next ?? [] });
  const submit = handleSubmit((said) => {
    const name = said.name.trim();
    keep([...views.filter((view) => view.name !== name), { name, query }]);
    setNaming(false);
    reset();
  });
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
      <Modal open={naming} onClose={() => setNaming(false)} title="Keep this view">
        <form noValidate onSubmit={(e) => void submit(e)} className="flex flex-col gap-3">
          <FormField
            label="Name"
            maxLength={60}
            wrong={formState.errors.name?.message}
            {...register("name", {
              validate: (text) => text.trim() !== "" || "A word or two, to find it by.",
            })}
          />
          <Button look="main" type="submit">
            Keep
          </Button>
        </form>
      </Modal>
    </div>
  );
}
