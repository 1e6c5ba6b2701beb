/** What a circuit may begin with, in the order that is offered. */
export const BEGIN_WITH = [
  { value: "lamps", label: "Add lamps" },
  { value: "replace", label: "Replace a lamp" },
  { value: "module", label: "Plug in a module" },
  { value: "kit", label: "Unbox a kit" },
] as const;
/** One of what a circuit may begin with. */
export type BeginWith = (typeof BEGIN_WITH)[number]["value"];

/** Reads it from an address; null where that says none. */
export const readBegin = (text: string | null): BeginWith | null =>
  BEGIN_WITH.find(({ value }) => value === text)?.value ?? null;
