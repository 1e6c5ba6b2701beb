import type { PartKind } from "@dragonet/core";

/** Kinds of parts as headings of the shelf. */
export const KIND_WORDS: Readonly<Record<PartKind, string>> = {
  load: "Lamps, horns, heaters, outlets",
  relay: "Relays",
  switch: "Switches",
  converter: "Converters",
  box: "Fuse blocks, hubs, relay boards, modules",
  battery: "Batteries",
  connector: "Plugs",
  flasher: "Flashers",
  sundry: "Consumables",
  kit: "Kits",
};
