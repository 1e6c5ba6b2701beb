import { useCurrentUser } from "../base/session.ts";
import { Button } from "../ui/Button.tsx";
import { useTour } from "./tour.ts";
import { useTourEnd } from "./useTourEnd.ts";

/** Offered on the board until somebody took the steps or said no. */
export function TourOffer() {
  const { preferences } = useCurrentUser();
  const { step, begin } = useTour();
  const leave = useTourEnd();
  if (step !== null || preferences.toured === true) return null;
  return (
    <aside
      aria-label="First steps"
      className="no-print mb-3 flex flex-wrap items-center gap-x-4 gap-y-1 border-l-2 border-accent py-1 pl-3"
    >
      <span>New here? Five steps through a job.</span>
      <Button look="main" onClick={begin}>
        Begin
      </Button>
      <Button look="quiet" onClick={leave}>
        Not now
      </Button>
    </aside>
  );
}
