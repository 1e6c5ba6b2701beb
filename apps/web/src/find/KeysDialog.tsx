import { STAGES, inputWord } from "@dragonet/core";
import { INPUT_KEYS } from "../bench/controls.ts";
import { STAGE_WORDS, stageNumber } from "../job/stages.ts";
import { useCurrentUser } from "../base/session.ts";
import { Modal } from "../ui/page/Modal.tsx";

interface Keys {
  readonly where: string;
  readonly keys: readonly (readonly [keys: string, does: string])[];
}

const inputKeys = Object.entries(INPUT_KEYS) as [keyof typeof INPUT_KEYS, string][];

const KEYS: readonly Keys[] = [
  {
    where: "Everywhere",
    keys: [
      ["Ctrl+K", "find a job, part or vehicle; go anywhere; plan a job in one sentence"],
      ["?", "this list"],
      ["Tab, Shift+Tab", "on and back; Enter or Space presses"],
      ["Esc", "closes a list or a dialog, takes back what is being typed"],
    ],
  },
  {
    where: "In a job",
    keys: [
      ...STAGES.map((stage) => [String(stageNumber(stage)), STAGE_WORDS[stage]] as const),
      ["Ctrl+Z, Ctrl+Y", "undo, redo"],
    ],
  },
  {
    where: "At the bench",
    keys: [
      ...inputKeys.map(([input, key]) => [key, inputWord(input)] as const),
      ["Arrow keys", "along a circuit, from part to part; between circuits"],
    ],
  },
];

/** Every key that does something, by where it does. */
export function KeysDialog({ onClose }: { onClose: () => void }) {
  const on = useCurrentUser().preferences.singleKeys ?? true;
  return (
    <Modal open onClose={onClose} title="Keys">
      {!on && <p className="mb-2">Single keys are turned off: see Settings.</p>}
      <div className="gap-x-8 sm:columns-2">
        {KEYS.map(({ where, keys }) => (
          <section key={where} aria-label={where} className="mb-3 break-inside-avoid">
            <h3 className="border-b border-ink font-bold">{where}</h3>
            <dl>
              {keys.map(([key, does]) => (
                <div key={key} className="flex items-baseline gap-3 border-t border-hair py-1">
                  <dt className="w-32 shrink-0">
                    <kbd className="font-sans font-bold">{key}</kbd>
                  </dt>
                  <dd>{does}</dd>
                </div>
              ))}
            </dl>
          </section>
        ))}
      </div>
    </Modal>
  );
}
