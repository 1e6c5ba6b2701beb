import type { Content } from "pdfmake/interfaces.js";
import {
  decimal,
  span,
  stripDrawing,
  type JobPlan,
  type LineDiagram,
  type LineDrawing,
  itemAt,
  lowestAt,
} from "@dragonet/core";
import { INK } from "./words.ts";

/** What a page has room for, in points. */
export interface PageRoom {
  readonly width: number;
  readonly height: number;
}

/** A line diagram as it is drawn, with what its title says. */
interface Block extends LineDrawing {
  readonly strip: LineDiagram;
}

/** A title and what is below it before the next, in points. */
const TITLE = 17;
const GAP = 7;
/** Drawn smaller than this its letters are too small beside a lift. */
const LEAST_SCALE = 0.62;
/** A loom that has less room than this gets a page of its own. */
const LEAST_LOOM = 190;

/** As large as is asked for, and never wider than the page. */
const scaleOf = (block: Block, scale: number, room: PageRoom): number =>
  Math.min(scale, room.width / block.width);

const heightAt = (block: Block, scale: number, room: PageRoom): number =>
  TITLE + GAP + block.height * scaleOf(block, scale, room);

/** Pages of blocks in their order, as many on each as there is room for. */
function pagesAt(blocks: readonly Block[], scale: number, room: PageRoom): Block[][] {
  const pages: Block[][] = [];
  let left = 0;
  for (const block of blocks) {
    const height = heightAt(block, scale, room);
    if (pages.length === 0 || height > left) {
      pages.push([]);
      left = room.height;
    }
    pages.at(-1)?.push(block);
    left -= height;
  }
  return pages;
}

const usedOf = (page: readonly Block[], scale: number, room: PageRoom): number =>
  page.reduce((sum, b) => sum + heightAt(b, scale, room), 0);

/** A row may be so much wider than the page, and drawn smaller for it, where that saves a row. */
const WIDER = 1.28;

/** Sizes to try, largest first. */
const SCALES = Array.from({ length: 20 }, (_, i) => 1 - 0.02 * i).filter((s) => s >= LEAST_SCALE);

function diagram(block: Block, scale: number, room: PageRoom): Content {
  const { strip, svg, width } = block;
  return {
    unbreakable: true,
    margin: [0, 0, 0, GAP],
    stack: [
      {
        columns: [
          { text: strip.name, style: "run", width: "auto" },
          {
            text: `on with ${strip.when}; ${span(strip.drawA, 1)} A; ${lowestAt(strip)} ${decimal(strip.lowestV, 2)} V, copper ${decimal(100 * strip.dropShare)} %, fuse, contacts and frame ${decimal(strip.fixedV, 2)} V`,
            fontSize: 7.5,
            margin: [0, 3, 0, 0],
          },
        ],
        columnGap: 8,
      },
      { svg, width: width * scaleOf(block, scale, room) },
    ],
  };
}

/**
 * Every circuit as a line diagram, and the loom behind them: on as few pages as they can be read
 * on, as large as those have room for.
 */
export function circuitPages(plan: JobPlan, loom: string, room: PageRoom): Content[] {
  const look = { fontFamily: "Hyperlegible", ink: INK, widthPt: room.width * WIDER };
  const blocks = plan.strips.engineOff.map((strip): Block => ({
    strip,
    ...stripDrawing(strip, look),
  }));
  if (blocks.length === 0) return [];
  const wanted = loom === "" ? 0 : LEAST_LOOM + TITLE;
  const tried = SCALES.map((scale) => {
    const pages = pagesAt(blocks, scale, room);
    const left = room.height - usedOf(pages.at(-1) ?? [], scale, room);
    return { scale, pages, left, count: pages.length + (left < wanted ? 1 : 0) };
  });
  const fewest = Math.min(...tried.map(({ count }) => count));
  const best = tried.find(({ count }) => count === fewest) ?? itemAt(tried, 0);
  const beside = best.left >= wanted;
  return [
    ...best.pages.flatMap((page): Content[] =>
      page.map((block, k) => {
        const content = diagram(block, best.scale, room);
        return k === 0 ? Object.assign({ pageBreak: "before" as const }, content) : content;
      }),
    ),
    ...(loom === ""
      ? []
      : [
          {
            unbreakable: true,
            ...(beside ? {} : { pageBreak: "before" as const }),
            stack: [
              { text: "The whole loom", style: "run" },
              { svg: loom, fit: [room.width, (beside ? best.left : room.height) - TITLE - 8] },
            ],
          } as Content,
        ]),
  ];
}
