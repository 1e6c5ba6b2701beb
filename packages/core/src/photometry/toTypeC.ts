import { samplerOf, type Photometry } from "./photometry.ts";

const PLANES = Array.from({ length: 73 }, (_, i) => i * 5);
/** Close near the axis, where beams of vehicles are narrow. */
const RINGS = [
  ...Array.from({ length: 41 }, (_, i) => i / 2),
  ...Array.from({ length: 28 }, (_, i) => 22.5 + 2.5 * i),
];

/** The same beam by angles of type C, which EULUMDAT knows alone; between angles by straight lines. */
export function toTypeC(p: Photometry): Photometry & { readonly type: "C" } {
  if (p.type === "C") return { ...p, type: "C" };
  const sample = samplerOf(p);
  const candela = PLANES.flatMap((plane) =>
    RINGS.map((ring) => {
      const [g, c] = [(ring * Math.PI) / 180, (plane * Math.PI) / 180];
      return sample(Math.cos(g), Math.sin(g) * Math.cos(c), Math.sin(g) * Math.sin(c));
    }),
  );
  return { ...p, type: "C", vertical: RINGS, horizontal: PLANES, candela };
}
