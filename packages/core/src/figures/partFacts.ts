import { decimal, span } from "../quantity/index.ts";
import type { Part } from "../part/index.ts";
import { designCurrentA } from "../synthesis/index.ts";

/** "15", or "10 to 20" where channels differ. */
function waysText({ wayA, wayRatings, ways }: Extract<Part, { kind: "box" }>): string {
  const all = wayRatings.length < ways ? [...wayRatings, wayA] : wayRatings;
  const [least, most] = [Math.min(...all), Math.max(...all)];
  return least === most ? decimal(least) : `${decimal(least)} to ${decimal(most)}`;
}

/** What the circuit needs to know of a part, in a few words. */
export function factsOf(part: Part): string {
  switch (part.kind) {
    case "load": {
      const volts = part.load.kind === "drivenLed" ? `, ${part.load.minV}–${part.load.maxV} V` : "";
      const light = part.light === "none" ? part.family : part.light;
      return `${span(designCurrentA(part.load, 12), 2)} A at 12 V, ${light}${volts}${part.pigtail === "" ? "" : `, ${part.pigtail} pigtail`}`;
    }
    case "relay":
      return `contact ${decimal(part.contactA)} A, coil ${decimal(part.coilOhm.value, 0)} Ω${part.diode ? ", diode: 86 positive" : ""}`;
    case "switch":
      return `${decimal(part.contactA)} A${part.tellTale === "none" ? "" : `, tell-tale ${decimal(part.tellTaleA.value, 2)} A ${part.tellTale === "always" ? "always lit" : "lit when on"}`}`;
    case "converter":
      return `${decimal(part.inMinV, 0)}–${decimal(part.inMaxV, 0)} V to ${decimal(part.outV.value)} V, ${decimal(part.outA)} A, ${decimal(part.efficiencyHalf * 100, 0)} % at half load, idle ${decimal(part.idleA.value * 1000, 0)} mA`;
    case "box":
      return `${part.ways} channels of ${waysText(part)} A, ${decimal(part.totalA)} A in all${part.form === "fuseBlock" ? "" : `, switches the ${part.switches}`}`;
    case "battery":
      return `${part.chemistry}, ${decimal(part.capacityAh.value, 0)} Ah, charger ${decimal(part.chargerA.value)} A`;
    case "connector":
      return `${decimal(part.ratingA)} A, ${decimal(part.contactOhm.value * 1000)} mΩ`;
    case "flasher":
      return `${decimal(part.ratePerMin.value, 0)} a minute, ${part.principle}${part.leastA > 0 ? `, from ${decimal(part.leastA)} A` : ""}`;
    case "kit":
      return part.items.map((item) => `${item.count} × ${item.name}`).join(", ");
    case "sundry":
      return "";
  }
}
