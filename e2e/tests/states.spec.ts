import { expect, type Page } from "@playwright/test";
import { violationsOf } from "./axe.ts";
import { BAR_AND_PODS, HORNS } from "./jobs.ts";
import { test } from "./quiet.ts";
import { openJob, signIn } from "./shop.ts";

/** Nothing that WCAG 2.2 AA asks for is missing; soft, so that one run tells every state. */
async function clean(page: Page, what: string): Promise<void> {
  const found = await violationsOf(page);
  const said = found.map((v) => `${what}: ${v.id}: ${v.nodes[0]?.target.join(" ")}`);
  expect.soft(said).toEqual([]);
}

const shut = async (page: Page): Promise<void> => {
  await page.keyboard.press("Escape");
  await expect(page.getByRole("dialog")).toHaveCount(0);
};

/** Opens the first list of an open dialog, looks through the page, and closes the list again. */
async function cleanWithList(page: Page, what: string): Promise<void> {
  await page.getByRole("dialog").getByRole("combobox").first().click();
  await expect(page.getByRole("listbox")).toBeVisible();
  await clean(page, `${what}, its list open`);
  await page.keyboard.press("Escape");
  await expect(page.getByRole("listbox")).toHaveCount(0);
}

test("dialogs, open lists and refusals pass WCAG 2.2 AA", async ({ page }) => {
  await page.emulateMedia({ reducedMotion: "reduce" });
  await page.goto("/");
  await page.getByLabel("Sign-in").fill("pim");
  await page.getByLabel("Password").fill("not the word");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("alert")).toBeVisible();
  await clean(page, "sign-in refused");

  await signIn(page);
  await page.getByRole("button", { name: "New job" }).click();
  await clean(page, "new job");
  await cleanWithList(page, "new job");
  await shut(page);
  await page.keyboard.press("Control+k");
  await page.getByRole("dialog").getByRole("combobox").fill("two pods with high beam on the quad");
  const plan = page.getByRole("option", { name: /^Plan this as a job/ });
  await expect(plan).toBeVisible();
  await clean(page, "palette");
  await plan.click();
  await expect(page.getByRole("button", { name: "Plan it" })).toBeVisible();
  await clean(page, "a sentence as it was read");
  await shut(page);
  await page.keyboard.press("?");
  await expect(page.getByRole("dialog")).toBeVisible();
  await clean(page, "keys");
  await shut(page);

  const job = await openJob(page, BAR_AND_PODS);
  await page.goto(`${job}/circuit`);
  await page.getByRole("button", { name: "New circuit" }).click();
  for (const tab of ["Add lamps", "Replace a lamp", "Plug in a module", "Unbox a kit"]) {
    await page.getByRole("dialog").getByText(tab, { exact: true }).click();
    await expect(page.getByRole("dialog").locator("form").first()).toBeVisible();
    await clean(page, `new circuit, ${tab}`);
  }
  await page.getByRole("dialog").getByText("Add lamps", { exact: true }).click();
  await cleanWithList(page, "new circuit");
  await page.getByText("Another condition").click();
  await clean(page, "a condition put together");
  await shut(page);
  for (const name of ["New supply or switch", "Practices", "Harnesses"]) {
    await page.getByRole("button", { name }).click();
    await expect(page.getByRole("dialog")).toBeVisible();
    await clean(page, name);
    await shut(page);
  }

  await page.goto(`${job}/intake`);
  const year = page.getByLabel("Model year");
  await year.fill("twelve");
  await expect(page.getByRole("alert").filter({ hasText: "twelve" })).toBeVisible();
  await clean(page, "a number that is none");
  await year.press("Escape");
  await page.goto("/jobs/no-such-job/circuit");
  await expect(page.getByRole("alert")).toBeVisible();
  await clean(page, "a job that is not there");
  await page.goto("/shelf");
  await page
    .getByRole("button", { name: /^New part|^Add/ })
    .first()
    .click();
  await expect(page.getByRole("dialog")).toBeVisible();
  await clean(page, "a new part");
});

test("a page without a network, and pages in the system's own colours, pass as well", async ({
  page,
  context,
}) => {
  await page.emulateMedia({ reducedMotion: "reduce", forcedColors: "active" });
  await signIn(page);
  const job = await openJob(page, HORNS);
  await page.goto(`${job}/circuit`);
  const controls = page.getByRole("group", { name: "Controls" });
  const key = controls.getByRole("button", { name: /^key/ });
  await expect(key).toBeVisible();
  const backOf = (pressed: boolean) =>
    controls
      .locator(`[aria-pressed="${pressed}"]`)
      .first()
      .evaluate((e) => getComputedStyle(e).backgroundColor);
  // What is pressed differs, and a wire has the colour that it has.
  expect(await backOf(true)).not.toBe(await backOf(false));
  const wires = await page
    .locator(".wire")
    .evaluateAll((all) => new Set(all.map((e) => getComputedStyle(e).backgroundColor)).size);
  expect(wires).toBeGreaterThan(2);
  const stages = page.getByRole("navigation", { name: "Stages" });
  const tabBack = (current: boolean) =>
    stages
      .locator(current ? '[aria-current="page"]' : "a:not([aria-current])")
      .first()
      .evaluate((e) => getComputedStyle(e).backgroundColor);
  expect(await tabBack(true)).not.toBe(await tabBack(false));
  for (const path of ["circuit", "signals", "prove", "fit/strip", "sheet"]) {
    await page.goto(`${job}/${path}`);
    await expect(page.getByRole("navigation", { name: "Stages" })).toBeVisible();
    await clean(page, `${path} in forced colours`);
  }
  await page.emulateMedia({ forcedColors: "none" });
  await page.goto(`${job}/prove`);
  await expect(page.getByText("Test on the vehicle")).toBeVisible();
  await context.setOffline(true);
  const field = page.getByPlaceholder(/left out because/).first();
  await field.fill("no clamp here");
  await field.press("Enter");
  await expect(page.getByText(/Not saved yet/).first()).toBeVisible();
  await clean(page, "offline");
  await context.setOffline(false);
});

test("at 200 % nothing is lost sideways: 640 px are as 1280 zoomed twice", async ({ page }) => {
  await page.setViewportSize({ width: 640, height: 400 });
  await signIn(page);
  const job = await openJob(page, BAR_AND_PODS);
  for (const path of [
    ...["/", "/calendar", "/shelf", "/vehicles", "/settings", `${job}/intake`, `${job}/budget`],
    ...[`${job}/circuit`, `${job}/signals`, `${job}/fit/strip`, `${job}/fit/route`],
    ...[`${job}/prove`, `${job}/aim`, `${job}/handOver`, `${job}/sheet`],
  ]) {
    await page.goto(path);
    await expect(page.getByRole("heading").first()).toBeVisible();
    const over = await page.evaluate(
      () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
    );
    expect.soft(`${path} ${over}`).toBe(`${path} 0`);
  }
});
