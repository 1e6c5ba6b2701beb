import { edgeOf, type Box } from "./labels.ts";

/** How far a name may stand from its point and still be seen to be of it. */
const NEAR = 16;

/** A thin line from a name to its point, where it stands too far off. */
export function LabelLine({ box, at }: { box: Box; at: readonly [x: number, y: number] }) {
  const edge = edgeOf(box, at);
  if (Math.hypot(edge[0] - at[0], edge[1] - at[1]) <= NEAR) return null;
  return (
    <line
      x1={edge[0]}
      y1={edge[1]}
      x2={at[0]}
      y2={at[1]}
      className="stroke-muted"
      strokeWidth={0.8}
    />
  );
}
