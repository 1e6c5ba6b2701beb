import { expect, test, type Page } from "@playwright/test";
import { openJob, saved, signIn } from "./shop.ts";

const start = async (page: Page, title: string): Promise<void> => {
  await page.getByRole("link", { name: "Training" }).click();
  await page.getByRole("combobox", { name: "Trained on" }).click();
  await page.getByRole("option", { name: title }).click();
  await page.getByRole("button", { name: "Start" }).click();
  await expect(page.getByText(/^“With .*”$/)).toBeVisible();
};

const log = (page: Page) => page.locator("ol").filter({ hasText: "as built" }).first();

test("an apprentice probes a hidden fault, sees what each probe was worth, and is told what it was", async ({
  page,
}) => {
  await signIn(page, "pim");
  await start(page, "Twin horns and work lamp");
  await page.getByRole("group", { name: "Tips on" }).getByRole("button").first().click();
  await expect(log(page).getByRole("listitem")).toHaveCount(1);
  await expect(log(page)).toContainText(/\d V/);
  // The same again tells nothing more, and is said to be wasted.
  await page.getByRole("group", { name: "Tips on" }).getByRole("button").first().click();
  await expect(log(page).getByRole("listitem").last()).toContainText("wasted");
  // With a fuse pulled the same places are there, in another position.
  await page.getByRole("combobox", { name: "Pulled or parted" }).click();
  await page
    .getByRole("option", { name: /fuse .* pulled/ })
    .first()
    .click();
  await page.getByRole("group", { name: "Clamp around" }).getByRole("button").first().click();
  await expect(log(page).getByRole("listitem").last()).toContainText("pulled");
  await page.getByRole("button", { name: "Show me" }).click();
  await expect(page.getByText("Not found.")).toBeVisible();
  // It is kept, and comes back sooner.
  await expect(page.getByRole("group", { name: "Your topics" })).toContainText("soon");
});

test("a question is answered by keyboard, and the owner sees how everybody does", async ({
  page,
}) => {
  await signIn(page, "ansa");
  await page.getByRole("link", { name: "Training" }).click();
  await page.getByRole("button", { name: "Ask me" }).press("Enter");
  const answers = page.getByRole("group", { name: "Answers" });
  await answers.getByRole("button").first().press("Enter");
  await expect(answers.getByText("right", { exact: true })).toHaveCount(1);
  // The focus goes on to the next question by itself.
  await expect(page.getByRole("button", { name: "Next question" })).toBeFocused();
  await page.keyboard.press("Enter");
  await expect(answers.getByRole("button").first()).toBeEnabled();
  await expect(page.getByRole("heading", { name: "Everybody" })).toBeVisible();
  await expect(page.getByText("Ansa Tordoff").last()).toBeVisible();
});

test("a suspect is mended: its steps are to be read again, its time is kept, and it is undone", async ({
  page,
}) => {
  await signIn(page, "pim");
  const base = await openJob(page, "Twin horns and work lamp");
  await page.goto(`${base}/prove`);
  const suspects = page.getByRole("status").filter({ hasText: "What may be wrong" });
  await expect(suspects).toBeVisible();
  // Where they sit is marked on the line diagram.
  await expect(suspects.getByTitle("suspected").first()).toBeVisible();
  const readBefore = await page.getByText(/\d+ of \d+ steps read/).textContent();
  await suspects
    .getByRole("button", { name: /^Mend it/ })
    .first()
    .click();
  const dialog = page.getByRole("dialog", { name: "Mend it" });
  await expect(dialog.getByText("Take:")).toBeVisible();
  // What it is there for has the focus, though it came after the dialog.
  await expect(dialog.getByLabel("Done")).toBeFocused();
  await dialog.getByLabel("Minutes").fill("a while");
  await dialog.getByRole("button", { name: "Mended" }).click();
  await expect(dialog.getByRole("alert")).toContainText("0 to 6000 minutes");
  await dialog.getByLabel("Minutes").fill("12");
  await dialog.getByRole("button", { name: "Mended" }).click();
  await expect(dialog).toBeHidden();
  // The suspect's own button is gone: the keyboard goes on from the page.
  await expect(page.locator("#main")).toBeFocused();
  await saved(page);
  await expect(page.getByRole("heading", { name: "Mended" })).toBeVisible();
  await expect(suspects).toBeHidden();
  await expect(page.getByText(/\d+ of \d+ steps read/)).not.toHaveText(readBefore ?? "");
  await page.getByRole("link", { name: /Hand over/ }).click();
  await expect(page.getByText(/to read again after a mend/).first()).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).click();
  await saved(page);
  await expect(page.getByText(/to read again after a mend/)).toHaveCount(0);
});

test("without a meter the page says where it was looked for", async ({ page }) => {
  await signIn(page, "pim");
  const base = await openJob(page, "Twin horns and work lamp");
  await page.goto(`${base}/prove`);
  await page.getByRole("button", { name: "By meter" }).click();
  await expect(page.getByRole("region", { name: "By the meter" })).toContainText(/no meter at /);
});
