import { expect } from "@playwright/test";
import { violationsOf } from "./axe.ts";
import { FLASHING_BRAKE } from "./jobs.ts";
import { test } from "./quiet.ts";
import { openJob, saved, signIn } from "./shop.ts";

test("a quote is offered by a link, accepted on a phone, and changes after are told", async ({
  page,
  browser,
}) => {
  await signIn(page);
  await openJob(page, FLASHING_BRAKE);
  await page.keyboard.press("8");
  await expect(page.getByRole("heading", { name: "Quote" })).toBeVisible();
  await page.getByRole("button", { name: "Make an offer" }).click();
  const dialog = page.getByRole("dialog", { name: "The customer’s link" });
  const link = await dialog.getByText(/\/offer\//).innerText();
  await page.keyboard.press("Escape");
  await expect(page.getByRole("button", { name: "Make an offer" })).toBeFocused();
  await expect(page).toHaveTitle(`${FLASHING_BRAKE}: Hand over · Dragonet`);
  await expect(page.getByText("waits for an answer")).toBeVisible();

  const phone = await browser.newContext({ viewport: { width: 390, height: 800 } });
  const customer = await phone.newPage();
  await customer.goto(link);
  await expect(customer.getByRole("heading", { level: 1, name: FLASHING_BRAKE })).toBeVisible();
  const wide = await customer.evaluate(() => document.documentElement.scrollWidth);
  expect(wide).toBeLessThanOrEqual(390);
  const violations = await violationsOf(customer);
  expect(violations.map((v) => v.id)).toEqual([]);
  await customer.getByRole("radio", { name: /Without the radio outlet/ }).check();
  const accept = customer.getByRole("button", { name: "Accept: Without the radio outlet" });
  await accept.click();
  await expect(customer.getByText("Write your name")).toBeVisible();
  await customer.getByLabel("Your name, as you sign").fill("Fenna Hault");
  await accept.click();
  await expect(customer.getByText(/Fenna Hault accepted Without the radio outlet/)).toBeVisible();
  await customer.goto(`${link.slice(0, -3)}abc`);
  await expect(customer.getByRole("alert")).toContainText("this link leads to nothing");
  await phone.close();

  await page.reload();
  await expect(page.getByText(/Fenna Hault chose/)).toContainText("Without the radio outlet");
  await expect(page.getByText("Otherwise since: tell the customer")).toBeVisible();
  const option = page.getByRole("listitem").filter({ has: page.getByText(/EUR less/) });
  await option
    .filter({ hasText: "min less work" })
    .getByRole("button", { name: "Plan it so" })
    .click();
  await saved(page);
  await expect(page.getByText("Otherwise since: tell the customer")).toBeHidden();
});
