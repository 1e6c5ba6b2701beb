import { useCurrentUser } from "../base/session.ts";
import { useLikes } from "../settings/useLikes.ts";
import { useTour } from "./tour.ts";

/** Ends the first steps, and has them not offered again. */
export function useTourEnd(): () => void {
  const { preferences } = useCurrentUser();
  const end = useTour((tour) => tour.end);
  const save = useLikes();
  return () => {
    end();
    if (preferences.toured !== true) save.mutate({ ...preferences, toured: true });
  };
}
