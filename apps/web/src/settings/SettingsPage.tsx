import type { Practices } from "@dragonet/core";
import { usePractices } from "./practices.ts";
import { useCurrentUser, type Person } from "../base/session.ts";
import { showTheme, type ThemeChoice } from "../base/theme.ts";
import { Choice } from "../ui/forms/Choice.tsx";
import { Tick } from "../ui/forms/Tick.tsx";
import { Section } from "../ui/page/Section.tsx";
import { Trouble } from "../ui/page/states.tsx";
import { Archive } from "./Archive.tsx";
import { Billing } from "./Billing.tsx";
import { Bin } from "./Bin.tsx";
import { OwnSessions } from "./people/OwnSessions.tsx";
import { People } from "./people/People.tsx";
import { PracticeFields } from "./PracticeFields.tsx";
import { SessionLimits } from "./people/SessionLimits.tsx";
import { Trail } from "./people/Trail.tsx";
import { useLikes } from "./useLikes.ts";
import { useReplaced } from "./useReplaced.ts";
import { useTitle } from "../ui/page/useTitle.ts";

function Preferences() {
  const me = useCurrentUser();
  const save = useLikes();
  const set = (change: Partial<Person["preferences"]>): void => {
    const next = { ...me.preferences, ...change };
    showTheme(next.theme);
    save.mutate(next);
  };
  return (
    <Section title="For you">
      <div className="flex items-center gap-3 border-b border-hair py-1">
        <span className="w-24">Light</span>
        <Choice<ThemeChoice>
          label="Light or dark"
          value={me.preferences.theme}
          className="w-56"
          options={[
            { value: "system", label: "as this machine has it" },
            { value: "day", label: "day: ink on paper" },
            { value: "night", label: "night: chalk on slate" },
          ]}
          onChange={(theme) => set({ theme })}
        />
      </div>
      <div className="flex items-center gap-3 border-b border-hair py-1">
        <span className="w-24">Lengths</span>
        <Choice
          label="Units"
          value={me.preferences.units}
          className="w-56"
          options={[
            { value: "metric", label: "millimetres and metres" },
            { value: "us", label: "inches and feet" },
          ]}
          onChange={(units) => set({ units })}
        />
      </div>
      <div className="border-b border-hair py-1">
        <Tick
          checked={me.preferences.singleKeys ?? true}
          onChange={(singleKeys) => set({ singleKeys })}
        >
          Single keys act: figures change the stage, letters press controls, ? tells them all
        </Tick>
      </div>
      {save.error && <Trouble error={save.error} />}
    </Section>
  );
}

function ShopPractices({ canEdit }: { canEdit: boolean }) {
  const { data, error } = usePractices();
  const save = useReplaced<Practices>("practices", ["practices"]);
  if (error) return <Trouble error={error} />;
  if (!data) return null;
  return (
    <Section
      title="Practices of the shop"
      about="The schools a new job starts with. A job keeps its own copy and may differ."
    >
      <PracticeFields
        practices={data}
        canEdit={canEdit}
        onChange={(field, value) => save.mutate({ ...data, [field]: value })}
      />
      {save.error && <Trouble error={save.error} />}
    </Section>
  );
}

export function SettingsPage() {
  useTitle("Settings");
  const owner = useCurrentUser().role === "owner";
  return (
    <div className="mx-auto grid w-full max-w-6xl grid-cols-1 gap-x-10 p-4 lg:grid-cols-2">
      <h1 className="sr-only">Settings</h1>
      <div>
        <Preferences />
        <OwnSessions />
        {owner && <People />}
        {owner && <SessionLimits />}
        {owner && <Archive />}
      </div>
      <div>
        <ShopPractices canEdit={owner} />
        {owner && <Billing />}
        {owner && <Bin />}
        {owner && <Trail />}
      </div>
    </div>
  );
}
