import { expect, test, type Page } from "@playwright/test";
import { BOX_LAMP } from "./jobs.ts";
import { newJob, openJob, saved, signIn } from "./shop.ts";

const say = async (page: Page, words: string): Promise<void> => {
  const field = page.getByLabel(/^Say or type a step/);
  await field.fill(words);
  await field.press("Enter");
};

/** The line of a step: its name is the button that opens it. */
const step = (page: Page, name: string) =>
  page
    .getByRole("listitem")
    .filter({ has: page.getByRole("button", { name: new RegExp(`${name}`) }) });

test("at the lift without a network: the page, its edits and its pictures stay, and are sent later", async ({
  browser,
}) => {
  const context = await browser.newContext({
    serviceWorkers: "allow",
    viewport: { width: 390, height: 844 },
    hasTouch: true,
  });
  const page = await context.newPage();
  await signIn(page);
  const job = await newJob(page, "No signal in the barn");
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await page.reload();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("No signal in the barn");
  await context.setOffline(true);
  await page.goto(`${job}/fit/strip`);
  await say(page, "front rack: 4 hex M8 x 25 corners 20 Nm; 5 min");
  await step(page, "front rack")
    .getByRole("button", { name: /front rack/ })
    .click();
  const picture = { name: "rack.png", mimeType: "image/png", buffer: await page.screenshot() };
  await step(page, "front rack").locator("input[type=file]").setInputFiles(picture);
  await expect(step(page, "front rack").getByRole("img", { name: /picture/ })).toBeVisible();
  await expect(page.getByText(/Not saved yet: no connection/)).toBeVisible();
  await page.reload();
  await expect(step(page, "front rack")).toContainText("4 fasteners");

  await context.setOffline(false);
  await saved(page);
  await page.reload();
  await step(page, "front rack")
    .getByRole("button", { name: /front rack/ })
    .click();
  await expect(step(page, "front rack").getByRole("img", { name: /picture/ })).toBeVisible();
  const kept = await page.request.get(`/api${job}`);
  const { document } = (await kept.json()) as { document: { photos: { id: string }[] } };
  const [photo] = document.photos;
  await expect
    .poll(async () => (await page.request.get(`/api${job}/photos/${photo!.id}`)).status())
    .toBe(200);
  await context.close();
});

test("holes are found from marks, told when they leave the panel, and printed at their size", async ({
  page,
}) => {
  await signIn(page);
  const base = await openJob(page, BOX_LAMP);
  await page.goto(`${base}/fit/holes`);
  // 178 mm between two references puts the hole at 89 mm: common practice.
  await expect(page.getByText(/178 mm between .*: 89 mm from each/)).toBeVisible();
  const cable = page.getByRole("listitem").filter({ hasText: "178 mm between" });
  await cable.getByRole("button", { name: "Change" }).click();
  const down = cable.getByLabel("Cable: down from the line, mm down");
  await down.fill("400");
  await down.press("Enter");
  await expect(cable.getByRole("alert")).toContainText("off the panel");
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(cable.getByRole("alert")).toBeHidden();
  await saved(page);
  const asked = page.context().waitForEvent("request", {
    predicate: (r) => r.url().includes("/templates/lid.svg"),
  });
  await page.getByRole("checkbox", { name: /^mirrored/ }).click();
  await page.getByRole("button", { name: "SVG" }).first().click();
  const template = await page.request.get((await asked).url());
  expect(template.url()).toContain("mirror=1");
  expect(template.headers()["content-type"]).toContain("image/svg+xml");
  // Panel of 420 mm and a margin on both sides, in its own millimetres.
  expect(await template.text()).toContain('width="436mm"');
});
