import type { Stage } from "@dragonet/core";

/** What is told of one stage of the work, or of the shop around it: in the trade's words. */
export interface Topic {
  readonly id: string;
  readonly title: string;
  readonly about: string;
  /** What is done, in order. */
  readonly steps: readonly string[];
  /** What goes wrong here, and how it is seen. */
  readonly wrong: readonly string[];
  readonly words: readonly (readonly [word: string, meaning: string])[];
}

/** Common practice of the trade all of it, but where a source is named. */
const STAGE_TOPICS: Readonly<Record<Stage, Omit<Topic, "id" | "title">>> = {
  intake: {
    about:
      "What should light, when, and who must see it; what stands in the shop; what is in the box.",
    steps: [
      "Write the wishes down as they were said: see further, be seen, be seen braking, be legal.",
      "Unbox the kit and count it against the list: what is not in the box stops the job at four o’clock.",
      "Find the circuits. Prove each wire with a meter, then write its cavity, its colour and what it carries into the connector map.",
      "Say how surely each fact is known: measured, stated by the maker, or assumed. Bounds follow from that.",
    ],
    wrong: [
      "Colours are a maker’s habit, not a law: a wire that nobody proved is a guess.",
      "Left and right of a kit are often not marked: prove them before they are cut.",
    ],
    words: [
      ["always live", "there with the key out: what hangs on it draws day and night"],
      ["keyed", "live when the key alone is on"],
      ["cavity", "the place of one wire in a plug"],
    ],
  },
  budget: {
    about:
      "Whether the charging system, or the pack, carries what is added: at idle, in town, at cruise, and standing.",
    steps: [
      "Look at what is to spare at idle first: there is often nothing.",
      "Where the verdict is uncertain, measure what the list names: the widest bound first.",
      "Look at the parked draw. A tell-tale of 0.2 A flattens a small battery in days.",
      "On a pack, compare the four options: converter, string, tap, a battery of its own.",
    ],
    wrong: [
      "A converter that is switched on its output idles day and night: part its input.",
      "A tap on some blocks of a pack sets them apart from the others, and wears them out first.",
    ],
    words: [
      ["to spare", "what the charging gives beyond everything that is on"],
      ["nominal", "a pack’s name: a full “48 V” reads 52 to 58 V"],
      ["Peukert", "a battery gives fewer ampere-hours the faster it is emptied"],
    ],
  },
  circuit: {
    about:
      "Every circuit from its source to its lamps and back, sized, with the volts it will have.",
    steps: [
      "Begin with New circuit, or say the job in one sentence on the board.",
      "Read each line from left to right: source, fuse, wire, relay or switch, lamps, return.",
      "Press any part to see why it is so, and what else could be picked with what follows.",
      "Press Prove: every position of the controls is tried, and every single fault told.",
    ],
    wrong: [
      "A fuse protects what lies behind it: never above what wire, relay, switch and plug can carry.",
      "Loads on the ignition’s fuse: when it blows, the machine is dead far from home.",
      "A relay with a diode has a right way round; wrong, it shorts its trigger.",
    ],
    words: [
      [
        "30, 87, 87a",
        "a relay’s feed, what it gives when it pulls, and when it does not (DIN 72552)",
      ],
      ["85, 86", "the two ends of its coil"],
      ["drop", "volts lost in copper, out and back, as a share of the source"],
    ],
  },
  signals: {
    about:
      "What turns, brakes and flashes, in time: flashers, modules, and what the vehicle’s monitor sees.",
    steps: [
      "Play the usual script, or write your own: key on, left on, brake on.",
      "Look at the rate: 60 to 120 flashes a minute, lit for 30 to 75 % (49 CFR 571.108, from memory).",
      "Where LED lamps make it hurry or stand still, compare the remedies side by side.",
      "Choose the place it is ridden in: its rules are held against the lamps. The inspector has the last word.",
    ],
    wrong: [
      "A thermal flasher does not start on LED lamps alone.",
      "A load resistor makes real heat: on metal, off plastic, off the loom.",
      "An equaliser of the left side on the right lights both.",
    ],
    words: [
      ["hyperflash", "twice the rate: the flasher takes the small load for a dead bulb"],
      ["run-on", "a channel that stays on for a while after its input went off"],
      ["lock-out", "time after a flash in which the lamp comes on steady"],
    ],
  },
  fit: {
    about:
      "Off, drilled, routed, stuck, and on again: with nothing left over and nothing forgotten.",
    steps: [
      "Write down what comes off in order, with its fasteners in the pattern they came out.",
      "Try before drilling: sit, steer lock to lock, move every lever; look behind the panel.",
      "Print templates at 1:1 and measure the bar on them before the punch.",
      "Follow the factory loom: away from steering, chain, exhaust and seat pan; a grommet at every hole.",
      "Cut from the cut list, flag both ends of each wire, and tick it off.",
    ],
    wrong: [
      "Long screws in the front, short in the rear: mixed up, they go through something.",
      "Adhesive gets one try, and its hours depend on how cold the surface is.",
      "Forgotten on the way back: the heated seat’s plug, the breather’s clamp.",
    ],
    words: [
      ["clearance hole", "what a bolt goes through: a 5/16 in bolt wants 3/8 in"],
      ["pigtail", "the lead that comes on a lamp"],
    ],
  },
  prove: {
    about: "Nothing gets its panels back before it was tried, and a reading becomes a cause.",
    steps: [
      "Fuses out and the battery’s lead off: ohms first, where a short would burn.",
      "Then fuse by fuse: go down the script, and write what the meter reads.",
      "Where a reading is off, look at the suspects: the next probe is the one that tells most for its minutes.",
      "Mend it; the steps that it touched are asked again.",
    ],
    wrong: [
      "A fault that is found with the panels on costs an hour.",
      "Milliamps through the meter: largest range first, and nothing switched on meanwhile.",
      "A voltage against the wrong negative tells of the meter’s lead, not of the lamp.",
    ],
    words: [
      ["sound", "as it reads where nothing is wrong, with its bounds"],
      ["suspect", "a fault that would explain what was read, with its share"],
      ["drop test", "volts across something that should have none, with its current flowing"],
    ],
  },
  aim: {
    about:
      "Marks on the wall, after dark, on level ground, rider aboard; and what oncoming eyes get.",
    steps: [
      "Stand the vehicle so far from the wall as the page says, tyres at their pressure.",
      "Tape the marks: height of each lamp, and how far below it the bright centre belongs.",
      "Read how far off each stands; the page says the shim or the turn that undoes it.",
      "Look at the road: the edge of the light, and the glare at an oncoming rider’s eyes.",
    ],
    wrong: [
      "Lights this strong go a little lower than the rule.",
      "Auxiliary lamps beside the low beam blind whoever comes: they belong to the high beam.",
    ],
    words: [
      ["cut-off", "the edge above which a low beam throws little"],
      ["toe", "turned in or out, seen from above"],
      ["candela", "how strong a light is in one direction"],
    ],
  },
  handOver: {
    about: "The quote before, the owner’s sheet after, and the name under it.",
    steps: [
      "Offer what was asked and its options: each with what it costs and what it means.",
      "The customer accepts by a link and a name; what changes after that is told.",
      "Close every gate: tested, aimed, nothing to stop for, panels on. Or sign for it, with a reason.",
      "Give the owner the sheet: which fuse is for what, what the tell-tale means, what to watch.",
      "Make the invoice: by what was accepted, by the plan, or by the time at the lift. It is never changed; a wrong one is taken back by another.",
    ],
    wrong: [
      "Untested and unsigned: nobody knows who answers for it.",
      "Where it is ridden decides what is legal: the owner is told to ask.",
    ],
    words: [
      ["gate", "something that has to be done, or signed for, before the vehicle goes"],
      ["comeback", "a mend after the hand-over"],
    ],
  },
};

const SHOP_TOPICS: readonly Topic[] = [
  {
    ...{ id: "shop", title: "The shop" },
    about:
      "Jobs on the board, hours in the calendar, parts on the shelf: each knows of the others.",
    steps: [
      "Say a new job in one sentence above the board, or press New job.",
      "Give it a promised day: the calendar plans every bench, and tells what will be late before it is.",
      "Look at the order list on the shelf: what open jobs want beyond what is there.",
      "Ctrl+K finds anything and goes anywhere; ? tells the keys.",
      "Where there is no network work goes on: lists are shown as they were last, jobs at hand open, a job that is said waits in this browser, and all is sent by itself.",
    ],
    wrong: [
      "A part that nobody ordered: the shelf names the jobs that wait for it.",
      "An adhesive that has not cured: the calendar counts its hours.",
      "Signing out wants a network: without one you stay signed in, and what waits stays yours.",
    ],
    words: [
      ["blocker", "what a job waits for: a part, the cold, the dark, a customer, a measure"],
      ["pinned", "a job that stays where somebody put it in the calendar"],
    ],
  },
];

/** Topics by stage, in the order of the work, the shop first. */
export const topicsOf = (stages: readonly (readonly [Stage, string])[]): readonly Topic[] => [
  ...SHOP_TOPICS,
  ...stages.map(([id, title]) => ({ id, title, ...STAGE_TOPICS[id] })),
];
