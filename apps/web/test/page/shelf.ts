/** Lists of the shelf and of vehicles as the stand-in of the server answers them. */
import {
  PART_KINDS,
  factsOf,
  orderList,
  shelfName,
  takenOfShelf,
  type JobSummary,
  type Part,
  type Vehicle,
} from "@dragonet/core";
import type {
  KeptPartAnswer,
  KeptVehicleAnswer,
  NeedsAnswer,
  PartChoicesAnswer,
  PartRowAnswer,
  PartsPageAnswer,
  ShelfAnswer,
  VehiclesPageAnswer,
} from "@dragonet/contract";

const rowOf = ({ value }: KeptPartAnswer): PartRowAnswer => ({
  ...{ id: value.id, kind: value.kind, name: value.name, facts: factsOf(value) },
  ...{ note: value.note, price: value.price, stock: value.stock, least: value.least ?? 0 },
});

const FIRST = 25;
const A_PAGE = 50;
const CHOICES = 200;

const sortOf = (part: Part): string => (part.kind === "load" ? part.family : part.kind);

function having<T>(all: readonly T[], textOf: (one: T) => string, asked: URLSearchParams): T[] {
  const words = (asked.get("q") ?? "").toLowerCase().split(/\s+/);
  return all
    .filter((one) => words.every((word) => textOf(one).toLowerCase().includes(word)))
    .sort((a, b) => (textOf(a).toLowerCase() < textOf(b).toLowerCase() ? -1 : 1));
}

const named = (parts: readonly KeptPartAnswer[], asked: URLSearchParams): KeptPartAnswer[] =>
  having(parts, ({ value }) => value.name, asked);

export function shelfOf(parts: readonly KeptPartAnswer[], asked: URLSearchParams): ShelfAnswer {
  const found = named(parts, asked);
  return {
    kinds: PART_KINDS.flatMap((kind) => {
      const here = found.filter(({ value }) => value.kind === kind);
      if (here.length === 0) return [];
      return [
        { kind, count: here.length, uncounted: false, parts: here.slice(0, FIRST).map(rowOf) },
      ];
    }),
    any: parts.length > 0,
  };
}

/** What follows a place, and where the rest is. */
function after<T>(found: readonly T[], asked: URLSearchParams): { some: T[]; next: string } {
  const from = Number(asked.get("after") ?? 0);
  const next = from + A_PAGE < found.length ? String(from + A_PAGE) : "";
  return { some: found.slice(from, from + A_PAGE), next };
}

export function partsPageOf(
  parts: readonly KeptPartAnswer[],
  asked: URLSearchParams,
): PartsPageAnswer {
  const kind = asked.get("kind") ?? "";
  const { some, next } = after(
    named(parts, asked).filter(({ value }) => kind === "" || value.kind === kind),
    asked,
  );
  return { parts: some.map(rowOf), next };
}

export function choicesOf(
  parts: readonly KeptPartAnswer[],
  asked: URLSearchParams,
): PartChoicesAnswer {
  const sorts = (asked.get("sorts") ?? "").split(",");
  const found = named(parts, asked).filter(({ value }) => sorts.includes(sortOf(value)));
  return { parts: found.slice(0, CHOICES), more: found.length > CHOICES };
}

export function needsOf(
  parts: readonly KeptPartAnswer[],
  jobs: readonly (JobSummary & { readonly id: string })[],
): NeedsAnswer {
  return {
    orders: orderList(
      parts.map(({ value }) => value),
      jobs,
    ),
    taken: [...takenOfShelf(jobs)].map(([name, count]) => ({ name, count })),
  };
}

export function namedOf(
  parts: readonly KeptPartAnswer[],
  { names, ids }: { readonly names: readonly string[]; readonly ids: readonly string[] },
): KeptPartAnswer[] {
  const wanted = new Set(names.map(shelfName));
  return parts.filter(({ value }) => ids.includes(value.id) || wanted.has(shelfName(value.name)));
}

export function profilesOf(
  vehicles: readonly KeptVehicleAnswer[],
  asked: URLSearchParams,
): VehiclesPageAnswer {
  const { some, next } = after(
    having(vehicles, ({ value }: { value: Vehicle }) => value.model, asked),
    asked,
  );
  return { vehicles: some, next };
}
