import { Button } from "../Button.tsx";

/** A sheet as PDF, and the page itself on paper. */
export function PaperLinks({ pdf }: { pdf: string }) {
  return (
    <span className="no-print flex items-baseline gap-2">
      <a className="touch text-accent" href={pdf}>
        PDF
      </a>
      <Button look="quiet" onClick={() => window.print()}>
        Print
      </Button>
    </span>
  );
}
