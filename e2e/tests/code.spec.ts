import { expect } from "@playwright/test";
import jsQR from "jsqr";
import { PNG } from "pngjs";
import { test } from "./quiet.ts";
import { signIn } from "./shop.ts";

test("a phone signs in by the code that Settings shows, once", async ({ page, browser }) => {
  await signIn(page, "wren");
  await page.goto("/settings");
  await page.getByRole("button", { name: "Show a code" }).click();
  const picture = page.getByRole("img", { name: "Code for the phone’s camera" });
  // As a camera sees it, read by a library that has nothing to do with the one that drew it.
  const { data, width, height } = PNG.sync.read(await picture.screenshot());
  const address = jsQR(new Uint8ClampedArray(data), width, height)?.data ?? "";
  expect(address).toMatch(/^http:\/\/127\.0\.0\.1:\d+\/#code=[\w-]{24}$/);
  await expect(page.getByText(/which no phone can reach/)).toBeVisible();

  const phone = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const there = await phone.newPage();
  await there.goto(address);
  // The address alone signs nobody in: a press does.
  await expect(there.getByLabel("Password")).toBeVisible();
  await there.getByRole("button", { name: "Sign in by the code" }).click();
  await expect(there.getByRole("heading", { name: "Jobs" })).toBeVisible();
  expect(there.url()).not.toContain("code=");
  await phone.close();

  const other = await browser.newContext();
  const again = await other.newPage();
  await again.goto(address);
  await again.getByRole("button", { name: "Sign in by the code" }).click();
  await expect(again.getByRole("alert")).toContainText("was taken or is over");
  await other.close();
});
