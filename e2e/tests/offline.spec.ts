import { expect, test } from "@playwright/test";
import { PATH_LIGHTS } from "./jobs.ts";
import { signIn } from "./shop.ts";

test("without a network the shop can be read, a job opened and worked on, and all is sent later by itself", async ({
  browser,
}) => {
  const context = await browser.newContext({ serviceWorkers: "allow" });
  const page = await context.newPage();
  // From the first page on: what a page kept before it was loaded anew is not asked for again.
  const answered: string[] = [];
  page.on("response", (answer) => answered.push(answer.url()));
  await signIn(page);
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  const link = page.getByRole("link", { name: PATH_LIGHTS }).first();
  const address = (await link.getAttribute("href"))!;
  // What is kept ahead: the application, the jobs at hand, what a new job is made of.
  await page.reload();
  for (const url of [`/api${address}`, "/api/shelf/choices?sorts=kit"]) {
    await expect.poll(() => answered.some((one) => one.includes(url))).toBe(true);
  }
  // By links: a page that is left by an address may be gone before it has kept the last of it.
  const pages = page.getByRole("navigation", { name: "Pages" });
  await pages.getByRole("link", { name: "Shelf" }).click();
  const orders = page.getByText("To order", { exact: true });
  await expect(orders).toBeVisible();
  await pages.getByRole("link", { name: "Board" }).click();
  await expect(link).toBeVisible();

  await context.setOffline(true);
  await page.goto("/shelf");
  await expect(page.getByText("The server cannot be reached.")).toBeVisible();
  await expect(page.getByText(/What you see is from/)).toBeVisible();
  await expect(orders).toBeVisible();
  // A job that was never opened in this browser.
  await page.goto("/");
  await link.click();
  await expect(page.getByRole("heading", { level: 1, name: PATH_LIGHTS })).toBeVisible();

  await page.goto("/");
  const sentence = "two 18 W pods with high beam on the Fellrunner 420 for Ingram Lamp Yard";
  await page.getByLabel(/Say the job/).fill(sentence);
  await page.getByRole("button", { name: "Plan it" }).click();
  await expect(page).toHaveURL(/\/jobs\/[0-9a-f-]{36}\/circuit$/);
  const job = new URL(page.url()).pathname.replace(/\/circuit$/, "");
  await expect(page.getByRole("article", { name: /pods/i })).toBeVisible();
  await page.goto(`${job}/intake`);
  const note = page.getByRole("textbox", { name: "Customer" });
  await expect(page.getByText(/Not saved yet: no connection/)).toBeVisible();
  // Nobody leaves a field before a page.
  await note.fill("Said in the yard");
  await page.goto("/");
  await expect(page.getByRole("region", { name: "Only in this browser" })).toBeVisible();

  await context.setOffline(false);
  await expect(page.getByRole("region", { name: "Only in this browser" })).toBeHidden();
  await expect(page.getByText("The server cannot be reached.")).toBeHidden();
  await expect
    .poll(async () => {
      const answer = await page.request.get(`/api${job}`);
      const { document } = (await answer.json()) as { document?: { card: { customer: string } } };
      return document?.card.customer;
    })
    .toBe("Said in the yard");
  await context.close();
});
