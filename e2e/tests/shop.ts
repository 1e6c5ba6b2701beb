import { expect, type Page } from "@playwright/test";

export type SignIn = "ansa" | "pim" | "wren";

/** Signs in without the form, which has tests of its own, and opens the board. */
export async function signIn(page: Page, who: SignIn = "pim"): Promise<void> {
  const answer = await page.context().request.post("/api/session", {
    data: { signIn: who, password: "lamp-and-loom" },
  });
  expect(answer.ok()).toBe(true);
  await page.goto("/");
  await expect(page.getByRole("heading", { name: "Jobs" })).toBeVisible();
}

/** Opens a job of the demo shop from the board; answers its address, once it is there. */
export async function openJob(page: Page, title: string): Promise<string> {
  await page.getByRole("link", { name: title }).first().click();
  await expect(page.getByRole("heading", { level: 1, name: title })).toBeVisible();
  return new URL(page.url()).pathname.split("/").slice(0, 3).join("/");
}

/** Opens a fresh job on a profile through the interface; answers its address. */
export async function newJob(
  page: Page,
  title: string,
  model = "Corvane Fellrunner 420",
): Promise<string> {
  await page.goto("/");
  await page.getByRole("button", { name: "New job" }).click();
  await page.getByRole("combobox", { name: "Vehicle" }).click();
  await page.getByRole("option", { name: model }).click();
  await page.getByLabel("What is wanted").fill(title);
  await page.getByLabel("Customer").fill("Scar Top Farm");
  await page.getByRole("button", { name: "Open job" }).click();
  await expect(page.getByRole("heading", { level: 1, name: title })).toBeVisible();
  await expect(page).toHaveURL(/intake$/);
  return new URL(page.url()).pathname.replace(/\/intake$/, "");
}

/** Adds a run on the bench: so many of a part, with the condition the dialog offers. */
export async function newRun(page: Page, part: string, count = 1): Promise<void> {
  await page.getByRole("button", { name: "New circuit" }).click();
  const dialog = page.getByRole("dialog", { name: "New circuit" });
  await dialog.getByRole("combobox", { name: "Part from the shelf" }).click();
  await page.getByRole("option", { name: part, exact: true }).click();
  await dialog.getByLabel("How many").fill(String(count));
  await dialog.getByLabel("How many").press("Enter");
  await dialog.getByRole("button", { name: "Add circuit" }).click();
  await expect(dialog).toBeHidden();
}

export const saved = (page: Page) =>
  expect(page.getByRole("status").filter({ hasText: /^Saved$/ })).toBeVisible();
