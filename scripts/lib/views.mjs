/** Every view, by the demo's own words: looked through by the browser's tests, timed by the bench. */

export const SHOP = [
  ["/", "Jobs"],
  ["/calendar", "By when they are done"],
  ["/shelf", "Relays"],
  ["/vehicles", "Brannock Midge 60"],
  ["/vehicles/fellrunner-420", "Connector map"],
  ["/training", "Find the fault"],
  ["/figures", "What jobs wait for"],
  ["/help/circuit", "What goes wrong"],
  ["/settings", "People"],
];

export const PLANNING = [
  ["intake", "Connector map"],
  ["budget", "Line by line"],
  ["circuit", "Flood pods"],
  ["signals", "Where it is ridden"],
  ["prove", "Test on the vehicle"],
  ["aim", "At 10 m the ground"],
  ["handOver", "Before it goes"],
  ["sheet", "To lay out"],
  ["history", "job opened"],
];

export const FITTING = [
  ["fit/strip", "Taking off"],
  ["fit/route", "Stretches with wires"],
  ["fit/cut", "Off the spools"],
  ["fit/holes", "Marks on the panel"],
  ["fit/lamps", "By the tape"],
  ["fit/adhesive", "Stuck on"],
];

export const PACK = [
  ["budget", "Compare options"],
  ["circuit", "Converter"],
];
