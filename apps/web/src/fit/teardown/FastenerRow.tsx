import { Minus, Plus } from "lucide-react";
import {
  DRIVES,
  LOCKERS,
  driveText,
  fastenerText,
  setIn,
  type Edit,
  type Fastener,
  type Spot,
} from "@dragonet/core";
import { useEdit } from "../../job/store/jobStore.ts";
import { Button } from "../../ui/Button.tsx";
import { Choice } from "../../ui/forms/Choice.tsx";
import { RemoveButton } from "../../ui/RemoveButton.tsx";
import { NumberInput } from "../../ui/forms/number/NumberInput.tsx";
import { TextInput } from "../../ui/forms/TextInput.tsx";

/** Counts pieces back in with a thumb. */
export function BackCount({ fastener }: { fastener: Fastener }) {
  const edit = useEdit();
  const set = (back: number): void => edit([setIn("fastener", fastener.id, "back", back)]);
  const name = fastenerText(fastener);
  return (
    <span className="inline-flex items-center gap-1">
      <Button
        aria-label={`One fewer back: ${name}`}
        disabled={fastener.back === 0}
        onClick={() => set(fastener.back - 1)}
      >
        <Minus size={14} aria-hidden />
      </Button>
      <span className="num w-12 text-center font-bold">
        {fastener.back} / {fastener.count}
      </span>
      <Button
        aria-label={`One more back: ${name}`}
        disabled={fastener.back === fastener.count}
        onClick={() => set(fastener.back + 1)}
      >
        <Plus size={14} aria-hidden />
      </Button>
      <Button
        look="quiet"
        disabled={fastener.back === fastener.count}
        onClick={() => set(fastener.count)}
      >
        All
      </Button>
    </span>
  );
}

/** Pieces of one kind that one panel has at most. */
export const MOST_PIECES = 99;

/** As many pieces as there are spots: fewer spots before fewer pieces, more pieces before more spots, so that each step is whole. */
export function recounted(fastener: Fastener, spots: readonly Spot[]): Edit[] {
  const set = <F extends keyof Fastener>(field: F, value: Fastener[F]): Edit =>
    setIn("fastener", fastener.id, field, value);
  const count = spots.length;
  return count < fastener.count
    ? [set("back", Math.min(fastener.back, count)), set("spots", spots), set("count", count)]
    : [set("count", count), set("spots", spots)];
}

/** Fasteners of one kind, as they are written down on the way off. */
export function FastenerRow({ fastener, letter }: { fastener: Fastener; letter: string }) {
  const edit = useEdit();
  const set = <F extends keyof Fastener>(field: F, value: Fastener[F]): Edit =>
    setIn("fastener", fastener.id, field, value);
  const recount = (count: number): void => {
    const spots = Array.from(
      { length: count },
      (_, i) => fastener.spots[i] ?? { x: (i + 1) / (count + 1), y: 0.5 },
    );
    edit(recounted(fastener, spots));
  };
  return (
    <li className="flex flex-wrap items-center gap-x-2 gap-y-1 border-t border-hair py-1">
      <span className="w-4 text-center font-bold" aria-hidden>
        {letter}
      </span>
      <NumberInput
        label="How many"
        value={fastener.count}
        min={1}
        max={MOST_PIECES}
        className="w-12"
        onCommit={recount}
      />
      <Choice
        label="Drive"
        value={fastener.drive}
        className="w-32"
        options={DRIVES.map((value) => ({ value, label: driveText(value) }))}
        onChange={(value) => edit([set("drive", value)])}
      />
      <TextInput
        label="Size"
        value={fastener.size}
        placeholder="M6"
        className="w-20"
        maxLength={40}
        onCommit={(value) => edit([set("size", value)])}
      />
      <NumberInput
        label="Length"
        unit="mm"
        metric={/^M\d/.test(fastener.size)}
        value={fastener.lengthMm}
        max={1000}
        className="w-14"
        onCommit={(value) => edit([set("lengthMm", value)])}
      />
      <TextInput
        label="Where it sits"
        value={fastener.where}
        placeholder="where"
        className="w-28"
        maxLength={120}
        onCommit={(value) => edit([set("where", value)])}
      />
      <NumberInput
        label="Torque, 0 for snug and a quarter turn"
        unit="N·m"
        value={fastener.torqueNm}
        max={500}
        className="w-14"
        onCommit={(value) => edit([set("torqueNm", value)])}
      />
      <Choice
        label="Thread"
        value={fastener.locker}
        className="w-40"
        options={LOCKERS.map((value) => ({
          value,
          label: value === "none" ? "dry" : value === "grease" ? "greased" : `${value} locker`,
        }))}
        onChange={(value) => edit([set("locker", value)])}
      />
      <RemoveButton
        what={fastenerText(fastener)}
        onClick={() => edit([{ kind: "remove", entity: "fastener", id: fastener.id }])}
      />
    </li>
  );
}
