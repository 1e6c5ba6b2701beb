/** What is long to draw, after the press that asks for it. */
import { act, render, screen } from "@testing-library/react";
import { useEffect } from "react";
import { useAfterPaint } from "../src/ui/press/useAfterPaint.ts";

/** Every answer that was drawn, in turn. */
let drawn: boolean[] = [];

function Drawer({ asked }: { asked: boolean }) {
  const is = useAfterPaint(asked);
  useEffect(() => {
    drawn.push(is);
  }, [is]);
  return is ? <p>long</p> : <p>short</p>;
}

beforeEach(() => {
  drawn = [];
});

describe("what is long to draw", () => {
  it("is not in the first frame, and is there when nothing else is to be drawn", async () => {
    const { rerender } = render(<Drawer asked={false} />);
    expect(drawn).toEqual([false]);
    rerender(<Drawer asked />);
    await act(async () => {});
    expect(screen.getByText("long")).toBeVisible();
    expect(drawn).toEqual([false, true]);
  });

  it("goes at once, and comes again after the next press in the same way", async () => {
    const { rerender } = render(<Drawer asked />);
    expect(drawn[0]).toBe(false);
    await act(async () => {});
    rerender(<Drawer asked={false} />);
    expect(screen.getByText("short")).toBeVisible();
    drawn = [];
    rerender(<Drawer asked />);
    await act(async () => {});
    expect(screen.getByText("long")).toBeVisible();
  });
});
