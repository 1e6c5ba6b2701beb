import { Tabs } from "radix-ui";
import type { CircuitId } from "@dragonet/core";
import { Modal } from "../../ui/page/Modal.tsx";
import { AddedLamps } from "./AddedLamps.tsx";
import { PlugInModule } from "./PlugInModule.tsx";
import { ReplaceLamp } from "./ReplaceLamp.tsx";
import { UnboxKit } from "./UnboxKit.tsx";

interface NewCircuitProps {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly onMade: (runId: CircuitId) => void;
}

const TABS = [
  { value: "lamps", label: "Add lamps", Form: AddedLamps },
  { value: "replace", label: "Replace a lamp", Form: ReplaceLamp },
  { value: "module", label: "Plug in a module", Form: PlugInModule },
  { value: "kit", label: "Unbox a kit", Form: UnboxKit },
] as const;

/** What a job begins with: lamps added or replaced, a module plugged in, a kit unboxed. */
export function NewCircuit({ open, onClose, onMade }: NewCircuitProps) {
  return (
    <Modal open={open} onClose={onClose} title="New circuit">
      <Tabs.Root defaultValue="lamps">
        <Tabs.List
          aria-label="What to begin with"
          className="mb-4 flex flex-wrap gap-x-4 gap-y-1 border-b border-hair"
        >
          {TABS.map(({ value, label }) => (
            <Tabs.Trigger
              key={value}
              value={value}
              className="touch -mb-px border-b-2 border-transparent pb-1 data-[state=active]:border-accent data-[state=active]:font-bold"
            >
              {label}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
        {TABS.map(({ value, Form }) => (
          <Tabs.Content key={value} value={value}>
            <Form onClose={onClose} onMade={onMade} />
          </Tabs.Content>
        ))}
      </Tabs.Root>
    </Modal>
  );
}
