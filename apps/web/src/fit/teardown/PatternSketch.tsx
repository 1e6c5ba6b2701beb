import { useRef, useState, type KeyboardEvent, type PointerEvent } from "react";
import { useParams } from "react-router";
import { fastenerText, setIn, type Fastener, type Spot, present } from "@dragonet/core";
import { useEdit, useJob } from "../../job/store/jobStore.ts";
import { PhotoImage } from "../../photos/PhotoStrip.tsx";
import { MOST_PIECES, recounted } from "./FastenerRow.tsx";
import { letterOf } from "./letters.ts";
import { PatternTools, type Drawing } from "./PatternTools.tsx";

const WIDE = 220;
const HIGH = 130;
const EDGE = 12;
/** One press of an arrow key, as a share of the panel. */
const NUDGE = 0.02;

const KEYS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-NUDGE, 0],
  ArrowRight: [NUDGE, 0],
  ArrowUp: [0, -NUDGE],
  ArrowDown: [0, NUDGE],
};

const share = (value: number): number => Math.min(1, Math.max(0, Number(value.toFixed(3))));

/** A piece where it was: filled once it is back in. */
function PieceMark({
  x,
  y,
  isBack,
  letter,
}: {
  x: number;
  y: number;
  isBack: boolean;
  letter: string;
}) {
  return (
    <>
      <circle cx={x} cy={y} r={13} className="fill-transparent" />
      <circle
        cx={x}
        cy={y}
        r={8}
        className={`stroke-ink ${isBack ? "fill-ink" : "fill-paper"}`}
        strokeWidth={1.4}
      />
      <text
        x={x}
        y={y + 3.4}
        textAnchor="middle"
        fontSize={10}
        className={`pointer-events-none ${isBack ? "fill-paper" : "fill-ink"}`}
      >
        {letter}
      </text>
    </>
  );
}

/**
 * The cardboard trick: fasteners in the pattern they came out of, on the picture of their panel where
 * there is one. Each is moved by finger, mouse or arrow keys to where it was; or all of a kind are
 * tapped anew, one after the other, and counted by that.
 */
export function PatternSketch({ fasteners }: { fasteners: readonly Fastener[] }) {
  const edit = useEdit();
  const { jobId = "" } = useParams();
  const photos = useJob().photos.filter(
    (p) => p.stepId !== "" && p.stepId === fasteners[0]?.stepId,
  );
  const [plain, setPlain] = useState(false);
  const photo = plain ? undefined : photos.at(-1);
  const [drawing, setDrawing] = useState<Drawing | null>(null);
  const svg = useRef<SVGSVGElement>(null);
  const [moving, setMoving] = useState<{ id: string; i: number; spot: Spot } | null>(null);

  const put = (fastener: Fastener, i: number, spot: Spot): void =>
    edit([setIn("fastener", fastener.id, "spots", fastener.spots.with(i, spot))]);

  const spotAt = (e: PointerEvent): Spot => {
    const box = present(svg.current, "the sketch that was touched").getBoundingClientRect();
    const x = ((e.clientX - box.left) / box.width) * WIDE;
    const y = ((e.clientY - box.top) / box.height) * HIGH;
    return { x: share((x - EDGE) / (WIDE - 2 * EDGE)), y: share((y - EDGE) / (HIGH - 2 * EDGE)) };
  };

  const press = (fastener: Fastener, i: number) => (e: KeyboardEvent) => {
    const step = KEYS[e.key];
    const spot = fastener.spots[i];
    if (!step || !spot) return;
    e.preventDefault();
    put(fastener, i, { x: share(spot.x + step[0]), y: share(spot.y + step[1]) });
  };

  const keep = ({ id, spots }: Drawing): void => {
    const fastener = fasteners.find((f) => f.id === id);
    if (fastener && spots.length > 0) edit(recounted(fastener, spots));
    setDrawing(null);
  };
  const shown = fasteners.map((f) => (f.id === drawing?.id ? { ...f, spots: drawing.spots } : f));

  return (
    <div className={photo ? "max-w-xl" : "max-w-sm"}>
      <div className="relative">
        {photo && (
          <div aria-hidden className="absolute inset-0 overflow-hidden opacity-70 print:hidden">
            <PhotoImage jobId={jobId} photo={photo} />
          </div>
        )}
        <svg
          ref={svg}
          viewBox={`0 0 ${WIDE} ${HIGH}`}
          className="relative w-full touch-none select-none"
          role="group"
          aria-label="Pattern of the fasteners"
          onPointerDown={(e) => {
            if (!drawing || drawing.spots.length >= MOST_PIECES) return;
            setDrawing({ ...drawing, spots: [...drawing.spots, spotAt(e)] });
          }}
        >
          <rect
            x={EDGE / 2}
            y={EDGE / 2}
            width={WIDE - EDGE}
            height={HIGH - EDGE}
            rx={8}
            className="fill-none stroke-edge"
            strokeDasharray="4 3"
          />
          {shown.flatMap((fastener, k) =>
            fastener.spots.map((spot, i) => {
              const held = moving?.id === fastener.id && moving.i === i;
              const at = held ? moving.spot : spot;
              const [x, y] = [EDGE + at.x * (WIDE - 2 * EDGE), EDGE + at.y * (HIGH - 2 * EDGE)];
              const isBack = i < fastener.back;
              return (
                <g
                  key={`${fastener.id} ${i}`}
                  role="button"
                  tabIndex={0}
                  aria-label={`${fastenerText(fastener)}, ${i + 1} of ${fastener.count}${isBack ? ", back in" : ""}: arrow keys move it`}
                  onKeyDown={press(fastener, i)}
                  onPointerDown={(e) => {
                    if (drawing) return;
                    e.currentTarget.setPointerCapture(e.pointerId);
                    setMoving({ id: fastener.id, i, spot });
                  }}
                  onPointerMove={(e) => held && setMoving({ id: fastener.id, i, spot: spotAt(e) })}
                  onPointerUp={() => {
                    if (held && (moving.spot.x !== spot.x || moving.spot.y !== spot.y)) {
                      put(fastener, i, moving.spot);
                    }
                    setMoving(null);
                  }}
                  onPointerCancel={() => setMoving(null)}
                >
                  <PieceMark {...{ x, y, isBack }} letter={letterOf(k)} />
                </g>
              );
            }),
          )}
        </svg>
      </div>
      <PatternTools
        fasteners={fasteners}
        drawing={drawing}
        draw={setDrawing}
        keep={keep}
        backdrop={photos.length === 0 ? null : { plain, setPlain }}
      />
    </div>
  );
}
