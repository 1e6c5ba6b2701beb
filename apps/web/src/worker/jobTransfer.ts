import { transferHandlers, type TransferHandler } from "comlink";
import type { Job } from "@dragonet/core";
import { JobReceiver, JobSender, isJob, type PostedJob } from "./jobPort.ts";

const sender = new JobSender();
const receiver = new JobReceiver();

const handler: TransferHandler<Job, PostedJob> = {
  canHandle: isJob,
  serialize: (job) => [sender.post(job), []],
  deserialize: (posted) => receiver.take(posted),
};

/** Jobs cross between page and worker once; both sides import this before they speak. */
transferHandlers.set("job", handler);
