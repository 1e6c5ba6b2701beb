import { expect, test, type Page } from "@playwright/test";
import { newJob, newRun, saved, signIn } from "./shop.ts";

/** A bar on its own switch on the quad, as one would build it in a minute, at its test. */
async function atTheTest(page: Page): Promise<void> {
  await signIn(page);
  await newJob(page, "Bar to be tested");
  await page.keyboard.press("Escape");
  await page.getByRole("link", { name: /Circuit/ }).click();
  await newRun(page, "40 W light bar");
  await saved(page);
  await page.getByRole("link", { name: /Prove/ }).click();
  await expect(page.getByRole("heading", { name: "Test on the vehicle" })).toBeVisible();
}

const lastSeen = (page: Page) => page.getByRole("group", { name: /: seen$/ }).last();

test("a dark lamp is read, suspects are ranked, and a few probes later one stands out", async ({
  page,
}) => {
  await atTheTest(page);
  await lastSeen(page).getByRole("button", { name: "dark" }).click();
  const status = page.getByRole("status").filter({ hasText: "What may be wrong" });
  await expect(status).toBeVisible();
  await expect(status.getByRole("listitem").first()).toContainText("%");
  const before = await status.getByRole("listitem").count();
  await expect(status.getByText("Next:")).toBeVisible();
  // Whatever is proposed, as though the fuse had nothing behind it: no volts, no current.
  for (let i = 0; i < 3; i += 1) {
    const field = status.getByRole("textbox");
    if ((await field.count()) === 0) break;
    await field.fill("0");
    await field.press("Enter");
    await saved(page);
    await page.waitForTimeout(400);
  }
  await expect(
    page
      .getByText("Read beside the script")
      .or(page.getByText(/[2-9] of \d+ steps/))
      .first(),
  ).toBeVisible();
  expect(await status.getByRole("listitem").count()).toBeLessThanOrEqual(before);
  await page.reload();
  await expect(lastSeen(page).getByRole("button", { name: "dark" })).toHaveAttribute(
    "aria-pressed",
    "true",
  );
});
