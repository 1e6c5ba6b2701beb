import { useMutation, useQueryClient } from "@tanstack/react-query";
import { QRCodeSVG } from "qrcode.react";
import { useState } from "react";
import { useParams } from "react-router";
import { toast } from "sonner";
import { changedSince, moneyText } from "@dragonet/core";
import type { JobOfferAnswer, NewOfferAnswer } from "@dragonet/contract";
import { ask } from "../base/api.ts";
import { momentText } from "../base/moment.ts";
import { useCanEdit } from "../base/session.ts";
import { whenSaved } from "../job/papers/whenSaved.ts";
import { Button } from "../ui/Button.tsx";
import { Modal } from "../ui/page/Modal.tsx";
import { Section } from "../ui/page/Section.tsx";
import type { HandingOver } from "../worker/handingOver.ts";
import { linkOf, useOffers } from "./offers.ts";

const QR_PX = 220;

/** The link, told once: the shop keeps no copy that could be read. */
function LinkDialog({ token, onClose }: { token: string; onClose: () => void }) {
  const link = linkOf(token);
  const copy = (): void =>
    void navigator.clipboard.writeText(link).then(
      () => toast.success("Copied"),
      () => toast.error("This browser does not let it be copied: mark it and copy it by hand"),
    );
  return (
    <Modal
      open
      onClose={onClose}
      title="The customer’s link"
      about="Whoever has it can read this offer and accept it, and nothing else. It is shown this once: send it on now."
    >
      <div className="flex flex-wrap items-start gap-6">
        <div className="bg-white p-3">
          <QRCodeSVG value={link} size={QR_PX} title="The customer’s link as a code" />
        </div>
        <div className="min-w-0 flex-1">
          <p className="num break-all select-all">{link}</p>
          <Button look="main" className="mt-3" onClick={copy}>
            Copy the link
          </Button>
        </div>
      </div>
    </Modal>
  );
}

const STATE_WORDS: Readonly<Record<JobOfferAnswer["state"], string>> = {
  open: "waits for an answer",
  accepted: "accepted",
  revoked: "taken back",
  over: "over",
};

function OfferLine({
  jobId,
  made,
  one,
}: {
  jobId: string;
  made: HandingOver;
  one: JobOfferAnswer;
}) {
  const queries = useQueryClient();
  const canEdit = useCanEdit();
  const revoke = useMutation({
    mutationFn: () => ask(`jobs/${jobId}/offers/${one.id}/revoke`, "POST", {}),
    onSettled: () => queries.invalidateQueries({ queryKey: ["offers", jobId] }),
    onError: (error) => toast.error(error.message),
  });
  const chosen = one.offer.choices.find((c) => c.id === one.accepted?.choice);
  const changes = chosen ? changedSince(chosen, made.quote) : [];
  return (
    <li className="border-t border-hair py-2">
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <b>{STATE_WORDS[one.state]}</b>
        <span>
          made {momentText(new Date(one.at))} by {one.by}, from revision {one.revision}, holds until{" "}
          {one.offer.validUntil}
        </span>
        {one.accepted && chosen && (
          <span>
            {one.accepted.by} chose <b>{chosen.name}</b> for{" "}
            {moneyText(chosen.total.grossMinor, one.offer.currency)},{" "}
            {momentText(new Date(one.accepted.at))}
          </span>
        )}
        {canEdit && (one.state === "open" || one.state === "over") && (
          <Button look="quiet" disabled={revoke.isPending} onClick={() => revoke.mutate()}>
            Take it back
          </Button>
        )}
      </div>
      {changes.length > 0 && (
        <div className="mt-1">
          <p className="font-bold">Otherwise since: tell the customer</p>
          <ul className="list-disc pl-5">
            {changes.map((change) => (
              <li key={change}>{change}</li>
            ))}
          </ul>
        </div>
      )}
    </li>
  );
}

/** Offers that were made of this job, and the button that makes one of how it stands now. */
export function Offers({ made }: { made: HandingOver }) {
  const { jobId = "" } = useParams();
  const queries = useQueryClient();
  const canEdit = useCanEdit();
  const [token, setToken] = useState<string | null>(null);
  const { data, error } = useOffers(jobId);
  const make = useMutation({
    mutationFn: async () => {
      // What is offered is what the server has.
      await whenSaved();
      return ask<NewOfferAnswer>(`jobs/${jobId}/offers`, "POST", {});
    },
    onSuccess: (answer) => setToken(answer.token),
    onSettled: () => queries.invalidateQueries({ queryKey: ["offers", jobId] }),
    onError: (why) => toast.error(`No offer made: ${why.message}`),
  });
  return (
    <Section
      title="Offers"
      about="An offer is frozen as the job is saved when it is made; what changes after is told as a change."
      action={
        canEdit && (
          // Not disabled while it is made: the focus would be lost, and come back to nothing.
          <Button onClick={() => !make.isPending && make.mutate()}>Make an offer</Button>
        )
      }
    >
      {error && <p role="alert">{error.message}</p>}
      {data?.length === 0 && <p className="text-muted">None yet.</p>}
      <ul>
        {data?.map((one) => (
          <OfferLine key={one.id} {...{ jobId, made, one }} />
        ))}
      </ul>
      {token !== null && <LinkDialog token={token} onClose={() => setToken(null)} />}
    </Section>
  );
}
