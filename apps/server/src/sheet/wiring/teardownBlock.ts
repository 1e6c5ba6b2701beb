import type { Content, TableCell } from "pdfmake/interfaces.js";
import { fastenerText, fastenersOf, stripOrder, tightText, type Job } from "@dragonet/core";
import { table } from "../table.ts";

/** A box for a pen. */
const box = (): TableCell => ({
  canvas: [{ type: "rect", x: 0, y: 1, w: 7, h: 7, lineWidth: 0.6 }],
});

/** What comes off, in its order: fasteners, plugs, what to mind, a box for off and one for back. */
export function teardownBlock(job: Job): Content[] {
  const steps = stripOrder(job.strip);
  if (steps.length === 0) return [];
  return [
    { text: "Take apart, and back in the other order", style: "heading" },
    {
      ...(table(
        [14, 110, "*", "*", 24, 24],
        ["", "What", "Fasteners and plugs", "Mind", "off", "back"],
        steps.map((step, i): TableCell[] => [
          String(i + 1),
          { text: step.name, bold: true },
          [
            ...fastenersOf(job, step.id).map((f) =>
              [`${f.count} of ${fastenerText(f)}`, tightText(f)].filter((t) => t !== "").join(", "),
            ),
            ...job.plugs
              .filter((plug) => plug.stepId === step.id)
              .map(({ name, where }) => `plug ${name}${where === "" ? "" : `, ${where}`}`),
          ].join("; "),
          [
            step.catches,
            step.hold ? "hold it" : "",
            step.paint ? "cover the paint" : "",
            step.forget === "" ? "" : `on the way back: ${step.forget}`,
          ]
            .filter((t) => t !== "")
            .join("; "),
          step.state === "on" ? box() : "done",
          step.state === "back" ? "done" : box(),
        ]),
      ) as object),
      fontSize: 7,
    } as Content,
  ];
}
