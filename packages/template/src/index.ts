import { Colors, DxfWriter, Units, point3d, type LayerFlags } from "@tarikjabiri/dxf";
import type { Drawing, DrawingItem, DrawingLayer } from "@dragonet/core";

const LAYERS: Readonly<Record<DrawingLayer, number>> = {
  CUT: Colors.White,
  MARK: Colors.White,
  PANEL: Colors.White,
  SCALE: Colors.White,
};
/** Neither frozen nor locked. */
const PLAIN = 0 as LayerFlags;

function put(dxf: DxfWriter, item: DrawingItem, heightMm: number): void {
  // DXF counts upwards, drawings of the heart downwards.
  const at = (x: number, y: number) => point3d(x, heightMm - y, 0);
  const options = { layerName: item.layer };
  switch (item.kind) {
    case "line":
      dxf.addLine(at(item.x1, item.y1), at(item.x2, item.y2), options);
      return;
    case "circle":
      dxf.addCircle(at(item.x, item.y), item.r, options);
      return;
    case "text":
      dxf.addText(at(item.x, item.y), item.heightMm, plainText(item.text), options);
      return;
  }
}

/** Text of a DXF entity is one line; its own escapes begin with a percent sign or a backslash. */
const plainText = (text: string): string =>
  text
    .replace(/[\r\n]+/g, " ")
    .replace(/\\/g, "/")
    .replace(/%%/g, "% %")
    .replace(/ø/g, "dia.")
    .replace(/×/g, "x")
    .replace(
      /[^\x20-\x7e]/g,
      (c) => `\\U+${c.charCodeAt(0).toString(16).padStart(4, "0").toUpperCase()}`,
    );

/** A drawing as DXF in mm, one layer each for cuts, marks, the panel's edge and the scale bar. */
export function drawingDxf(drawing: Drawing): string {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  for (const [name, colour] of Object.entries(LAYERS)) {
    dxf.addLayer(name, colour, "Continuous", PLAIN);
  }
  for (const item of drawing.items) put(dxf, item, drawing.heightMm);
  // The header names who saved it last: this program, not the library it uses.
  return dxf.stringify().replace("@tarikjabiri/dxf", "Dragonet");
}
