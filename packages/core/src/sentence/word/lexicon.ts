import type { Input, Lamp } from "../../job/index.ts";

/** What turns a circuit on, as people say it. "light" and "lamp" behind some of them count only after "with". */
export const INPUT_PHRASES: readonly (readonly [string, Input])[] = [
  ["own switch", "switch"],
  ["its own switch", "switch"],
  ["their own switch", "switch"],
  ["separate switch", "switch"],
  ["bar switch", "switch"],
  ["handlebar switch", "switch"],
  ["dash switch", "switch"],
  ["dashboard switch", "switch"],
  ["panel switch", "switch"],
  ["push switch", "switch"],
  ["lighted switch", "switch"],
  ["two way switch", "switch"],
  ["three way switch", "switch"],
  ["three position switch", "switch"],
  ["switch of its own", "switch"],
  ["switch of their own", "switch"],
  ["switch on the dash", "switch"],
  ["switch on the bars", "switch"],
  ["switch on the handlebar", "switch"],
  ["switch by the seat", "switch"],
  ["own sw", "switch"],
  ["sw", "switch"],
  // What can be switched off has a switch: it is no lamp that waits for it to be off.
  ["switched off", "switch"],
  ["rocker switch", "switch"],
  ["toggle switch", "switch"],
  ["rocker", "switch"],
  ["toggle", "switch"],
  ["switch", "switch"],
  ["switched", "switch"],
  ["key on", "key"],
  ["key", "key"],
  ["keyed", "key"],
  ["ignition on", "key"],
  ["ignition", "key"],
  ["engine running", "engine"],
  ["engine", "engine"],
  ["park light", "park"],
  ["parking light", "park"],
  ["running light", "park"],
  ["position light", "park"],
  ["park", "park"],
  ["parking", "park"],
  ["sidelight", "park"],
  ["low beam", "low"],
  ["dipped beam", "low"],
  ["dipped", "low"],
  ["dip", "low"],
  ["low", "low"],
  ["lowbeam", "low"],
  ["headlight", "low"],
  ["headlamp", "low"],
  ["high beam", "high"],
  ["main beam", "high"],
  ["full beam", "high"],
  ["hi beam", "high"],
  ["high", "high"],
  ["highbeam", "high"],
  ["braking", "brake"],
  ["brake", "brake"],
  ["left turn signal", "left"],
  ["left turn", "left"],
  ["left indicator", "left"],
  ["left blinker", "left"],
  ["left signal", "left"],
  ["right turn signal", "right"],
  ["right turn", "right"],
  ["right indicator", "right"],
  ["right blinker", "right"],
  ["right signal", "right"],
  ["hazard", "hazard"],
  ["hazard lights", "hazard"],
  ["horn button", "horn"],
  ["reversing", "reverse"],
  ["reverse gear", "reverse"],
  ["reverse", "reverse"],
  ["backing up", "reverse"],
  ["brake lever", "lever"],
  ["hand brake lever", "lever"],
  ["lever", "lever"],
  ["brake pedal", "pedal"],
  ["foot brake", "pedal"],
  ["pedal", "pedal"],
];

/** Wires of factory lamps: what turns a circuit on only where somebody says "with" before it. */
export const LAMP_INPUT_PHRASES: readonly (readonly [string, Input])[] = [
  ["brake light", "brake"],
  ["brake lamp", "brake"],
  ["stop light", "brake"],
  ["stop lamp", "brake"],
  ["tail light", "park"],
  ["tail lamp", "park"],
  ["tail", "park"],
  ["reverse light", "reverse"],
  ["reversing light", "reverse"],
];

export const ALWAYS_PHRASES: readonly (readonly [string, true])[] = [
  ["always on", true],
  ["always", true],
  ["all the time", true],
  ["permanently", true],
  ["unswitched", true],
];

export const NOT_PHRASES: readonly (readonly [string, true])[] = [
  ["but not", true],
  ["not", true],
  ["never", true],
  ["except", true],
  ["without", true],
  ["off with", true],
  ["off when", true],
  ["off on", true],
  ["and not", true],
];

/** That a number is meant for each side of the vehicle. */
export const EACH_SIDE_PHRASES: readonly (readonly [string, true])[] = [
  ["each side", true],
  ["per side", true],
  ["a side", true],
  ["on each side", true],
  ["on either side", true],
];

/** On the left and on the right. */
export const BOTH_SIDES_PHRASES: readonly (readonly [string, true])[] = [
  ["both sides", true],
  ["on both sides", true],
  ["at both sides", true],
];

/** In front and behind. */
export const BOTH_ENDS_PHRASES: readonly (readonly [string, true])[] = [
  ["all round", true],
  ["all around", true],
  ["at both ends", true],
  ["on all corners", true],
  ["on all four corners", true],
];

/** That two levels of one lamp are meant: the brake light and the tail light of one housing. */
export const SAME_HOUSING_PHRASES: readonly (readonly [string, true])[] = [
  ["dim in the same housing", true],
];

export const PLACE_PHRASES: readonly (readonly [string, Lamp["place"]])[] = [
  ["in front", "front"],
  ["up front", "front"],
  ["at the front", "front"],
  ["on the front", "front"],
  ["front", "front"],
  ["on the handlebar", "front"],
  ["on the bumper", "front"],
  ["on the front bumper", "front"],
  ["on the grille", "front"],
  ["on the fork", "front"],
  ["on the hood", "front"],
  ["on the trunk", "rear"],
  ["on the tailgate", "rear"],
  ["on the rear bumper", "rear"],
  ["on the rear rack", "rear"],
  ["on the front rack", "front"],
  ["at the number plate", "rear"],
  ["at the license plate", "rear"],
  ["at the back", "rear"],
  ["on the back", "rear"],
  ["at the rear", "rear"],
  ["on the rear", "rear"],
  ["out back", "rear"],
  ["back", "rear"],
  ["rear", "rear"],
  ["behind", "rear"],
  ["on the left side", "left"],
  ["on the left", "left"],
  ["left side", "left"],
  ["left", "left"],
  ["on the right side", "right"],
  ["on the right", "right"],
  ["right side", "right"],
  ["right", "right"],
  ["inside", "inside"],
  ["under the seat", "inside"],
  ["under the hood", "inside"],
  ["in the bed", "inside"],
  ["in the box", "inside"],
];

/** A sort of lamp or load, by what people call it. The first word of a sort is the one it is named by. */
export const SORTS: Readonly<Record<string, readonly string[]>> = {
  bar: ["light bar", "lightbar", "led bar", "bar"],
  pod: ["light pod", "pod", "cube"],
  spot: ["spotlight", "spot light", "spot", "driving light", "driving lamp"],
  ditch: ["ditch light", "ditch lamp"],
  rock: ["rock light", "rock lamp"],
  winch: ["winch light", "winch lamp"],
  running: ["daytime running light", "running light", "marker light", "marker lamp"],
  beacon: ["beacon", "strobe light", "strobe lamp", "warning light", "warning lamp"],
  flood: ["floodlight", "flood light", "flood"],
  fog: ["fog light", "fog lamp", "foglight", "fog"],
  work: ["work light", "work lamp", "worklight", "scene light"],
  turn: [
    "turn signal",
    "turn lamp",
    "turn light",
    "turn bulb",
    "indicator",
    "blinker",
    "winker",
    "flasher lamp",
  ],
  tail: ["tail light", "tail lamp", "taillight", "rear light", "rear lamp"],
  brake: ["brake light", "brake lamp", "stop light", "stop lamp"],
  strip: [
    ...["led strip", "light strip", "strip light", "strip"],
    ...["led tape", "light tape", "tape light", "tape", "underglow"],
  ],
  path: ["path light", "path lamp", "courtesy light"],
  headlight: ["headlight", "headlamp", "headlight bulb"],
  horn: ["horn", "hooter"],
  outlet: [
    "charging outlet",
    "usb outlet",
    "usb socket",
    "power outlet",
    "charger",
    "outlet",
    "usb",
  ],
  grip: ["heated grip", "grip heater", "grip"],
  heater: ["heater", "seat heater", "heated seat", "heated vest", "hand warmer"],
  bulb: ["bulb", "halogen bulb"],
  reverse: ["reverse light", "reverse lamp", "reversing light", "backup light"],
  lamp: ["lamp", "light", "auxiliary light", "auxiliary lamp", "aux light", "aux lamp", "aux"],
};

/** Sorts that do for others where a shelf has none of them: common practice. */
export const STANDS_FOR: Readonly<Record<string, string>> = {
  ...{ reverse: "work", winch: "work", ditch: "pod", rock: "pod", running: "pod", beacon: "pod" },
};

/** Words before a sort that say what kind of it: part of the name, or a sort of their own. */
export const KIND_WORDS: readonly string[] = [
  ...["led", "bright", "small", "big", "round", "new", "auxiliary", "aux", "driving", "combo"],
  ...["flashing", "flashes", "flasher", "strobe", "strobing", "blinking", "leds"],
  ...["halogen", "incandescent", "filament"],
  ...["amber", "red", "white", "warm", "yellow", "twin", "heated", "charging", "usb"],
];

export const isLed = (word: string): boolean => /^leds?$/.test(word);

/** Kinds of lamp that have a filament and no electronics. */
export const FILAMENT_WORDS: ReadonlySet<string> = new Set(["halogen", "incandescent", "filament"]);

export const COLOUR_WORDS: Readonly<Record<string, "amber" | "red" | "white">> = {
  ...{ amber: "amber", yellow: "amber", red: "red", white: "white" },
};

export const COUNT_WORDS: Readonly<Record<string, number>> = {
  ...{ a: 1, an: 1, one: 1, single: 1, two: 2, pair: 2, couple: 2, both: 2, three: 3 },
  ...{ four: 4, five: 5, six: 6, seven: 7, eight: 8, nine: 9, ten: 10, twelve: 12, dozen: 12 },
};

/** Words that carry nothing where they stand between others. */
export const FILLERS: ReadonlySet<string> = new Set(
  (
    "a an the and of to it its his her their our my please add fit put mount install want wants " +
    "would like need needs needing some with on in at when while if only is are be by for from " +
    "that which who can also plus then set pair couple both under fed feed wired run running off, " +
    "so as ones third extra additional second golf combo together wired wire , ; : ( ) & + × / new more another customer job kit lit come comes coming should must"
  ).split(" "),
);

export const BEFORE_INPUT: ReadonlySet<string> = new Set([
  ...["with", "on", "when", "while", "if", "only", "by", "under", "off", "follows", "following"],
]);

/** Every word that means something here: none of them is taken for a slip of another. */
export const KNOWN_WORDS: ReadonlySet<string> = new Set(
  [
    ...[
      INPUT_PHRASES,
      LAMP_INPUT_PHRASES,
      ALWAYS_PHRASES,
      NOT_PHRASES,
      PLACE_PHRASES,
      EACH_SIDE_PHRASES,
      BOTH_SIDES_PHRASES,
      BOTH_ENDS_PHRASES,
      SAME_HOUSING_PHRASES,
    ].flatMap((phrases) => phrases.map(([words]) => words)),
    ...Object.values(SORTS).flat(),
    ...KIND_WORDS,
    ...Object.keys(COUNT_WORDS),
    ...FILLERS,
    ...["battery", "pack", "converter", "relay", "series", "whole", "button", "adapter", "place"],
    ...["instead", "replace", "swap", "change", "exchange", "factory", "plug"],
  ].flatMap((words) => words.split(" ")),
);
