import { Button } from "../../ui/Button.tsx";
import { JobFileLink } from "./JobFileLink.tsx";

/** A sheet of the open job as PDF, and the page itself on paper. */
export function PaperLinks({ pdf }: { pdf: string }) {
  return (
    <span className="no-print flex items-baseline gap-2">
      <JobFileLink path={pdf} className="touch text-accent">
        PDF
      </JobFileLink>
      <Button look="quiet" onClick={() => window.print()}>
        Print
      </Button>
    </span>
  );
}
