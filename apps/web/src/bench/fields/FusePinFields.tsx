import {
  AWG_GAUGES,
  BLADE_FUSE_RATINGS_A,
  METRIC_GAUGES,
  decimal,
  type FusePin,
} from "@dragonet/core";
import { Choice } from "../../ui/forms/Choice.tsx";

interface FusePinFieldsProps {
  readonly what: string;
  readonly fuse: FusePin;
  readonly wire: string | null;
  readonly onFuse: (fuse: FusePin) => void;
  readonly onWire: (wire: string | null) => void;
}

const valueOf = (fuse: FusePin): string =>
  fuse.kind === "rating" || fuse.kind === "breaker" ? `${fuse.kind} ${fuse.ratingA}` : fuse.kind;

function fuseOf(value: string): FusePin {
  const [kind, amps] = value.split(" ");
  if (kind === "rating" || kind === "breaker") return { kind, ratingA: Number(amps) };
  return { kind: kind === "none" ? "none" : "auto" };
}

/** The fuse and wire of something's own feed: what the practice gives, or pinned. */
export function FusePinFields({ what, fuse, wire, onFuse, onWire }: FusePinFieldsProps) {
  return (
    <div className="my-2 flex flex-wrap items-center gap-2">
      <span className="text-small text-muted">Its feed has</span>
      <Choice
        label={`Fuse of ${what}`}
        value={valueOf(fuse)}
        className="w-36"
        options={[
          { value: "auto", label: "automatic fuse" },
          ...BLADE_FUSE_RATINGS_A.map((a) => ({
            value: `rating ${a}`,
            label: `${decimal(a)} A fuse`,
          })),
          ...BLADE_FUSE_RATINGS_A.map((a) => ({
            value: `breaker ${a}`,
            label: `${decimal(a)} A breaker`,
          })),
          { value: "none", label: "no fuse" },
        ]}
        onChange={(value) => onFuse(fuseOf(value))}
      />
      <Choice
        label={`Wire of ${what}`}
        value={wire ?? ""}
        className="w-36"
        options={[
          { value: "", label: "automatic wire" },
          ...[...AWG_GAUGES, ...METRIC_GAUGES].map((g) => ({ value: g.id, label: g.id })),
        ]}
        onChange={(id) => onWire(id === "" ? null : id)}
      />
    </div>
  );
}
