import type { Agent } from "supertest";
import type { Edit, Job } from "@dragonet/core";

let batch = 0;

/** A name of a batch that no other test of the file uses. */
export const nextBatch = (): string => `batch-${(batch += 1)}`;

export const save = (
  who: Agent,
  id: string,
  baseRevision: number,
  edits: readonly Edit[],
  batchId = nextBatch(),
) => who.post(`/api/jobs/${id}/edits`).send({ baseRevision, edits, batchId });

/** Opens a job on the quad; answers its id. */
export async function open(who: Agent): Promise<string> {
  const { body } = await who
    .post("/api/jobs")
    .send({ title: "Bar", customer: "C", profileId: "fellrunner-420", machine: "red" })
    .expect(201);
  return body.id;
}

export const read = async (who: Agent, id: string): Promise<{ revision: number; document: Job }> =>
  (await who.get(`/api/jobs/${id}`).expect(200)).body;

export const title = (value: string): Edit => ({
  ...{ kind: "setOnce", entity: "card", field: "title", value },
});
