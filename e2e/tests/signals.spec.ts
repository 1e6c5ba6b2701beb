import { expect, test, type Page } from "@playwright/test";
import { openJob, saved, signIn } from "./shop.ts";

async function openStage(page: Page, title: string, stage: string): Promise<void> {
  await signIn(page);
  await openJob(page, title);
  await page.getByRole("link", { name: stage }).click();
}

test("hyperflash is explained with its numbers, and mended by choosing a remedy", async ({
  page,
}) => {
  await openStage(page, "Aux pods, brake flasher", "Signals");
  const ways = page.getByRole("region", { name: "Ways to a proper flash" });
  await expect(ways).toContainText("wants 1.10 A: takes it for a dead bulb");
  await expect(ways).toContainText("30.4 W lit");
  const rates = page.getByRole("region", { name: "Rates" });
  await expect(rates.getByRole("row", { name: /LED turn lamp Left turn/ })).toContainText(
    "too fast",
  );
  await ways
    .getByRole("listitem")
    .filter({ hasText: "Three-pin flasher for any load" })
    .getByRole("button", { name: "Choose" })
    .click();
  await expect(rates.getByRole("row", { name: /LED turn lamp Left turn/ })).toContainText(
    "a proper flash",
  );
  await saved(page);
});

test("time is played, stepped and scrubbed, and the views follow", async ({ page }) => {
  await openStage(page, "Turn lamps: left shows right", "Signals");
  const time = page.getByRole("slider", { name: "Time" });
  await time.focus();
  await time.fill("0");
  const next = page.getByRole("button", { name: "Next event" });
  await next.click();
  await expect(time).not.toHaveValue("0");
  await page.getByRole("button", { name: "Play", exact: true }).click();
  await page.getByRole("button", { name: "Pause", exact: true }).click();
  await time.fill("1.1");
  // Wired left for right: the right lamp shines on a left turn.
  await expect(page.getByRole("img", { name: /^rear:/ })).toHaveAccessibleName(/100 %/);
});

test("a script that contradicts itself is explained, and a place's rules are told", async ({
  page,
}) => {
  await openStage(page, "Box lamp: run, turn, brake", "Signals");
  await page.getByText("The script as text").click();
  const script = page.getByRole("textbox", { name: "Script of the controls" });
  await script.fill("0 key on\n2 brake on\n1 brake off\n");
  await script.blur();
  await expect(page.getByRole("alert")).toContainText("line 3: 1 s comes after 2 s");
  await script.fill("0 key on\n0 speed 60\n2 brake on\n5 brake off\n");
  await script.blur();
  await expect(page.getByRole("alert")).toHaveCount(0);
  const place = page.getByRole("combobox", { name: "Rules of the place" });
  await place.click();
  await page.getByRole("option", { name: "UN regulations" }).click();
  await expect(page.getByRole("region", { name: "Where it is ridden" })).toContainText(
    "A stop lamp that flashes fails inspection under UN regulations",
  );
  await place.click();
  await page.getByRole("option", { name: "Off the road only" }).click();
  await expect(page.getByRole("region", { name: "Where it is ridden" })).toContainText(
    "Nothing here that it asks otherwise",
  );
});

test("the simulated module is programmed, and survives being unplugged", async ({ page }) => {
  await openStage(page, "Box lamp: run, turn, brake", "Signals");
  const module = page.getByRole("region", { name: /Bus controller, rear, simulated/ });
  await module.getByRole("button", { name: "Connect" }).click();
  await expect(module).toContainText("as sold: follows its input");
  await module.getByRole("combobox", { name: "What goes wrong" }).click();
  await page.getByRole("option", { name: "unplugged mid-write" }).click();
  await module.getByRole("button", { name: "Write and verify" }).click();
  await expect(module).toContainText("What was live is live");
  await module.getByRole("button", { name: "Connect" }).click();
  await expect(module).toContainText("A write was cut off");
  await module.getByRole("combobox", { name: "What goes wrong" }).click();
  await page.getByRole("option", { name: "nothing goes wrong" }).click();
  await module.getByRole("button", { name: "Write and verify" }).click();
  await expect(module).toContainText("Written and verified");
});

test("four ways to feed the path lights are compared, and choosing one rewires the cart", async ({
  page,
}) => {
  await openStage(page, "Dim red path lights", "Budget");
  const ways = page.getByRole("region", { name: "Compare ways" });
  await expect(ways.getByRole("row", { name: /Tap at 2 of 6 blocks/ })).toContainText(
    /half flat after \d+ evenings/,
  );
  await expect(ways.getByRole("row", { name: /Series string of 4/ })).toContainText(
    "switching driver inside",
  );
  await ways
    .getByRole("row", { name: /12 V battery of its own/ })
    .getByRole("button", { name: "Choose" })
    .click();
  await expect(ways.getByRole("row", { name: /12 V battery of its own/ })).toContainText("chosen");
  await page.getByRole("link", { name: "Circuit" }).click();
  await expect(
    page.getByRole("article", { name: "12 V 18 Ah battery with charger" }),
  ).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).click();
  await saved(page);
});
