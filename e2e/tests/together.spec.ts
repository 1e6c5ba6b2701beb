import { expect, type Page } from "@playwright/test";
import { FLASHING_BRAKE } from "./jobs.ts";
import { test } from "./quiet.ts";
import { newJob, openJob, saved, signIn } from "./shop.ts";

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

test("leaving a job during a slow save keeps the edit that was made meanwhile", async ({
  page,
}) => {
  await signIn(page);
  const job = await newJob(page, "Slow shop");
  await saved(page);
  let first = true;
  await page.route("**/api/jobs/*/edits", async (route) => {
    if (first) {
      first = false;
      await new Promise((done) => setTimeout(done, 3000));
    }
    await route.continue();
  });
  const sent = page.waitForRequest((r) => r.url().endsWith("/edits"));
  await set(page, "Bench", "Bench 1");
  await sent;
  await set(page, "Note", "Made meanwhile");
  await page.getByRole("link", { name: "Board" }).click();
  await expect(page.getByRole("heading", { name: "Jobs" })).toBeVisible();
  await expect(page.getByText(/not saved yet/).first()).toBeVisible();
  await expect(page.getByText(/not saved yet/)).toHaveCount(0);
  await page.goto(`${job}/intake`);
  await expect(field(page, "Bench")).toHaveValue("Bench 1");
  await expect(field(page, "Note")).toHaveValue("Made meanwhile");
});

test("two pages of one job without a network: both edits are sent, though none is open", async ({
  page,
  context,
}) => {
  await signIn(page);
  const job = await newJob(page, "Two pages");
  await saved(page);
  const other = await context.newPage();
  await other.goto(`${job}/intake`);
  await expect(field(other, "Bench")).toBeVisible();
  await context.route("**/api/jobs/*/edits", (route) => route.abort());
  await set(page, "Bench", "Bench 5");
  await set(other, "Note", "From the other page");
  await expect(page.getByText(/Not saved yet: no connection/)).toBeVisible();
  await expect(other.getByText(/Not saved yet: no connection/)).toBeVisible();
  await other.close();
  await page.goto("/");
  await expect(page.getByText("2 changes not saved yet").first()).toBeVisible();
  await context.unroute("**/api/jobs/*/edits");
  await expect(page.getByText(/not saved yet/)).toHaveCount(0);
  const { document } = await (await page.request.get(`/api${job}`)).json();
  expect(document.card).toMatchObject({ bench: "Bench 5", note: "From the other page" });
});

test("signing out with edits waiting asks, keeps them, and sends them at the next sign-in", async ({
  page,
  context,
}) => {
  await signIn(page);
  const job = await newJob(page, "Signed out");
  await saved(page);
  await context.route("**/api/jobs/*/edits", (route) => route.abort());
  await set(page, "Bench", "Bench 6");
  await expect(page.getByText(/Not saved yet: no connection/)).toBeVisible();
  await page.getByRole("button", { name: "Sign out" }).click();
  const dialog = page.getByRole("dialog", { name: "1 change not saved yet" });
  await dialog.getByRole("button", { name: "Sign out, keep them here" }).click();
  await expect(page.getByLabel("Password")).toBeVisible();
  await context.unroute("**/api/jobs/*/edits");

  await signIn(page, "ansa");
  await page.waitForTimeout(1500);
  const stays = await (await page.request.get(`/api${job}`)).json();
  expect(stays.document.card.bench).toBe("");
  await page.getByRole("button", { name: "Sign out" }).click();
  await expect(page.getByLabel("Password")).toBeVisible();

  await signIn(page);
  await expect
    .poll(async () => (await (await page.request.get(`/api${job}`)).json()).document.card.bench)
    .toBe("Bench 6");
});

test("a session that ended says so, signs in in place and saves what waits", async ({ page }) => {
  await signIn(page);
  const job = await newJob(page, "Ended session");
  await saved(page);
  await page.request.delete("/api/session");
  await set(page, "Bench", "Bench 7");
  await expect(page.getByLabel("Password")).toBeVisible();
  await expect(page.getByText(/1 change waits in this browser/)).toBeVisible();
  await page.getByLabel("Sign-in").fill("pim");
  await page.getByLabel("Password").fill("lamp-and-loom");
  await page.getByRole("button", { name: "Sign in" }).click();
  await expect(page).toHaveURL(new RegExp(`${job}/intake$`));
  await expect(field(page, "Bench")).toHaveValue("Bench 7");
  await saved(page);
});

test("another person's change arrives by itself", async ({ browser }) => {
  const [pim, ansa] = await Promise.all([browser.newPage(), browser.newPage()]);
  await signIn(pim, "pim");
  await signIn(ansa, "ansa");
  const job = await newJob(pim, "Live");
  await ansa.goto(`${job}/intake`);
  await expect(field(ansa, "Bench")).toBeVisible();
  await store(pim, "Bench", "Bench 8");
  await expect(field(ansa, "Bench")).toHaveValue("Bench 8");
});

test("a viewer may look at everything and change nothing", async ({ page }) => {
  await signIn(page, "wren");
  await expect(page.getByRole("button", { name: "New job" })).toBeHidden();
  await openJob(page, FLASHING_BRAKE);
  await expect(page.getByText("You may look, not change")).toBeVisible();
  await page.keyboard.press("1");
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
