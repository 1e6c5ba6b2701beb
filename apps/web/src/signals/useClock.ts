import { useCallback, useEffect, useRef, useState } from "react";

export interface Clock {
  readonly atS: number;
  readonly playing: boolean;
  readonly play: () => void;
  readonly pause: () => void;
  readonly seek: (atS: number) => void;
}

/** Time that runs from a start to an end while it is played, one step a frame of the screen. */
export function useClock(endS: number): Clock {
  const [atS, setAtS] = useState(0);
  const [playing, setPlaying] = useState(false);
  const last = useRef<number | null>(null);
  useEffect(() => {
    if (!playing) return;
    let frame = 0;
    const tick = (now: number): void => {
      const step = last.current === null ? 0 : (now - last.current) / 1000;
      last.current = now;
      setAtS((before) => {
        const next = Math.min(endS, before + step);
        if (next >= endS) setPlaying(false);
        return next;
      });
      frame = requestAnimationFrame(tick);
    };
    frame = requestAnimationFrame(tick);
    return () => {
      cancelAnimationFrame(frame);
      last.current = null;
    };
  }, [playing, endS]);
  const play = useCallback(() => {
    setAtS((before) => (before >= endS ? 0 : before));
    setPlaying(true);
  }, [endS]);
  const pause = useCallback(() => setPlaying(false), []);
  const seek = useCallback(
    (to: number) => {
      setPlaying(false);
      setAtS(Math.max(0, Math.min(endS, to)));
    },
    [endS],
  );
  return { atS, playing, play, pause, seek };
}
