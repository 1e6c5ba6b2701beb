import { expect, test, type Page } from "@playwright/test";
import { newJob, saved, signIn } from "./shop.ts";

const field = (page: Page, label: string) =>
  page.getByRole("textbox", { name: label, exact: true });

async function set(page: Page, label: string, value: string): Promise<void> {
  await field(page, label).fill(value);
  await field(page, label).press("Enter");
}

/** Sets a field and waits until the server has it: "Saved" alone may still be the state before. */
async function store(page: Page, label: string, value: string): Promise<void> {
  const sent = page.waitForResponse((r) => r.url().endsWith("/edits") && r.ok());
  await set(page, label, value);
  await sent;
  await saved(page);
}

test("two people on one job: different places merge, the same place asks", async ({ browser }) => {
  const [pim, ansa] = await Promise.all([browser.newPage(), browser.newPage()]);
  await signIn(pim, "pim");
  await signIn(ansa, "ansa");
  // What Pim saves must not reach Ansa by itself here: two edits of one place are to meet.
  await ansa.route(/\/changes\?since=/, (route) => route.abort());
  const job = await newJob(pim, "Shared job");
  await ansa.goto(`${job}/intake`);
  await expect(field(ansa, "Bench")).toBeVisible();

  await store(pim, "Bench", "Bench 2");
  await set(ansa, "Note", "Owner rings on Friday");
  await saved(ansa);
  await expect(field(ansa, "Bench")).toHaveValue("Bench 2");

  await pim.reload();
  await store(pim, "Customer", "Pim's customer");
  await set(ansa, "Customer", "Ansa's customer");
  const dialog = ansa.getByRole("dialog", { name: "Pim Okkerse changed the same place" });
  await expect(dialog).toContainText("Pim's customer");
  await expect(dialog).toContainText("Ansa's customer");
  await dialog.getByRole("button", { name: "Keep theirs" }).click();
  await expect(field(ansa, "Customer")).toHaveValue("Pim's customer");

  await store(pim, "Customer", "Pim again");
  await set(ansa, "Customer", "Ansa insists");
  await ansa.getByRole("button", { name: "Keep mine" }).click();
  await saved(ansa);
  await pim.reload();
  await expect(field(pim, "Customer")).toHaveValue("Ansa insists");
  await pim.getByRole("link", { name: "History" }).click();
  await expect(pim.getByText("job card: customer → Pim again")).toBeVisible();
});

test("a lost connection loses nothing: kept, told, sent again", async ({ page, context }) => {
  await signIn(page);
  const job = await newJob(page, "Through the tunnel");
  await saved(page);
  await context.route("**/api/jobs/*/edits", (route) => route.abort());
  await set(page, "Bench", "Bench 9");
  await expect(page.getByText(/Not saved yet: no connection/)).toBeVisible();
  await context.unroute("**/api/jobs/*/edits");
  await saved(page);

  await context.route("**/api/jobs/*/edits", (route) => route.abort());
  await set(page, "Bench", "Bench 10");
  await expect(page.getByText(/Not saved yet: no connection/)).toBeVisible();
  page.on("dialog", (d) => void d.accept());
  await page.goto("/shelf");
  await context.unroute("**/api/jobs/*/edits");
  await page.goto(`${job}/intake`);
  await expect(field(page, "Bench")).toHaveValue("Bench 10");
  await saved(page);
});

test("going back to an earlier revision is one press in the history", async ({ page }) => {
  await signIn(page);
  await newJob(page, "There and back");
  await set(page, "Bench", "Bench 1");
  await saved(page);
  await page.getByRole("link", { name: "History" }).click();
  await page.getByRole("button", { name: "Back to 1" }).click();
  await expect(page.getByText("taken back to revision 1")).toBeVisible();
  await page.getByRole("link", { name: /Intake/ }).click();
  await expect(field(page, "Bench")).toHaveValue("");
});

test("a viewer may look at everything and change nothing", async ({ page }) => {
  await signIn(page, "wren");
  await expect(page.getByRole("button", { name: "New job" })).toBeHidden();
  await page.getByRole("link", { name: "Aux pods, brake flasher" }).first().click();
  await expect(page.getByText("You may look, not change")).toBeVisible();
  await expect(field(page, "Bench")).toBeDisabled();
  await page.keyboard.press("3");
  await page
    .getByRole("article", { name: "Aux pods" })
    .getByRole("button", { name: /^7.5 A fuse/ })
    .click();
  await expect(
    page.getByRole("list", { name: "Alternatives" }).getByRole("button").first(),
  ).toBeDisabled();
});
