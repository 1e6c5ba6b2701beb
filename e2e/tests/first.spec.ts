import { expect } from "@playwright/test";
import { test } from "./quiet.ts";

const EMPTY_URL = process.env.EMPTY_URL;

test("an empty shop asks for its first owner, who then has everything to begin with", async ({
  page,
}) => {
  test.skip(!EMPTY_URL, "EMPTY_URL names no empty shop");
  await page.goto(EMPTY_URL!);
  await expect(page.getByRole("heading", { name: "A new shop" })).toBeVisible();
  await page.getByRole("button", { name: "Open the shop" }).click();
  await expect(page.getByText("The shop needs a name.")).toBeVisible();
  await page.getByLabel("Shop").fill("Second Beck Lamps");
  await page.getByLabel("Your name").fill("First Owner");
  await page.getByLabel("Sign-in").fill("first");
  await page.getByLabel("Password").fill("long enough");
  await page.getByRole("button", { name: "Open the shop" }).click();
  await expect(page.getByText("No jobs yet")).toBeVisible();
  await page.getByRole("link", { name: "Vehicles" }).click();
  await expect(page.getByText("No vehicle profile yet")).toBeVisible();
  await page.getByRole("button", { name: "New profile" }).click();
  await page.getByRole("button", { name: "quad" }).click();
  await page.getByRole("textbox", { name: "Model" }).fill("Corvane Testrunner");
  await page.getByRole("textbox", { name: "Model" }).press("Enter");
  await page.getByRole("button", { name: "Save profile" }).click();
  await expect(page.getByText("Profile saved")).toBeVisible();
  await page.getByRole("link", { name: "Shelf" }).click();
  await expect(page.getByText("The shelf is empty")).toBeVisible();
  await page.getByRole("link", { name: "Settings" }).click();
  await page.getByRole("button", { name: "New person" }).click();
  const dialog = page.getByRole("dialog");
  await dialog.getByLabel("Name").fill("New Hand");
  await dialog.getByLabel("Sign-in").fill("hand");
  await dialog.getByLabel("Password").fill("ten letters");
  await dialog.getByRole("button", { name: "Add person" }).click();
  await expect(page.getByText("New Hand")).toBeVisible();
  await page.getByRole("button", { name: "Sign out" }).click();
  await expect(page.getByRole("button", { name: "Sign in" })).toBeVisible();
});
