import { decimal } from "../../quantity/index.ts";
import { elementsOf } from "../../circuit/index.ts";
import { GENERIC_RELAY } from "../../part/index.ts";
import { setCircuit } from "../../job/index.ts";
import { builtCircuits, placeOfCircuit, type Rule } from "../finding.ts";

export const contactOverRating: Rule = {
  id: "contact-over-rating",
  source: "common practice; ISO 7588-1 for the relay's form",
  check: (context) =>
    builtCircuits(context).flatMap(({ run, made }) => {
      const [contact] = elementsOf(context.circuit, made.out, "contact");
      const draw = made.drawA.mid;
      if (!contact || draw <= contact.part.contactA) return [];
      return [
        {
          rule: "contact-over-rating",
          severity: "stop" as const,
          place: placeOfCircuit(run, contact.id, contact.part.name),
          title: `${decimal(draw)} A through a ${decimal(contact.part.contactA)} A relay`,
          figures: [
            {
              label: "draw",
              value: `${decimal(draw)} A`,
              limit: `at most ${decimal(contact.part.contactA)} A`,
            },
          ],
          why: "The contact heats and welds shut: the circuit no longer turns off.",
          remedies:
            run.relayPartId === null || draw > GENERIC_RELAY.contactA
              ? []
              : [
                  {
                    label: "Plan with a 30 A relay",
                    edits: [setCircuit(run.id, "relayPartId", null)],
                  },
                ],
        },
      ];
    }),
};
