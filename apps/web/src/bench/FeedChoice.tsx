import type { Feed, Job, SupplyId } from "@dragonet/core";
import { asId } from "@dragonet/core";
import { Choice } from "../ui/Choice.tsx";

const keyOf = (feed: Feed): string => {
  switch (feed.kind) {
    case "pin":
      return `pin ${feed.pinId}`;
    case "supply":
      return `supply ${feed.supplyId}`;
    case "block":
      return `block ${feed.blocks}`;
    default:
      return feed.kind;
  }
};

/** Everything on this vehicle that something may be fed from, in the words of the job. */
function feedsOf(job: Job, without: string | null): { feed: Feed; label: string }[] {
  const { system, pins } = job.vehicle;
  const blocks = system.kind === "engine" ? 0 : system.pack.blocks;
  return [
    ...(system.kind === "pack" ? [] : [{ feed: { kind: "battery" } as Feed, label: "battery +" }]),
    ...job.supplies
      .filter((s) => s.id !== without)
      .map((s) => ({
        feed: { kind: "supply", supplyId: asId<SupplyId>(s.id) } as Feed,
        label: s.name,
      })),
    ...(system.kind === "engine" ? [] : [{ feed: { kind: "pack" } as Feed, label: "whole pack" }]),
    ...Array.from({ length: Math.max(0, blocks - 1) }, (_, i) => ({
      feed: { kind: "block", blocks: i + 1 } as Feed,
      label: `tap at ${i + 1} of ${blocks} blocks`,
    })),
    ...pins
      .filter((p) => p.family !== "ground" && p.liveWhen !== "ground" && p.mayGiveA.high > 0)
      .map((p) => ({ feed: { kind: "pin", pinId: p.id } as Feed, label: p.carries })),
  ];
}

interface FeedChoiceProps {
  readonly job: Job;
  readonly feed: Feed;
  readonly onChange: (feed: Feed) => void;
  readonly label?: string;
  readonly disabled?: boolean;
  /** The supply that is being fed: it cannot feed itself. */
  readonly without?: string | null;
}

export function FeedChoice({
  job,
  feed,
  onChange,
  label = "Fed from",
  disabled = false,
  without = null,
}: FeedChoiceProps) {
  const feeds = feedsOf(job, without);
  return (
    <Choice
      label={label}
      value={keyOf(feed)}
      disabled={disabled}
      className="w-56"
      options={feeds.map((f) => ({ value: keyOf(f.feed), label: f.label }))}
      onChange={(key) => {
        const chosen = feeds.find((f) => keyOf(f.feed) === key);
        if (chosen) onChange(chosen.feed);
      }}
    />
  );
}
