import { expect, type Page } from "@playwright/test";
import { HORNS } from "./jobs.ts";
import { test } from "./quiet.ts";
import { signIn } from "./shop.ts";

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
  await start(page, HORNS);
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
