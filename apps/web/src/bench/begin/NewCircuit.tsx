import { Tabs } from "radix-ui";
import type { ComponentType } from "react";
import type { CircuitId } from "@dragonet/core";
import { Modal } from "../../ui/page/Modal.tsx";
import { AddedLamps } from "./AddedLamps.tsx";
import { BEGIN_WITH, type BeginWith } from "./beginWith.ts";
import { PlugInModule } from "./PlugInModule.tsx";
import { ReplaceLamp } from "./ReplaceLamp.tsx";
import { UnboxKit } from "./UnboxKit.tsx";
import type { BeginProps } from "./useBegin.ts";

interface NewCircuitProps {
  /** What it opens with; null while it is closed. */
  readonly begin: BeginWith | null;
  readonly onClose: () => void;
  readonly onMade: (runId: CircuitId) => void;
}

const FORMS: Readonly<Record<BeginWith, ComponentType<BeginProps>>> = {
  lamps: AddedLamps,
  replace: ReplaceLamp,
  module: PlugInModule,
  kit: UnboxKit,
};

/** What a job begins with: lamps added or replaced, a module plugged in, a kit unboxed. */
export function NewCircuit({ begin, onClose, onMade }: NewCircuitProps) {
  return (
    <Modal open={begin !== null} onClose={onClose} title="New circuit">
      <Tabs.Root defaultValue={begin ?? "lamps"}>
        <Tabs.List
          aria-label="What to begin with"
          className="mb-4 flex flex-wrap gap-x-4 gap-y-1 border-b border-hair"
        >
          {BEGIN_WITH.map(({ value, label }) => (
            <Tabs.Trigger
              key={value}
              value={value}
              className="touch -mb-px border-b-2 border-transparent pb-1 data-[state=active]:border-accent data-[state=active]:font-bold"
            >
              {label}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
        {BEGIN_WITH.map(({ value }) => {
          const Form = FORMS[value];
          return (
            <Tabs.Content key={value} value={value}>
              <Form onClose={onClose} onMade={onMade} />
            </Tabs.Content>
          );
        })}
      </Tabs.Root>
    </Modal>
  );
}
