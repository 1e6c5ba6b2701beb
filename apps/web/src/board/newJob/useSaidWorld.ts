import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { usePractices } from "../../settings/practices.ts";
import { KITS, SINGLE_PARTS, choicesOf, usePartsNear } from "../../shelf/parts.ts";
import { TYPING_MS, useSettled } from "../../ui/useSettled.ts";
import { useProfileChoices, useProfilesNear } from "../../vehicles/vehicles.ts";
import { useCustomers } from "../jobs.ts";

/**
 * What a sentence may speak of: the shop's vehicles, parts, kits and customers, as far as they are
 * asked for; the vehicle that is chosen where the sentence names none.
 */
export function useSaidWorld(text: string, profileId: string) {
  const near = useSettled(text, TYPING_MS);
  const { data: atHand } = useQuery(choicesOf(SINGLE_PARTS));
  const { data: kits } = useQuery(choicesOf(KITS));
  const { data: partsNear, isFetching: isAskingParts } = usePartsNear(near);
  const { data: vehiclesNear, isFetching: isAskingVehicles } = useProfilesNear(near);
  const { data: customers } = useCustomers();
  const { data: practices } = usePractices();
  const choices = useProfileChoices(profileId);
  const profiles = choices?.profiles;
  const world = useMemo(() => {
    // Read before the shelf is there, everything would be taken for something the shelf has not.
    if (!profiles || !customers || !atHand || !kits) return null;
    const vehicles = [...(vehiclesNear ?? []).map(({ value }) => value), ...profiles];
    return {
      vehicles: [...new Map(vehicles.map((v) => [v.profileId, v])).values()],
      shelf: [
        ...new Map(
          [...atHand.parts, ...kits.parts, ...(partsNear ?? [])].map(({ value }) => [
            value.id,
            value,
          ]),
        ).values(),
      ],
      customers,
      vehicle: vehicles.find((v) => v.profileId === profileId) ?? null,
    };
  }, [profiles, vehiclesNear, atHand, kits, partsNear, customers, profileId]);
  const isAsking = isAskingParts || isAskingVehicles || !practices;
  return { world, choices, practices, near, isAsking };
}
