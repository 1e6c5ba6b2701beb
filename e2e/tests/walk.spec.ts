import { expect } from "@playwright/test";
import { FLASHING_BRAKE } from "./jobs.ts";
import { test } from "./quiet.ts";
import { newJob, newRun, openJob, saved, signIn } from "./shop.ts";

/** A new user's walk: from the vehicle on the lift to a sheet that can be built. */
test("a bar and two pods become a checked circuit, broken on purpose and mended", async ({
  page,
}) => {
  await signIn(page);
  const job = await newJob(page, "Bar and pods, walked");
  await page.keyboard.press("3");
  await expect(page).toHaveURL(/circuit$/);
  await expect(page.getByText("No circuit yet")).toBeVisible();
  await newRun(page, "40 W light bar");
  await newRun(page, "18 W flood pod", 2);
  const bar = page.getByRole("article", { name: "40 W light bar" });
  const pods = page.getByRole("article", { name: "2 × 18 W flood pod" });
  await expect(bar.getByRole("button", { name: /A fuse/ }).first()).toBeVisible();
  await expect(pods.getByText("18 W flood pod 2")).toBeVisible();

  await page.keyboard.press("2");
  await expect(page.getByText("A to spare").first()).toBeVisible();
  await expect(page.getByRole("region", { name: "Budget lines" })).toContainText("40 W light bar");

  await page.keyboard.press("3");
  await bar.getByRole("button", { name: /^5 A fuse/ }).click();
  const alternatives = page.getByRole("list", { name: "Alternatives" });
  await alternatives.getByRole("button", { name: /^30 A/ }).click();
  await bar
    .getByRole("button", { name: /AWG, red/ })
    .first()
    .click();
  await alternatives.getByRole("button", { name: /^18 AWG/ }).click();
  await page.getByRole("button", { name: "Findings" }).click();
  const findings = page.getByRole("region", { name: "Findings" });
  await expect(findings).toContainText("30 A fuse is above what it protects");
  await expect(findings).toContainText("Source:");

  await page.getByRole("link", { name: "Sheet", exact: true }).click();
  await expect(page.getByText(/Do not build yet/)).toBeVisible();
  await page.keyboard.press("3");

  await page.getByRole("button", { name: "Let the practice choose the fuse" }).click();
  await expect(findings).not.toContainText("30 A fuse is above");

  await saved(page);
  await page.reload();
  await expect(page.getByRole("article", { name: "40 W light bar" })).toBeVisible();
  await page.getByRole("link", { name: "Sheet", exact: true }).click();
  await expect(page.getByRole("region", { name: "40 W light bar" })).toContainText("18 AWG");
  await expect(page.getByText(/Do not build yet/)).toBeHidden();
  await page.getByRole("link", { name: "Board" }).click();
  await page.getByRole("searchbox", { name: "Search jobs" }).fill("walked fellrunner");
  await expect(page.getByRole("link", { name: "Bar and pods, walked" })).toBeVisible();
  expect(job).toMatch(/^\/jobs\//);
});

test("the bench is live: press a control, see what lights, prove it, try the faults", async ({
  page,
}) => {
  await signIn(page);
  await openJob(page, FLASHING_BRAKE);
  await page.keyboard.press("3");
  const front = page.getByRole("img", { name: /^front:/ });
  await expect(front).toHaveAccessibleName(/30 W spot pod 1 100 %/);
  const pods = page.getByRole("article", { name: "Aux pods" });
  await expect(pods).toContainText("12.23 V 2.24 A");

  const controls = page.getByRole("group", { name: "Controls" });
  await controls.getByRole("button", { name: "high beam" }).click();
  await expect(front).toHaveAccessibleName(/30 W spot pod 1 dark/);
  await expect(pods).toContainText("off");
  await page.keyboard.press("h");
  await expect(front).toHaveAccessibleName(/30 W spot pod 1 100 %/);
  await page.keyboard.press("e");
  await expect(pods).toContainText(/(13\.9|14\.0)\d V 1\.9\d A/);

  await page.getByRole("button", { name: "Prove", exact: true }).click();
  await expect(page.getByRole("region", { name: "Proof" })).toContainText(
    "Each does what was meant and nothing else.",
  );
  const faults = page.getByRole("region", { name: "Faults" });
  await expect(faults).toContainText("battery + to 7.5 A fuse chafed to the frame");
  await faults.getByRole("button", { name: /^All \d+ faults/ }).click();
  const chafed = faults
    .getByRole("listitem")
    .filter({ hasText: "relay 87 to splice chafed to the frame" });
  await expect(chafed).toContainText("own 7.5 A fuse opens");
  await expect(chafed).toContainText("Nothing that riding needs is lost: it rides home.");
});

test("pages are named, and the keyboard goes on from a page whose link is gone", async ({
  page,
}) => {
  await signIn(page);
  for (const [link, title] of [
    ["Shelf", "Shelf · Dragonet"],
    ["Vehicles", "Vehicles · Dragonet"],
    ["Settings", "Settings · Dragonet"],
    ["Board", "Jobs · Dragonet"],
  ] as const) {
    const to = page.getByRole("navigation", { name: "Pages" }).getByRole("link", { name: link });
    await to.press("Enter");
    await expect(page).toHaveTitle(title);
    // A link that stays keeps the focus.
    await expect(to).toBeFocused();
  }
  await page.getByRole("link", { name: FLASHING_BRAKE }).first().press("Enter");
  await expect(page.getByRole("heading", { level: 1, name: FLASHING_BRAKE })).toBeVisible();
  await expect(page.locator("#main")).toBeFocused();
});
