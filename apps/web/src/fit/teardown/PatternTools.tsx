import { fastenerText, type Fastener, type Spot } from "@dragonet/core";
import { Button } from "../../ui/Button.tsx";
import { letterOf } from "./letters.ts";

/** A pattern that is tapped anew, piece by piece, before it is kept. */
export interface Drawing {
  readonly id: string;
  readonly spots: readonly Spot[];
}

interface PatternToolsProps {
  readonly fasteners: readonly Fastener[];
  readonly drawing: Drawing | null;
  readonly draw: (drawing: Drawing | null) => void;
  readonly keep: (drawing: Drawing) => void;
  /** Whether the picture of the panel is behind the pattern; null where there is none. */
  readonly backdrop: {
    readonly plain: boolean;
    readonly setPlain: (plain: boolean) => void;
  } | null;
}

/** What is tapped anew, how many that are, and what lies behind. */
export function PatternTools({ fasteners, drawing, draw, keep, backdrop }: PatternToolsProps) {
  const drawn = fasteners.find((f) => f.id === drawing?.id);
  if (drawing && drawn) {
    const { spots } = drawing;
    return (
      <div className="mt-1 flex flex-wrap items-center gap-2">
        <p role="status" className="text-small">
          Tap where each {fastenerText(drawn)} was: <b className="num">{spots.length}</b> so far
        </p>
        <Button look="main" disabled={spots.length === 0} onClick={() => keep(drawing)}>
          Keep {spots.length === 0 ? "" : spots.length}
        </Button>
        <Button
          disabled={spots.length === 0}
          onClick={() => draw({ ...drawing, spots: spots.slice(0, -1) })}
        >
          One back
        </Button>
        <Button look="quiet" onClick={() => draw(null)}>
          Leave it
        </Button>
      </div>
    );
  }
  return (
    <div className="mt-1 flex flex-wrap items-center gap-2">
      {fasteners.map((fastener, k) => (
        <Button
          key={fastener.id}
          look="quiet"
          onClick={() => draw({ id: fastener.id, spots: [] })}
          aria-label={`Tap anew where each ${fastenerText(fastener)} was`}
        >
          Tap {letterOf(k)} anew
        </Button>
      ))}
      {backdrop && (
        <Button look="quiet" onClick={() => backdrop.setPlain(!backdrop.plain)}>
          {backdrop.plain ? "On the picture" : "Without the picture"}
        </Button>
      )}
    </div>
  );
}
