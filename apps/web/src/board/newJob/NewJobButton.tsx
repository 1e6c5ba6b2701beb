import { Plus } from "lucide-react";
import { Suspense, lazy, useState } from "react";
import { Button } from "../../ui/Button.tsx";

/** Its form and lists come when they are asked for: the board is the first page. */
const NewJob = lazy(async () => ({ default: (await import("./NewJob.tsx")).NewJob }));

/** Opens the form of a new job. By itself: the board is not drawn anew for it. */
export function NewJobButton() {
  const [opening, setOpening] = useState(false);
  return (
    <>
      <Button look="main" onPressed={() => setOpening(true)}>
        <Plus size={16} aria-hidden /> New job
      </Button>
      {opening && (
        <Suspense fallback={null}>
          <NewJob open onClose={() => setOpening(false)} />
        </Suspense>
      )}
    </>
  );
}
