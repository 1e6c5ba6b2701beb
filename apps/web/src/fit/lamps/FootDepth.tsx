import { setIn, type Mount } from "@dragonet/core";
import { useEdit } from "../../job/store/jobStore.ts";
import { NumberInput } from "../../ui/forms/number/NumberInput.tsx";

/** Depth of the foot that a lamp in place stands on: what a shim turns it by. */
export function FootDepth({ mount, name }: { mount: Mount; name: string }) {
  const edit = useEdit();
  return (
    <NumberInput
      label={`${name}: depth of the foot`}
      unit="mm foot"
      value={mount.footMm}
      min={1}
      max={500}
      className="w-16"
      onCommit={(v) => edit([setIn("mount", mount.id, "footMm", v)])}
    />
  );
}
