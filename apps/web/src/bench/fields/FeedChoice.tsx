import type { Feed, Job, SupplyId } from "@dragonet/core";
import { asId } from "@dragonet/core";
import { Choice } from "../../ui/forms/Choice.tsx";

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

interface FeedOption {
  readonly feed: Feed;
  readonly label: string;
}

/** Everything on this vehicle that something may be fed from, in the words of the job. */
function feedsOf(job: Job, without: string | null): FeedOption[] {
  const { system, pins } = job.vehicle;
  const blocks = system.kind === "engine" ? 0 : system.pack.blocks;
  return [
    ...(system.kind === "pack" ? [] : [{ feed: { kind: "battery" as const }, label: "battery +" }]),
    ...job.supplies
      .filter((s) => s.id !== without)
      .map((s): FeedOption => ({
        feed: { kind: "supply", supplyId: asId<SupplyId>(s.id) },
        label: s.name,
      })),
    ...(system.kind === "engine" ? [] : [{ feed: { kind: "pack" as const }, label: "whole pack" }]),
    ...Array.from({ length: Math.max(0, blocks - 1) }, (_, i): FeedOption => ({
      feed: { kind: "block", blocks: i + 1 },
      label: `tap at ${i + 1} of ${blocks} blocks`,
    })),
    ...pins
      .filter((p) => p.family !== "ground" && p.liveWhen !== "ground" && p.mayGiveA.high > 0)
      .map((p): FeedOption => ({ feed: { kind: "pin", pinId: p.id }, label: p.carries })),
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
