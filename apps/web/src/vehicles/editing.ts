import type { Edit, Job } from "@dragonet/core";

/** What the parts of a vehicle's screens need: the document, a way to change it, leave to. */
export interface VehicleEditing {
  readonly job: Job;
  readonly edit: (edits: readonly Edit[]) => void;
  readonly canEdit: boolean;
}
