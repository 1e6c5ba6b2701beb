import { createContext, useContext } from "react";

/** Elements that a test suspects, with the share of each; none on the bench itself. */
export const Suspects = createContext<ReadonlyMap<string, number>>(new Map());

/** How much a part is suspected; null where it is not. */
export const useSuspicion = (elementId: string): number | null =>
  useContext(Suspects).get(elementId) ?? null;
