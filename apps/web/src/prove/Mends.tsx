import type { Mend } from "@dragonet/core";
import { momentText } from "../base/moment.ts";
import { useCanEdit } from "../base/session.ts";
import { useEdit, useJob } from "../job/store/jobStore.ts";
import { RemoveButton } from "../ui/RemoveButton.tsx";

const minutesText = ({ minutes }: Mend): string => (minutes > 0 ? `, ${minutes} min` : "");

/** What was found wrong at the tests, and put right. */
export function Mends() {
  const { mends } = useJob();
  const edit = useEdit();
  const canEdit = useCanEdit();
  if (mends.length === 0) return null;
  return (
    <div className="mb-3">
      <h3 className="mt-2 font-bold">Mended</h3>
      <ul>
        {mends.map((mend) => (
          <li key={mend.id} className="flex items-baseline gap-3 border-t border-hair py-1.5">
            <span className="min-w-0 flex-1">
              {mend.what}: {mend.done}
              <span className="block text-small text-muted">
                {mend.by}, {momentText(new Date(mend.when))}
                {minutesText(mend)}
              </span>
            </span>
            {canEdit && (
              <RemoveButton
                what={`the mend of ${mend.what}`}
                onClick={() => edit([{ kind: "remove", entity: "mend", id: mend.id }])}
              />
            )}
          </li>
        ))}
      </ul>
    </div>
  );
}
