/** Boxes of what is drawn on a page of a PDF, read by another library. */
import { OPS } from "pdfjs-dist/legacy/build/pdf.mjs";

const times = (m, n) => [
  m[0] * n[0] + m[2] * n[1],
  m[1] * n[0] + m[3] * n[1],
  m[0] * n[2] + m[2] * n[3],
  m[1] * n[2] + m[3] * n[3],
  m[0] * n[4] + m[2] * n[5] + m[4],
  m[1] * n[4] + m[3] * n[5] + m[5],
];

/** How many numbers each kind of path piece takes; its last two are the point it ends at. */
const TAKES = new Map([
  [OPS.moveTo, 2],
  [OPS.lineTo, 2],
  [OPS.curveTo, 6],
  [OPS.curveTo2, 4],
  [OPS.curveTo3, 4],
  [OPS.closePath, 0],
  [OPS.rectangle, 4],
]);

/** Box of the points a path goes through: a circle drawn in quarters touches its box there. */
function extent(pieces, numbers) {
  const box = [Infinity, Infinity, -Infinity, -Infinity];
  let k = 0;
  const reach = (x, y) => {
    box[0] = Math.min(box[0], x);
    box[1] = Math.min(box[1], y);
    box[2] = Math.max(box[2], x);
    box[3] = Math.max(box[3], y);
  };
  for (const piece of pieces) {
    const takes = TAKES.get(piece);
    if (takes === undefined) throw new Error(`path piece ${piece} is not expected here`);
    if (piece === OPS.rectangle) {
      const [x, y, width, height] = numbers.slice(k, k + 4);
      reach(x, y);
      reach(x + width, y + height);
    }
    k += takes;
    if (piece !== OPS.rectangle && takes > 0) reach(numbers[k - 2], numbers[k - 1]);
  }
  return box;
}

/** The boxes of a page's paths, in points from its top left: left, top, right, bottom. */
export async function boxesOf(page) {
  const { height } = page.getViewport({ scale: 1 });
  const { fnArray, argsArray } = await page.getOperatorList();
  let matrix = [1, 0, 0, 1, 0, 0];
  const stack = [];
  const boxes = [];
  fnArray.forEach((fn, i) => {
    if (fn === OPS.save) stack.push(matrix);
    else if (fn === OPS.restore) matrix = stack.pop() ?? matrix;
    else if (fn === OPS.transform) matrix = times(matrix, argsArray[i]);
    else if (fn === OPS.constructPath) {
      const [x0, y0, x1, y1] = extent(argsArray[i][0], argsArray[i][1]);
      const at = (x, y) => [
        matrix[0] * x + matrix[2] * y + matrix[4],
        height - (matrix[1] * x + matrix[3] * y + matrix[5]),
      ];
      const [a, b] = [at(x0, y0), at(x1, y1)];
      boxes.push([
        Math.min(a[0], b[0]),
        Math.min(a[1], b[1]),
        Math.max(a[0], b[0]),
        Math.max(a[1], b[1]),
      ]);
    }
  });
  return boxes;
}
