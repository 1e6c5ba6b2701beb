import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useParams } from "react-router";
import { toast } from "sonner";
import { moneyText } from "@dragonet/core";
import type { JobInvoicesAnswer, KeptInvoiceAnswer } from "@dragonet/contract";
import { ask } from "../base/api.ts";
import { askOrLast } from "../base/lastAnswers.ts";
import { dayText } from "../base/moment.ts";
import { useCanEdit, useCurrentUser } from "../base/session.ts";
import { Button } from "../ui/Button.tsx";
import { Section } from "../ui/page/Section.tsx";
import { InvoiceDialog } from "./InvoiceDialog.tsx";
import { useOffers } from "./offers.ts";

const LINK = "touch inline-flex items-center text-accent underline";

function InvoiceLine({ jobId, kept }: { jobId: string; kept: KeptInvoiceAnswer }) {
  const { id, by, cancelledBy, invoice } = kept;
  const queries = useQueryClient();
  const canEdit = useCanEdit();
  const cancel = useMutation({
    mutationFn: () => ask(`jobs/${jobId}/invoices/${id}/cancel`, "POST", {}),
    onSettled: () => queries.invalidateQueries({ queryKey: ["invoices", jobId] }),
    onError: (error) => toast.error(error.message),
  });
  const file = `/api/jobs/${jobId}/invoices/${id}/invoice`;
  return (
    <li className="flex flex-wrap items-baseline gap-x-4 gap-y-1 border-t border-hair py-2">
      <b className="num">{invoice.number}</b>
      <span className="num">{moneyText(invoice.total.grossMinor, invoice.currency)}</span>
      <span>
        {invoice.cancels === ""
          ? `to ${invoice.buyer.name}, due ${dayText(new Date(`${invoice.due}T12:00:00`))}`
          : `takes back ${invoice.cancels}`}
        , by {by}
      </span>
      {cancelledBy !== "" && <b>taken back by {cancelledBy}</b>}
      <a className={LINK} href={`${file}.pdf`} target="_blank" rel="noreferrer">
        PDF
      </a>
      <a className={LINK} href={`${file}.xml`} download>
        UBL
      </a>
      {canEdit && invoice.cancels === "" && cancelledBy === "" && (
        <Button
          look="quiet"
          aria-label={`Take back ${invoice.number}`}
          disabled={cancel.isPending}
          onClick={() => cancel.mutate()}
        >
          Take it back
        </Button>
      )}
    </li>
  );
}

/** Invoices of this job: on paper, as other programs read them, and the button that makes one. */
export function Invoices() {
  const { jobId = "" } = useParams();
  const canEdit = useCanEdit();
  const { role } = useCurrentUser();
  const [asking, setAsking] = useState(false);
  const { data, error } = useQuery({
    queryKey: ["invoices", jobId],
    queryFn: () => askOrLast<JobInvoicesAnswer>(`jobs/${jobId}/invoices`),
  });
  const { data: offers } = useOffers(jobId);
  const accepted = (offers ?? []).some(({ state }) => state === "accepted");
  return (
    <Section
      title="Invoices"
      about="Numbered without a gap and never changed; each as PDF and as an electronic invoice (UBL 2.1, EN 16931)."
      action={
        canEdit && data?.billing && <Button onClick={() => setAsking(true)}>Make an invoice</Button>
      }
    >
      {error && <p role="alert">{error.message}</p>}
      {data && !data.billing && (
        <p className="text-muted">
          {role === "owner" ? (
            <>
              First say in{" "}
              <Link to="/settings" className={LINK}>
                Settings
              </Link>{" "}
              what your invoices say of the shop.
            </>
          ) : (
            "An owner first says in Settings what invoices say of the shop."
          )}
        </p>
      )}
      {data?.billing && data.invoices.length === 0 && <p className="text-muted">None yet.</p>}
      <ul>
        {data?.invoices.map((kept) => (
          <InvoiceLine key={kept.id} {...{ jobId, kept }} />
        ))}
      </ul>
      {asking && data && (
        <InvoiceDialog
          {...{ jobId, buyer: data.buyer, accepted, country: data.billing?.country ?? "" }}
          onClose={() => setAsking(false)}
        />
      )}
    </Section>
  );
}
