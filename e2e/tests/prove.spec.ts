import { expect, test, type Page } from "@playwright/test";
import { newJob, newRun, openJob, saved, signIn } from "./shop.ts";

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

test("a reading that cannot be asks, and is not taken; a step is left out with its reason", async ({
  page,
}) => {
  await atTheTest(page);
  const volts = page.getByRole("textbox", { name: /reading in V$/ }).first();
  await volts.fill("1270");
  await volts.press("Enter");
  await expect(page.getByText(/cannot be: .*mV, or the range/).last()).toBeVisible();
  await volts.fill("twelve");
  await volts.press("Enter");
  await expect(page.getByText(/is no number, such as 12.4/)).toBeVisible();
  await expect(page.getByText(/^0 of \d+ steps/)).toBeVisible();
  const why = page.getByRole("textbox", { name: /why it is left out$/ }).first();
  await why.fill("clamp is at the other bench");
  await why.press("Enter");
  await expect(page.getByText("waived: clamp is at the other bench").last()).toBeVisible();
  await expect(page.getByText(/^1 of \d+ steps/)).toBeVisible();
});

test("on a phone the steps come one by one", async ({ page }) => {
  await atTheTest(page);
  await page.setViewportSize({ width: 390, height: 844 });
  const one = page.getByRole("region", { name: "Step by step" });
  await expect(one.getByText(/^Step 1 of \d+/)).toBeVisible();
  await one.getByRole("button", { name: "Next" }).click();
  await expect(one.getByText(/^Step 2 of \d+/)).toBeVisible();
  const wide = await page.evaluate(
    () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
  );
  expect(wide).toBeLessThanOrEqual(0);
});

test("what was proved on the machine is compared with its profile and written there once", async ({
  page,
}) => {
  await signIn(page);
  const base = await openJob(page, "Twin horns and work lamp");
  await page.goto(`${base}/prove`);
  const proved = page.getByRole("region", { name: "Proved here, not in the profile" });
  await expect(proved.getByText(/violet\/white, reverse lamp, .* guess/)).toBeVisible();
  await expect(proved.getByText(/violet\/white, reverse lamp, .* proved/)).toBeVisible();
  await proved.getByRole("button", { name: "Write to the profile" }).click();
  await expect(page.getByText("Written to the profile of Corvane Fellrunner 420")).toBeVisible();
  await expect(proved).toBeHidden();
  await page.goto("/vehicles/fellrunner-420");
  await expect(page.getByText("Pim Okkerse").first()).toBeVisible();
});
