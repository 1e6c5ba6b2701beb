import { expect } from "@playwright/test";
import { test } from "./quiet.ts";
import { saved, signIn } from "./shop.ts";

/** A shop's whole round with one customer, and the next one of the same model. */
test("a job goes from a sentence to its invoice, and the model is known when the next one comes", async ({
  page,
  browser,
}) => {
  await signIn(page, "ansa");
  const say = page.getByLabel(/Say the job/);
  await say.fill("two 18 W pods with high beam on the Fellrunner for Round Farm");
  const plan = page.getByRole("button", { name: "Plan it" });
  await expect(plan).toBeEnabled();
  await plan.click();
  await expect(page).toHaveURL(/circuit$/);
  const job = new URL(page.url()).pathname.replace(/\/circuit$/, "");

  // What the verdict hangs on is measured on this very machine.
  await page.goto(`${job}/intake`);
  await page.getByLabel("Machine: its plate, frame number or name").fill("plate 99");
  await page.getByLabel(/^Model year/).fill("2022");
  const first = page.getByRole("list", { name: "What to measure first" });
  await expect(first.getByRole("listitem").first()).toBeVisible();
  await page.getByText("All its facts").click();
  const output = page.getByLabel("Output at 3500 rpm, A");
  await output.fill("19");
  await output.press("Enter");
  await page.getByRole("combobox", { name: "Output at 3500 rpm: how it is known" }).click();
  await page.getByRole("option", { name: "measured" }).click();
  await saved(page);

  // Quoted two ways, and accepted on a phone.
  await page.keyboard.press("8");
  await page.getByRole("combobox", { name: "Offer another option" }).click();
  await page.getByRole("option").nth(1).click();
  await saved(page);
  await page.getByRole("button", { name: "Make an offer" }).click();
  const link = await page
    .getByRole("dialog", { name: "The customer’s link" })
    .getByText(/\/offer\//)
    .innerText();
  const phone = await browser.newContext({ viewport: { width: 390, height: 800 } });
  const customer = await phone.newPage();
  await customer.goto(link);
  await customer.getByRole("radio").nth(1).check();
  await customer.getByLabel("Your name, as you sign").fill("Round Farm");
  await customer.getByRole("button", { name: /^Accept: / }).click();
  await expect(customer.getByText(/Round Farm accepted/)).toBeVisible();
  await phone.close();
  await page.keyboard.press("Escape");
  await page.reload();
  await expect(page.getByText(/Round Farm chose/)).toBeVisible();

  // It has its place on a bench, and a sheet for the wall says so.
  await page.goto("/calendar");
  const planned = page.getByRole("button", { name: /18 W flood pod|Round|pods/i }).first();
  await expect(planned).toBeVisible();
  const wall = await page.request.get("/api/calendar/week.pdf");
  expect(wall.headers()["content-type"]).toContain("application/pdf");

  // Handed over with what is missing signed for, a lot written down, and an invoice.
  await page.goto(`${job}/handOver`);
  await page.getByLabel("Lot or serial number").fill("A-77");
  await page.getByLabel("Lot or serial number").press("Enter");
  await expect(page.getByRole("list", { name: "Lots that went in" })).toContainText("A-77");
  const gates = page.getByRole("button", { name: "Sign for it" });
  while ((await gates.count()) > 0) {
    const left = await gates.count();
    await gates.first().click();
    const dialog = page.getByRole("dialog", { name: "Sign for it" });
    await dialog.getByLabel("Reason").fill("the customer fetches it dark");
    await dialog.getByRole("button", { name: "Sign" }).click();
    await expect(gates).toHaveCount(left - 1);
  }
  await page.getByRole("button", { name: "Hand it over" }).click();
  await page.getByRole("dialog").getByRole("button", { name: "Sign" }).click();
  await expect(page.getByText(/^Handed over on .* by Ansa Tordoff\.$/)).toBeVisible();
  await expect(page.getByText(/The shop answers for its work: until/)).toBeVisible();
  await expect(page.getByText(/should a maker call back: .*A-77/)).toBeVisible();
  await page.getByRole("button", { name: "Make an invoice" }).click();
  const dialog = page.getByRole("dialog", { name: "Make an invoice" });
  await dialog.getByLabel("Name").fill("Round Farm");
  await dialog.getByLabel(/^Street/).fill("1 Round Lane");
  await dialog.getByLabel(/Town|City/).fill("Hollin");
  await dialog.getByRole("button", { name: "Make the invoice" }).click();
  await expect(dialog).toBeHidden();
  const invoices = page.getByRole("region", { name: "Invoices" });
  await expect(invoices.getByText(/to Round Farm, due/)).toBeVisible();
  const ubl = await invoices.getByRole("link", { name: "UBL" }).getAttribute("href");
  const xml = await (await page.request.get(ubl!)).text();
  expect(xml).toContain("Round Farm");

  // Two months later the same model comes back.
  await page.goto("/");
  await page.getByLabel(/Say the job/).fill("a 40 W bar with its own switch on the Fellrunner");
  await expect(plan).toBeEnabled();
  await plan.click();
  await expect(page).toHaveURL(/circuit$/);
  await page.goto(new URL(page.url()).pathname.replace(/\/circuit$/, "/intake"));
  await page.getByText("All its facts").click();
  await expect(page.getByLabel("Output at 3500 rpm, A")).toHaveValue("19");
  await expect(
    page.getByRole("combobox", { name: "Output at 3500 rpm: how it is known" }),
  ).toHaveText(/on a sister/);
  await page.goto("/vehicles/fellrunner-420");
  const machines = page.getByRole("list", { name: "Machines: charging output at 3500 rpm" });
  await page.getByText("charging output at 3500 rpm").first().click();
  await expect(machines).toContainText("plate 99");
  await expect(machines).toContainText("Ansa Tordoff");
});
