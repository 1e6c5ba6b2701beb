import { expect, test } from "@playwright/test";
import { signIn } from "./shop.ts";

test("one sentence makes a planned job, and shows what it did not understand", async ({ page }) => {
  await signIn(page);
  const sentence = page.getByLabel(/Say the job in one sentence/);
  await sentence.fill("two spot pods with high beam and a zorp, by 2 Dec");
  await expect(page.getByText("“zorp”")).toBeVisible();
  await expect(page.getByRole("button", { name: "Plan it" })).toBeDisabled();
  await page.getByRole("combobox", { name: "Which vehicle" }).click();
  await page.getByRole("option", { name: "Ostrel Petrel 650" }).click();
  await expect(page.getByRole("button", { name: "Plan it" })).toBeEnabled();

  await sentence.fill(
    "40 W bar on its own switch with the key and two pods with high beam on the fellruner for Scar Top Farm by 2026-12-24",
  );
  await expect(page.getByText("2 × 18 W flood pod in front, on with high beam")).toBeVisible();
  await sentence.press("Enter");
  await expect(page.getByRole("heading", { level: 1, name: "Bar and pods" })).toBeVisible();
  await expect(page.getByText("Corvane Fellrunner 420 · Scar Top Farm")).toBeVisible();
  await expect(page.getByRole("article")).toHaveCount(2);
});
