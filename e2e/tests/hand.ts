import { expect, type Locator, type Page } from "@playwright/test";

/**
 * What a practised person takes for what a test does, by the keystroke-level model: Card, Moran and
 * Newell, "The keystroke-level model for user performance time with interactive systems", CACM 23
 * (1980), the operators as the design has them (from memory). Waiting for the program is not counted.
 */
const SECONDS = { key: 0.28, point: 1.1, home: 0.4, think: 1.35 } as const;

/** A person at a page: their hand on the keys or on the mouse, what they press, how long it takes. */
export class Hand {
  private at: "keys" | "mouse" = "keys";
  seconds = 0;
  /** Of the mouse, of Enter and the like; letters of a text are no presses. */
  presses = 0;

  constructor(private readonly page: Page) {}

  private reach(where: "keys" | "mouse"): void {
    if (this.at !== where) this.seconds += SECONDS.home;
    this.at = where;
  }

  /** Decides what to do next. */
  think(): void {
    this.seconds += SECONDS.think;
  }

  /** Points at something and presses. */
  async press(what: Locator): Promise<void> {
    await what.click();
    this.reach("mouse");
    this.seconds += SECONDS.point + SECONDS.key;
    this.presses += 1;
  }

  /** Types where the writing mark is. */
  async type(text: string): Promise<void> {
    await this.page.keyboard.type(text);
    this.reach("keys");
    this.seconds += SECONDS.key * text.length;
  }

  /** One key, or one with another that is held. */
  async key(name: string): Promise<void> {
    await this.page.keyboard.press(name);
    this.reach("keys");
    this.seconds += SECONDS.key * name.split("+").length;
    this.presses += 1;
  }
}

/** Signs in as a person does: the form is there, and the writing mark in its first field. */
export async function signInByHand(page: Page, hand: Hand): Promise<void> {
  await page.goto("/");
  await expect(page.getByLabel("Sign-in")).toBeFocused();
  hand.think();
  await hand.type("pim");
  await hand.key("Tab");
  await hand.type("lamp-and-loom");
  await hand.key("Enter");
  await expect(page.getByRole("heading", { name: "Jobs" })).toBeVisible();
}
