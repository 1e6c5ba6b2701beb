export type ThemeChoice = "system" | "day" | "night";

/** Puts the chosen theme on the page; "system" leaves it to the person's machine. */
export function showTheme(choice: ThemeChoice): void {
  const root = document.documentElement;
  if (choice === "system") root.removeAttribute("data-theme");
  else root.setAttribute("data-theme", choice);
  localStorage.setItem("dragonet.theme", choice);
}

/** The theme of the last visit, before anybody is signed in. */
export function showRememberedTheme(): void {
  const kept = localStorage.getItem("dragonet.theme");
  if (kept === "day" || kept === "night") showTheme(kept);
}
