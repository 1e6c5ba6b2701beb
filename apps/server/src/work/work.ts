/** A worker thread's side: does what it is handed, on the same core, away from the requests. */
import "reflect-metadata";
import { readJobFile } from "@dragonet/contract";
import { workOutEdits } from "../jobs/workOutEdits.ts";
import { labelsPdf } from "../sheet/labelsPdf.ts";
import { stripSheetPdf } from "../sheet/stripSheetPdf.ts";
import { templatePdf } from "../sheet/templatePdf.ts";
import type { Answers, Task } from "./tasks.ts";

export default async function work(task: Task): Promise<Answers[Task["kind"]]> {
  switch (task.kind) {
    case "edits":
      return workOutEdits(task.document, task.edits);
    case "jobFile":
      return readJobFile(task.text);
    case "sheet":
      return stripSheetPdf(task.document, task.options);
    case "labels":
      return labelsPdf(task.list, task.title);
    case "template":
      return templatePdf(task.drawing, task.paper);
  }
}
