import { useQuery } from "@tanstack/react-query";
import { ask } from "../../base/api.ts";
import type { SettingsRequest } from "@dragonet/contract";
import { Choice } from "../../ui/forms/Choice.tsx";
import { Section } from "../../ui/page/Section.tsx";
import { Trouble } from "../../ui/page/states.tsx";
import { useReplaced } from "../useReplaced.ts";

const IDLE = [1, 4, 12, 24, 72];
const DAYS = [1, 7, 30, 90];

/** A choice that has what is set now among its options, whatever it is. */
const among = (list: readonly number[], now: number, word: string) =>
  [...new Set([...list, now])]
    .sort((a, b) => a - b)
    .map((n) => ({ value: String(n), label: n === 1 ? `1 ${word}` : `${n} ${word}s` }));

/** How long people stay signed in. Owners only. */
export function SessionLimits() {
  const { data, error } = useQuery({
    queryKey: ["settings"],
    queryFn: () => ask<SettingsRequest>("settings"),
  });
  const save = useReplaced<SettingsRequest>("settings", ["settings"]);
  if (error) return <Trouble error={error} />;
  if (!data) return null;
  return (
    <Section title="Staying signed in" about="For everybody of the shop, on every device.">
      <div className="flex items-center gap-3 border-b border-hair py-1">
        <span className="w-40">Unused, at most</span>
        <Choice
          label="Longest time unused"
          value={String(data.idleHours)}
          className="w-40"
          options={among(IDLE, data.idleHours, "hour")}
          onChange={(value) => save.mutate({ ...data, idleHours: Number(value) })}
        />
      </div>
      <div className="flex items-center gap-3 border-b border-hair py-1">
        <span className="w-40">At all, at most</span>
        <Choice
          label="Longest session"
          value={String(data.sessionDays)}
          className="w-40"
          options={among(DAYS, data.sessionDays, "day")}
          onChange={(value) => save.mutate({ ...data, sessionDays: Number(value) })}
        />
      </div>
      {save.error && <Trouble error={save.error} />}
    </Section>
  );
}
