import type { VehicleKind } from "@dragonet/core";

interface VehicleOutlineProps {
  readonly kind: VehicleKind;
  readonly end: "front" | "rear";
  readonly width: number;
  readonly height: number;
}

/** The vehicle by its kind, as it stands before its lamps: plain lines, nobody's design. */
export function VehicleOutline({ kind, end, width, height }: VehicleOutlineProps) {
  const middle = width / 2;
  const ground = <path d={`M8 ${height - 8}H${width - 8}`} />;
  switch (kind) {
    case "motorcycle":
      return (
        <>
          {ground}
          <rect x={middle - 7} y="52" width="14" height="32" rx="6" />
          <path d={`M${middle - 22} 22h44l6 22-16 12h-24l-16-12z`} />
          {end === "front" && <path d={`M${middle - 44} 24l18 4M${middle + 44} 24l-18 4`} />}
        </>
      );
    case "trike":
      return (
        <>
          {ground}
          <rect x={middle - 34} y="16" width="68" height="46" rx="3" />
          <rect x={middle - 44} y="56" width="12" height="28" rx="4" />
          <rect x={middle + 32} y="56" width="12" height="28" rx="4" />
        </>
      );
    case "cart":
    case "buggy":
      return (
        <>
          {ground}
          <path d={`M36 10h${width - 72}M42 10v34M${width - 42} 10v34`} />
          <rect x="34" y="44" width={width - 68} height="26" rx="4" />
          <rect x="38" y="66" width="13" height="18" rx="4" />
          <rect x={width - 51} y="66" width="13" height="18" rx="4" />
        </>
      );
    case "mower":
      return (
        <>
          {ground}
          <rect x="48" y="22" width={width - 96} height="36" rx="4" />
          <path d={`M22 62h${width - 44}v14H22z`} />
        </>
      );
    case "quad":
    case "other":
      return (
        <>
          {ground}
          <rect x="40" y="22" width={width - 80} height="38" rx="6" />
          <rect x="24" y="50" width="20" height="34" rx="5" />
          <rect x={width - 44} y="50" width="20" height="34" rx="5" />
          {end === "front" && <path d={`M34 20l14 5M${width - 34} 20l-14 5`} />}
        </>
      );
  }
}
