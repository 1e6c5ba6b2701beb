import { lastItem } from "../present/index.ts";
import { assumed, exactly, stated, type Interval } from "../quantity/index.ts";
import { asId } from "../job/ids.ts";
import type { BoxPart, ConnectorPart, ConverterPart, RelayPart, SwitchPart } from "./part.ts";
import { FULL_PACK, ratedVOf } from "./ratedV.ts";

/**
 * The relay a plan is made with until one is picked from the shelf: mini ISO, 30 A make
 * contact, coil 85–90 Ω at 12 V (from memory), no diode.
 */
export const GENERIC_RELAY: RelayPart = {
  kind: "relay",
  id: asId("generic-relay"),
  name: "30 A mini relay",
  note: "",
  price: 0,
  stock: 0,
  ingress: "",
  ratedV: 0,
  contactA: 30,
  coilV: 12,
  coilOhm: assumed(88, 80, 95),
  diode: false,
};

/** The same relay with a coil for another voltage: as many watts, so ohms go with its square. */
export function relayForV(volts: number): RelayPart {
  if (volts <= 16) return GENERIC_RELAY;
  const share = (volts / 12) ** 2;
  const { value, low, high } = GENERIC_RELAY.coilOhm;
  return {
    ...GENERIC_RELAY,
    id: asId(`generic-relay-${Math.round(volts)}`),
    name: `30 A relay, ${Math.round(volts)} V coil`,
    ratedV: Math.ceil(volts * FULL_PACK),
    coilV: volts,
    coilOhm: assumed(value * share, low * share, high * share),
  };
}

/** What a channel of a box may give, in A; channels count from 1. */
export const wayRatingA = (box: BoxPart, channel: number): number =>
  box.wayRatings[channel - 1] ?? box.wayA;

/** One way of a hub or relay board, seen as the relay it is or stands for. */
export function wayRelay(box: BoxPart, channel: number): RelayPart {
  return {
    kind: "relay",
    id: box.id,
    name: box.form === "relayBoard" ? `relay of ${box.name}` : `channel of ${box.name}`,
    note: "",
    price: 0,
    stock: 0,
    ingress: "",
    ratedV: 0,
    contactA: wayRatingA(box, channel),
    coilV: 12,
    coilOhm: box.inputOhm,
    diode: false,
    electronic: box.form !== "relayBoard",
  };
}

/** The switch a plan is made with until one is picked: plain, 10 A, no tell-tale. */
export const GENERIC_SWITCH: SwitchPart = {
  kind: "switch",
  id: asId("generic-switch"),
  name: "10 A plain switch",
  note: "",
  price: 0,
  stock: 0,
  ingress: "",
  ratedV: 0,
  contactA: 10,
  tellTale: "none",
  tellTaleA: assumed(0),
};

/** Ratings in A that vehicle switches are sold with: common practice. */
const SWITCH_RATINGS = [GENERIC_SWITCH.contactA, 16, 20, 25, 30, 40];

/**
 * The same switch made to break another direct voltage, and to carry what a fuse before it lets
 * through; beyond what switches are sold for, the largest.
 */
export function switchForV(volts: number, fuseA = 0): SwitchPart {
  const contactA = SWITCH_RATINGS.find((rating) => rating >= fuseA) ?? lastItem(SWITCH_RATINGS);
  const low = volts <= ratedVOf(GENERIC_SWITCH);
  if (low && contactA === GENERIC_SWITCH.contactA) return GENERIC_SWITCH;
  const ratedV = low ? 0 : Math.ceil(volts);
  const amps = contactA === GENERIC_SWITCH.contactA ? "" : `-${contactA}a`;
  return {
    ...GENERIC_SWITCH,
    id: asId(`generic-switch${amps}${low ? "" : `-${ratedV}`}`),
    name: low ? `${contactA} A plain switch` : `${contactA} A switch for ${ratedV} V direct`,
    ...{ contactA, ratedV },
  };
}

/** A plug-to-plug lead that stands for one nobody has picked: 10 A, contacts assumed. */
export const GENERIC_ADAPTER: ConnectorPart = {
  kind: "connector",
  id: asId("generic-adapter"),
  name: "adapter lead, plug to plug",
  note: "",
  price: 0,
  stock: 0,
  ingress: "",
  ratedV: 0,
  leads: [],
  ratingA: 10,
  contactOhm: assumed(0.005, 0.002, 0.02),
};

/** A module that stays awake for as long as it is fed. */
export const NEVER_SLEEPS = { sleepAfterMin: 0, sleepA: stated(0) } as const;

/** Whether a converter's output negative is apart from its input's: isolated, or behind a bridge. */
export const isApart = (part: Pick<ConverterPart, "isolated" | "input">): boolean =>
  part.isolated || part.input === "alternating";

/** The plug and socket that a harness brings at a factory connector, contacts assumed. */
export const GENERIC_PLUG: ConnectorPart = {
  ...GENERIC_ADAPTER,
  id: asId("generic-plug"),
  name: "harness plug",
};

/** Resistance in Ω of a closed relay contact or switch: about 50 mV at 10 A, common practice. */
export const CONTACT_RESISTANCE: Interval = exactly(0.005);

/** Over its rating by this much a converter begins to give way: common practice. */
export const LIMIT_SHARE = 1.1;
