import { expect, test, type Page } from "@playwright/test";
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

test("a ledger is said, refuses the wrong order, closes with nothing left over, and is there for the next", async ({
  page,
}) => {
  await signIn(page);
  const job = await newJob(page, "Ledger from the lift", "Brannock Midge 60");
  await page.goto(`${job}/fit/strip`);
  await expect(page.getByText(/The first job on this model/)).toBeVisible();
  await say(
    page,
    "rider seat: 2 hex M6 x 20 rear 10 Nm; plug seat switch, under the nose; hold; 4 min",
  );
  await expect(step(page, "rider seat")).toContainText("2 fasteners, heavy, 4 min");
  await say(page, "left cover: 1 push rear, 1 cross M5 x 12 front; after rider seat; paint; 3 min");
  await say(page, "floor mat: after the moon");
  await expect(page.getByRole("alert")).toContainText("the moon");
  await page.getByLabel(/^Say or type a step/).fill("");

  const [seat, cover] = [step(page, "rider seat"), step(page, "left cover")];
  await cover.getByRole("button", { name: "Off", exact: true }).click();
  await expect(cover).toContainText("rider seat");
  await expect(cover).toContainText("on the vehicle");
  await seat.getByRole("button", { name: /rider seat/ }).click();
  await seat.getByRole("checkbox", { name: /seat switch/ }).click();
  await seat.getByRole("button", { name: "Off", exact: true }).click();
  await cover.getByRole("button", { name: "Off", exact: true }).click();
  await expect(cover.getByRole("button", { name: "Undo" })).toBeVisible();
  await expect(page.getByText("2 off now.")).toBeVisible();

  // A circle is told where it would be made, and nothing of it is kept.
  await seat.getByRole("checkbox", { name: "left cover" }).click();
  await expect(page.getByText(/Not done: .*circle/)).toBeVisible();
  await expect(seat.getByRole("checkbox", { name: "left cover" })).not.toBeChecked();

  await page.getByRole("button", { name: "Show putting back" }).click();
  const close = page.getByRole("region", { name: "Close up" });
  await expect(close).toContainText("will not close yet");
  await seat.getByRole("button", { name: "Back on" }).click();
  await expect(seat).toContainText("left cover");
  await cover.getByRole("button", { name: /left cover/ }).click();
  await cover.getByRole("button", { name: "All" }).first().click();
  await cover.getByRole("button", { name: /^One more back: .*cross/ }).click();
  await cover.getByRole("button", { name: "Back on" }).click();
  await seat.getByRole("button", { name: /rider seat/ }).click();
  await seat.getByRole("button", { name: "All" }).click();
  await expect(close).toContainText("seat switch");
  await seat.getByRole("checkbox", { name: /seat switch/ }).click();
  await seat.getByRole("button", { name: "Back on" }).click();
  await expect(close).toContainText("Everything is accounted for");
  await saved(page);

  const second = await newJob(page, "Same mower, next spring", "Brannock Midge 60");
  await page.goto(`${second}/fit/strip`);
  await expect(step(page, "rider seat")).toContainText("on the vehicle");
  await expect(step(page, "left cover")).toContainText("2 fasteners, painted");
});

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
  const base = await openJob(page, "Box lamp: run, turn, brake");
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
