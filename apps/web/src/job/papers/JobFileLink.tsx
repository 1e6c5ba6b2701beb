import type { ComponentProps, MouseEvent } from "react";
import { useJobStore } from "../store/jobStore.ts";
import { useOpenFile } from "./useOpenFile.ts";

interface JobFileLinkProps extends Omit<ComponentProps<"a">, "href" | "onClick"> {
  /** Of the file, from the job's own address. */
  readonly path: string;
}

/** A link to a file that the server makes of the open job: what is not saved yet is saved first. */
export function JobFileLink({ path, children, ...rest }: JobFileLinkProps) {
  const id = useJobStore((s) => s.id);
  const open = useOpenFile();
  const saveFirst = (e: MouseEvent): void => {
    if (useJobStore.getState().saveState === "saved") return;
    e.preventDefault();
    open(path);
  };
  return (
    <a {...rest} href={`/api/jobs/${id}/${path}`} onClick={saveFirst}>
      {children}
    </a>
  );
}
