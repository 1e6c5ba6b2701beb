import type { Edit } from "@dragonet/core";

/** Sets one fact of which a vehicle has one. */
export const once = (
  entity: "battery" | "charging" | "pack" | "reaches",
  field: string,
  value: unknown,
): Edit => ({ kind: "setOnce", entity, field, value }) as Edit;
