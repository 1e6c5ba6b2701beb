import { expect, type Page } from "@playwright/test";
import { CROSSED_TURNS } from "./jobs.ts";
import { test } from "./quiet.ts";
import { openJob, signIn } from "./shop.ts";

async function openStage(page: Page, title: string, stage: string): Promise<void> {
  await signIn(page);
  await openJob(page, title);
  await page.getByRole("link", { name: stage }).click();
}

test("time is played, stepped and scrubbed, and the views follow", async ({ page }) => {
  await openStage(page, CROSSED_TURNS, "Signals");
  const time = page.getByRole("slider", { name: "Time" });
  await time.focus();
  await time.fill("0");
  const next = page.getByRole("button", { name: "Next event" });
  await next.click();
  await expect(time).not.toHaveValue("0");
  await page.getByRole("button", { name: "Play", exact: true }).click();
  await page.getByRole("button", { name: "Pause", exact: true }).click();
  await time.fill("1.1");
  // Wired left for right: the right lamp shines on a left turn.
  await expect(page.getByRole("img", { name: /^rear:/ })).toHaveAccessibleName(/100 %/);
});
