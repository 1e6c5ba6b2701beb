import { decimal } from "../quantity/index.ts";
import type { OwnerSheet } from "./ownerSheet.ts";

const ESCAPES: Readonly<Record<string, string>> = {
  ...{ "&": "&amp;", "<": "&lt;", ">": "&gt;", '"': "&quot;" },
};

/** What people typed is text and nothing else. */
const text = (raw: string): string => raw.replace(/[&<>"]/g, (c) => ESCAPES[c] ?? c);

const list = (lines: readonly string[]): string =>
  `<ul>${lines.map((line) => `<li>${text(line)}</li>`).join("")}</ul>`;

const section = (title: string, body: string): string => `<h2>${text(title)}</h2>${body}`;

const listed = (title: string, lines: readonly string[]): string =>
  lines.length === 0 ? "" : section(title, list(lines));

const STYLE =
  "@page{margin:18mm}body{font:16pt/1.35 sans-serif;max-width:180mm;margin:auto;color:#16211f}" +
  "h1{font-size:24pt;margin:0}h2{font-size:17pt;margin:1em 0 .2em;break-after:avoid}" +
  "ul{margin:0;padding-left:1.1em}li{break-inside:avoid;margin:.15em 0}";

/** The owner's sheet as a page of its own, in large print; everything in it is escaped. */
export function ownerSheetHtml(sheet: OwnerSheet): string {
  const fuses = sheet.fuses.map(
    (f) => `${decimal(f.ratingA)} A${f.resets ? " breaker" : ""}: ${f.protects}, ${f.where}`,
  );
  const added = sheet.added.map((a) => `${a.name}: ${a.lamps}, on with ${a.when}`);
  const without = sheet.without.map(
    (s) => `${s.of}: ${s.reason} (${s.name}, ${s.at.slice(0, 10)})`,
  );
  const signed = sheet.handedOver
    ? `<p>Handed over ${text(sheet.handedOver.at.slice(0, 10))}, ${text(sheet.handedOver.name)}.</p>`
    : "";
  return `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>${text(sheet.title)}</title><style>${STYLE}</style></head><body><h1>${text(sheet.title)}</h1><p>${text(sheet.vehicle)}, ${text(sheet.customer)}</p>${[
    listed("What was added", added),
    listed("Fuses", fuses),
    listed("Battery", sheet.battery),
    listed("On the road", sheet.road),
    listed("What to look after", sheet.check),
    listed("Tested", sheet.proved),
    listed("Handed over without", without),
    listed("Warranty", sheet.warranty),
  ].join("")}${signed}</body></html>
`;
}
