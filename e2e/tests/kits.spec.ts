/** First choices: a kit unboxed, a lamp replaced, a module plugged in, a wire spoken of. */
import { expect, test, type Page } from "@playwright/test";
import { newJob, saved, signIn } from "./shop.ts";

async function begin(page: Page, tab: string) {
  await page.getByRole("button", { name: "New run" }).click();
  const dialog = page.getByRole("dialog", { name: "New run" });
  await dialog.getByRole("tab", { name: tab }).click();
  return dialog;
}

test("a kit is unboxed with its harnesses, a wire of it changes colour, and the sheet says both", async ({
  page,
}) => {
  await signIn(page);
  await newJob(page, "Kit of the browser", "Pellaw Porter 48");
  await page.keyboard.press("3");
  const dialog = await begin(page, "Unbox a kit");
  await expect(dialog).toContainText("7 circuits, 13 lights");
  await dialog.getByRole("button", { name: "Unbox" }).click();
  await expect(dialog).toBeHidden();
  const low = page.getByRole("article", { name: "Low beam" });
  await expect(low).toContainText("made up");
  await low.getByRole("button", { name: "Low beam", exact: true }).click();
  await page.getByRole("button", { name: /^Wires one by one/ }).click();
  const colour = page.getByLabel(/^Colour of 1\./).first();
  await colour.fill("mauve");
  await colour.press("Enter");
  await expect(page.getByText("such as brown or brown/white")).toBeVisible();
  await colour.fill("pink");
  await colour.press("Enter");
  await saved(page);
  await page.getByRole("link", { name: "Sheet", exact: true }).click();
  const harnesses = page.getByRole("region", { name: "Ready-made harnesses" });
  await expect(harnesses).toContainText("Front harness of the road kit");
  await expect(page.getByRole("region", { name: "Tools" })).toContainText("multimeter");
  await page.keyboard.press("1");
  await expect(page.getByLabel("Kit item").first()).toHaveValue("Voltage converter, 60 to 12 V");
});

test("a lamp is replaced by its plug and a module plugged in, with nothing cut", async ({
  page,
}) => {
  await signIn(page);
  await newJob(page, "Plugs of the browser", "Ostrel Petrel 650");
  await page.keyboard.press("3");
  const replace = await begin(page, "Replace a lamp");
  await replace.getByRole("combobox", { name: "Wire it hung on" }).click();
  await page.getByRole("option", { name: /^left turn/ }).click();
  await replace.getByRole("combobox", { name: "Lamp that comes" }).click();
  await page.getByRole("option", { name: "LED turn lamp with the factory's plug" }).click();
  await replace.getByRole("button", { name: "Replace" }).click();
  await expect(page.getByRole("article", { name: /on left turn$/ })).toContainText("left turn");

  const plug = await begin(page, "Plug in a module");
  await plug.getByRole("combobox", { name: "Wire that goes in" }).click();
  await page.getByRole("option", { name: /^brake lamp/ }).click();
  await plug.getByRole("button", { name: "Plug in" }).click();
  await expect(plug).toBeHidden();
  await saved(page);
  await page.keyboard.press("4");
  await expect(page.getByRole("region", { name: "What the vehicle sees" })).toContainText(
    "left turn",
  );
  await page.keyboard.press("5");
  await page.getByRole("link", { name: "Cut list", exact: true }).click();
  await expect(page.getByText(/nothing to cut|No wire/i).first()).toBeVisible();
});
