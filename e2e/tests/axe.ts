import type { Page } from "@playwright/test";
import axe, { type Result, type RunOnly } from "axe-core";

const LEVEL_AA = ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa"];

/** The words are the same by night and on a phone: a theme breaks contrast, a width targets. */
export const RULES = {
  all: { type: "tag", values: LEVEL_AA },
  theme: { type: "rule", values: ["color-contrast"] },
  width: { type: "rule", values: ["target-size", "scrollable-region-focusable"] },
} as const;

/** What a page is looked through with stays in it from one view to the next. */
export async function violationsOf(
  page: Page,
  rules: keyof typeof RULES = "all",
): Promise<Result[]> {
  if (!(await page.evaluate(() => "axe" in window))) await page.evaluate(axe.source);
  return page.evaluate(async (runOnly) => {
    // Looked through as whoever scrolls through it sees it: what is out of sight is else not laid
    // out, and would be taken to lie over what follows.
    const shown = document.createElement("style");
    shown.textContent = ".in-view { content-visibility: visible !important; }";
    document.head.append(shown);
    const { axe: there } = window as unknown as { axe: typeof axe };
    const found = await there.run(document, {
      runOnly: runOnly as unknown as RunOnly,
      resultTypes: ["violations"],
    });
    shown.remove();
    return found.violations;
  }, RULES[rules]);
}
