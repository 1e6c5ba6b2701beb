import { expect, type Page } from "@playwright/test";
import { violationsOf, type RULES } from "./axe.ts";
import { BAR_AND_PODS, BOX_LAMP, FLASHING_BRAKE, HORNS, PATH_LIGHTS } from "./jobs.ts";
import { test } from "./quiet.ts";
import { openJob, signIn } from "./shop.ts";
import { FITTING, PACK, PLANNING, SHOP, type View } from "../../scripts/lib/views.mjs";

async function expectClean(
  page: Page,
  what: string,
  rules: keyof typeof RULES = "all",
): Promise<void> {
  const violations = await violationsOf(page, rules);
  const said = violations.map(
    (v) =>
      `${what}: ${v.id}: ${v.nodes
        .map((n) => n.target.join(" "))
        .slice(0, 3)
        .join("; ")}`,
  );
  // Soft, so that one run tells every view that fails.
  expect.soft(said).toEqual([]);
}

const sideways = (page: Page) =>
  page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);

/** On to a view as by a link: the application is there already, and is not begun anew each time. */
const goOn = (page: Page, path: string): Promise<void> =>
  page.evaluate((to) => {
    history.pushState({}, "", to);
    dispatchEvent(new PopStateEvent("popstate"));
  }, path);

const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };

/** Views of the shop, and of three jobs: one that is planned, one that is fitted, one on a pack. */
const GROUPS: readonly [string, string | null, readonly View[]][] = [
  ["the shop", null, SHOP],
  ["planning", BAR_AND_PODS, PLANNING],
  ["fitting", BOX_LAMP, FITTING],
  ["a pack", PATH_LIGHTS, PACK],
];

const paper = (page: Page) =>
  page.evaluate(() => getComputedStyle(document.documentElement).getPropertyValue("--paper"));

for (const [group, title, views] of GROUPS) {
  test(`views of ${group} pass WCAG 2.2 AA by day, by night and on a phone`, async ({
    browser,
  }) => {
    // Many views in one page: a machine that is shared takes its time.
    const context = await browser.newContext({
      colorScheme: "light",
      reducedMotion: "reduce",
      viewport: DESK,
    });
    const page = await context.newPage();
    /** The same view in its other colours: by night it is the contrast that may differ. */
    const byNight = async (what: string): Promise<void> => {
      const day = await paper(page);
      await page.emulateMedia({ colorScheme: "dark" });
      await expect.poll(() => paper(page)).not.toBe(day);
      await expectClean(page, `${what} by night`, "theme");
      await page.emulateMedia({ colorScheme: "light" });
      await expect.poll(() => paper(page)).toBe(day);
    };
    if (title === null) {
      await page.goto("/");
      await expect(page.getByLabel("Sign-in")).toBeVisible();
      await expectClean(page, "sign-in");
      await byNight("sign-in");
    }
    await signIn(page, "ansa");
    let base = "";
    if (title !== null) {
      base = `${await openJob(page, title)}/`;
    }
    for (const [path, words] of views) {
      await page.setViewportSize(DESK);
      await goOn(page, `${base}${path}`);
      await expect(page.getByText(words).first()).toBeVisible();
      await expectClean(page, `${path} at a desk`);
      await byNight(path);
      await page.setViewportSize(PHONE);
      await expectClean(page, `${path} on a phone`, "width");
      expect.soft(`${path} ${await sideways(page)}`).toBe(`${path} 0`);
    }
    await context.close();
  });
}

test("the bench is worked by keyboard alone", async ({ page }) => {
  await signIn(page);
  await page.getByRole("link", { name: HORNS }).first().focus();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { level: 1, name: HORNS })).toBeVisible();
  await page.keyboard.press("3");
  const fuse = page
    .getByRole("article", { name: "Twin horns" })
    .getByRole("button", { name: /^10 A fuse/ });
  // A page that is still opening may be drawn anew, and what had the focus with it.
  await expect(async () => {
    await fuse.focus();
    await expect(fuse).toBeFocused({ timeout: 1000 });
    await page.keyboard.press("Enter");
    await expect(page.getByRole("heading", { name: "Fuse" })).toBeVisible({ timeout: 3000 });
  }).toPass();
  const smaller = page
    .getByRole("list", { name: "Alternatives" })
    .getByRole("button", { name: /^7.5 A/ });
  await smaller.focus();
  await page.keyboard.press("Enter");
  await expect(
    page.getByRole("article", { name: "Twin horns" }).getByRole("button", { name: /^7.5 A fuse/ }),
  ).toBeVisible();
  await page.keyboard.press("Control+z");
  await expect(fuse).toBeVisible();
});

test("six runs stand on the bench at 1280x800 without scrolling", async ({ page }) => {
  await signIn(page);
  await page.goto("/");
  await openJob(page, FLASHING_BRAKE);
  await page.getByRole("link", { name: /Circuit/ }).click();
  const rows = page.getByRole("article");
  await expect(rows).toHaveCount(5);
  const heights = await rows.evaluateAll((all) => all.map((r) => r.getBoundingClientRect().height));
  const top = await rows.first().evaluate((r) => r.getBoundingClientRect().top);
  const direct = Math.min(...heights);
  expect(top + 6 * direct).toBeLessThanOrEqual(800);
});

test("touch targets are 44 px where fingers press", async ({ browser }) => {
  const context = await browser.newContext({ viewport: PHONE, hasTouch: true, isMobile: true });
  const page = await context.newPage();
  await signIn(page);
  for (const name of ["New job", "Sign out"]) {
    const box = await page.getByRole("button", { name }).boundingBox();
    expect(box!.height).toBeGreaterThanOrEqual(44);
  }
  await context.close();
});
