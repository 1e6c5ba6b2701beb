import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useForm } from "react-hook-form";
import { useParams } from "react-router";
import {
  decimal,
  moneyText,
  usualSize,
  type Mount,
  type Offer,
  type OfferChoice,
} from "@dragonet/core";
import type { CustomerOfferAnswer } from "@dragonet/contract";
import { ask } from "../base/api.ts";
import { VehicleViews } from "../bench/VehicleViews.tsx";
import { Button } from "../ui/Button.tsx";
import { FormField } from "../ui/forms/FormField.tsx";
import { Loading, Trouble } from "../ui/page/states.tsx";
import { useTitle } from "../ui/page/useTitle.ts";

/** An offer tells which lamps, not where the tape has them. */
const NO_MOUNTS: readonly Mount[] = [];

const letterOf = (i: number): string => String.fromCharCode("A".charCodeAt(0) + i);

interface ChoiceCardProps {
  readonly offer: Offer;
  readonly choice: OfferChoice;
  readonly letter: string;
  readonly chosen: boolean;
  /** null where nothing is to be chosen any more. */
  readonly onChoose: (() => void) | null;
}

/** One way to have it done, with what it costs and means; the whole of it can be pressed. */
function ChoiceCard({ offer, choice, letter, chosen, onChoose }: ChoiceCardProps) {
  const money = (minor: number): string => moneyText(minor, offer.currency);
  const { netMinor, taxMinor, grossMinor } = choice.total;
  return (
    <label
      className={`flex gap-3 border p-3 ${chosen ? "border-2 border-accent" : "border-hair"} rounded-control`}
    >
      {onChoose && offer.choices.length > 1 && (
        <input
          type="radio"
          name="choice"
          className="mt-1 size-5"
          checked={chosen}
          onChange={onChoose}
        />
      )}
      <span className="min-w-0 flex-1">
        <span className="flex flex-wrap items-baseline justify-between gap-x-4">
          <b>
            {offer.choices.length > 1 && `${letter}  `}
            {choice.name}
          </b>
          <b className="num text-lead whitespace-nowrap">{money(grossMinor)}</b>
        </span>
        <span className="block text-muted">
          {money(netMinor)} and {decimal(100 * offer.taxShare)} % tax, {money(taxMinor)}. By how
          long the work takes, {money(choice.lowMinor)} to {money(choice.highMinor)}.
        </span>
        {choice.means.length > 0 && <span className="block">{choice.means.join("; ")}.</span>}
      </span>
    </label>
  );
}

/** The customer's word: one choice and a name. */
function Accept({ token, choice, name: chosen }: { token: string; choice: string; name: string }) {
  const queries = useQueryClient();
  const { register, handleSubmit, formState } = useForm({ defaultValues: { name: "" } });
  const accept = useMutation({
    mutationFn: ({ name }: { name: string }) =>
      ask<CustomerOfferAnswer>(`offers/${token}/accept`, "POST", { choice, name }),
    onSettled: () => queries.invalidateQueries({ queryKey: ["offer", token] }),
  });
  const submit = handleSubmit((said) => accept.mutate(said));
  return (
    <form noValidate className="mt-4 flex flex-col gap-3" onSubmit={(e) => void submit(e)}>
      <FormField
        label="Your name, as you sign"
        maxLength={120}
        autoComplete="name"
        enterKeyHint="done"
        wrong={formState.errors.name?.message}
        {...register("name", {
          validate: (text) => text.trim() !== "" || "Write your name: it says who accepted",
        })}
      />
      {accept.error && (
        <p role="alert" className="font-bold">
          {accept.error.message}
        </p>
      )}
      <Button look="main" type="submit" className="min-h-12" disabled={accept.isPending}>
        Accept: {chosen}
      </Button>
    </form>
  );
}

const CLOSED_WORDS = {
  revoked: "The shop has taken this offer back. Ask for a new one.",
  over: "This offer is over. Ask the shop for a new one.",
} as const;

/** What a customer sees by a link: what will be done, what it costs, and one thing to say. */
export function CustomerPage() {
  const { token = "" } = useParams();
  const { data, error, refetch } = useQuery({
    queryKey: ["offer", token],
    queryFn: () => ask<CustomerOfferAnswer>(`offers/${encodeURIComponent(token)}`),
    retry: false,
  });
  const [picked, setPicked] = useState("");
  useTitle(data ? `${data.offer.title}: quote` : "Quote");
  if (error) return <Trouble error={error} onRetry={() => void refetch()} />;
  if (!data) return <Loading what="the offer" />;
  const { offer, state, accepted } = data;
  const chosen = accepted?.choice ?? picked;
  const choice = offer.choices.find((c) => c.id === chosen) ?? offer.choices[0];
  return (
    <main className="mx-auto w-full max-w-2xl p-4">
      <p className="font-bold">{offer.shop}</p>
      <h1 className="mt-1 text-2xl leading-tight">{offer.title}</h1>
      <p className="text-muted">
        {[offer.vehicle, offer.customer].filter((t) => t !== "").join(" · ")}
      </p>
      <h2 className="mt-4 text-lead">What will be done</h2>
      <ul className="list-disc pl-5">
        {offer.work.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
      {offer.shown && offer.shown.lamps.length > 0 && (
        <figure className="mt-3">
          <VehicleViews
            kind={offer.shown.kind}
            size={usualSize(offer.shown.kind)}
            mounts={NO_MOUNTS}
            lamps={offer.shown.lamps.map((lamp) => ({ ...lamp, level: 1 }))}
          />
          <figcaption className="text-small text-muted">
            Where the lamps go, as planned; not to scale.
          </figcaption>
        </figure>
      )}
      <h2 className="mt-4 mb-1 text-lead">
        {offer.choices.length > 1 ? "What it costs: choose one" : "What it costs"}
      </h2>
      <div className="flex flex-col gap-2" role="radiogroup" aria-label="Options">
        {offer.choices.map((c, i) => (
          <ChoiceCard
            key={c.id}
            {...{ offer, choice: c, letter: letterOf(i) }}
            chosen={c.id === chosen}
            onChoose={state === "open" ? () => setPicked(c.id) : null}
          />
        ))}
      </div>
      {accepted && (
        <p role="status" className="mt-4 border-l-2 border-accent py-2 pl-4">
          <b>{accepted.by}</b> accepted {choice?.name} on {accepted.at.slice(0, 10)}. The shop
          knows.
        </p>
      )}
      {(state === "revoked" || state === "over") && (
        <p role="status" className="mt-4 border-l-2 border-ink py-2 pl-4 font-bold">
          {CLOSED_WORDS[state]}
        </p>
      )}
      {state === "open" && choice && (
        <>
          <p className="mt-3">This offer holds until {offer.validUntil}.</p>
          <Accept token={token} choice={choice.id} name={choice.name} />
        </>
      )}
      <p className="mt-6">
        <a className="touch text-accent" href={`/api/offers/${token}/quote.pdf`}>
          The quote on paper (PDF)
        </a>
      </p>
    </main>
  );
}
