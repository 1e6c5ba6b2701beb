import { expect, type Page } from "@playwright/test";
import { Hand, signInByHand } from "./hand.ts";
import { test } from "./quiet.ts";

const SENTENCE = "two pods with high beam on the Fellrunner for Scar Top Farm";

const MOST_PRESSES = 12;

/** The paper itself has come, in a window of its own: a PDF of the job that was just said. */
async function printed(page: Page, ask: () => Promise<void>): Promise<void> {
  const job = new URL(page.url()).pathname.split("/")[2]!;
  const path = `/api/jobs/${job}/wiring-sheet.pdf`;
  const [paper, answer] = await Promise.all([
    page.waitForEvent("popup"),
    // A browser without a window for PDFs keeps it as a file: the answer is the same.
    page.context().waitForEvent("response", (one) => new URL(one.url()).pathname === path),
    ask(),
  ]);
  expect([answer.status(), answer.headers()["content-type"]]).toEqual([200, "application/pdf"]);
  await paper.close();
}

const tell = (how: string, { seconds, presses }: Hand): void => {
  process.stdout.write(
    `from sign-in to paper ${how}: ${seconds.toFixed(1)} s, ${presses} presses\n`,
  );
};

test("from sign-in to the printed sheet of an ordinary job takes under a minute by mouse", async ({
  page,
}) => {
  const hand = new Hand(page);
  await signInByHand(page, hand);
  hand.think();
  await hand.press(page.getByLabel(/Say the job/));
  await hand.type(SENTENCE);
  const plan = page.getByRole("button", { name: "Plan it" });
  await expect(plan).toBeEnabled();
  hand.think();
  await hand.press(plan);
  await expect(page).toHaveURL(/\/circuit$/);
  await expect(page.getByRole("article").first()).toBeVisible();
  hand.think();
  await hand.press(page.getByRole("link", { name: "Sheet", exact: true }));
  hand.think();
  await printed(page, () => hand.press(page.getByRole("button", { name: "PDF", exact: true })));
  tell("by mouse", hand);
  expect(hand.seconds).toBeLessThan(60);
  expect(hand.presses).toBeLessThanOrEqual(MOST_PRESSES);
});

test("from sign-in to the printed sheet of an ordinary job takes under 45 s by keyboard", async ({
  page,
}) => {
  const hand = new Hand(page);
  await signInByHand(page, hand);
  hand.think();
  await hand.key("Control+k");
  await expect(page.getByRole("dialog", { name: "Find" })).toBeVisible();
  await hand.type(SENTENCE);
  await expect(page.getByRole("option", { name: /Plan/ })).toBeVisible();
  await hand.key("Enter");
  await expect(page.getByRole("button", { name: "Plan it" })).toBeFocused();
  hand.think();
  await hand.key("Enter");
  await expect(page).toHaveURL(/\/circuit$/);
  await expect(page.getByRole("article").first()).toBeVisible();
  hand.think();
  await hand.key("Control+k");
  await hand.type("pdf");
  await expect(page.getByRole("option", { name: "Wiring sheet as PDF" })).toBeVisible();
  hand.think();
  await printed(page, () => hand.key("Enter"));
  tell("by keyboard", hand);
  expect(hand.seconds).toBeLessThan(45);
  expect(hand.presses).toBeLessThanOrEqual(MOST_PRESSES);
});
