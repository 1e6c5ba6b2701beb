/** Sentences with names without capitals, several places at once, two lights in one housing: common practice. */

/** Sentence; its circuits; vehicle, machine, customer and day; what was not understood. */
export const MORE_SENTENCES: readonly (readonly [string, string, string, string])[] = [
  [
    "36 watt light bar on a dash switch and reverse lamp on the Fellrunner for the ranger at Low Mill, by friday",
    "1 bar-40 front [own switch]; 1 work-24 rear [reverse]",
    "fellrunner-420 | the ranger at Low Mill | 2026-11-27",
    "",
  ],
  [
    "pods on high beam for my neighbour Tamsin",
    "2 pod-18 front [high beam]",
    "my neighbour Tamsin",
    "",
  ],
  ["an adapter for LED pods", "2 pod-18 front [own switch and key on]", "", "adapter"],
  [
    "pods 2x18W hi beam, bar 40W own sw, Fellrunner, Scar Top Farm, 2 Dec",
    "2 pod-18 front [high beam]; 1 bar-40 front [own switch]",
    "fellrunner-420 | Scar Top Farm | 2026-12-02",
    "",
  ],
  [
    "spotlights that come on with high beam and can be switched off",
    "2 pod-30 front [high beam and own switch]",
    "",
    "",
  ],
  ["two ditch lights with high beam only", "2 pod-18 front [high beam]", "", ""],
  ["a 120 W bar on a three way switch", "1 bar-120 front [own switch]", "", ""],
  ["rock lights, four, on one switch, buggy", "4 pod-18 front [own switch]", "litter-36", ""],
  ["work lights both sides on a switch", "2 work-24 left [own switch] and right", "", ""],
  [
    "LED turn signals all round on the Midge",
    "2 turn-led left [left turn]; 2 turn-led right [right turn]",
    "midge-60",
    "",
  ],
  [
    "add brake and tail light to the mower",
    "1 tail-two-level rear [brake]; 1 tail-two-level rear [park light] dim",
    "swathe-52",
    "",
  ],
  [
    "tail and brake lights and a horn",
    "2 tail-two-level rear [brake]; 2 tail-two-level rear [park light] dim; 1 horn-3a front [horn button]",
    "",
    "",
  ],
  [
    "brake and turn lights on the trike",
    "1 tail-brake-led rear [brake]; 1 turn-led left [left turn]; 1 turn-led right [right turn]",
    "lapwing-125",
    "",
  ],
  [
    "replace rear turn signals on the Petrel with LED ones, adapters, for Dr Pell",
    "1 turn-led left [left turn] replaces adapter; 1 turn-led right [right turn] replaces adapter",
    "petrel-650 | Dr Pell",
    "",
  ],
  ["hazards for the Petrel", "", "petrel-650", "hazards"],
  [
    "third brake light on the trunk of the Carrick",
    "1 tail-brake-led rear [brake]",
    "carrick-1100",
    "",
  ],
  ["usb charger on the handlebar, key on", "1 outlet-usb front [key on]", "", ""],
];
