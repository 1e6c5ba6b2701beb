import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useForm } from "react-hook-form";
import { toast } from "sonner";
import type { Party } from "@dragonet/core";
import type { BilledBy, KeptInvoiceAnswer } from "@dragonet/contract";
import { ApiError, ask } from "../base/api.ts";
import { useJob } from "../job/store/jobStore.ts";
import { whenSaved } from "../job/papers/whenSaved.ts";
import { Button } from "../ui/Button.tsx";
import { FormField } from "../ui/forms/FormField.tsx";
import { PickField } from "../ui/forms/controlled.tsx";
import { AddressFields } from "../ui/forms/partyFields.tsx";
import { refusedFields } from "../ui/forms/refusedFields.ts";
import { Modal } from "../ui/page/Modal.tsx";
import { FaultList } from "../ui/page/states.tsx";

type Asked = Party & { readonly by: BilledBy };

interface InvoiceDialogProps {
  readonly jobId: string;
  /** To whom the customer's last invoice went. */
  readonly buyer: Party | null;
  /** The shop's own country: most customers are of it. */
  readonly country: string;
  readonly accepted: boolean;
  readonly onClose: () => void;
}

/** Who is billed, and by what: the address is remembered for the next time. */
export function InvoiceDialog({ jobId, buyer, country, accepted, onClose }: InvoiceDialogProps) {
  const { card, worked } = useJob();
  const queries = useQueryClient();
  const { register, control, handleSubmit, setError, formState } = useForm<Asked>({
    defaultValues: {
      ...{ name: card.customer, street: "", postcode: "", city: "", country, taxId: "", email: "" },
      ...buyer,
      by: accepted ? "accepted" : worked.length > 0 ? "taken" : "planned",
    },
  });
  const make = useMutation({
    mutationFn: async ({ by, ...party }: Asked) => {
      // What is billed is what the server has.
      await whenSaved();
      return ask<KeptInvoiceAnswer>(`jobs/${jobId}/invoices`, "POST", { by, buyer: party });
    },
    onSuccess: async ({ invoice }) => {
      toast.success(`Invoice ${invoice.number} is made`);
      await queries.invalidateQueries({ queryKey: ["invoices", jobId] });
      onClose();
    },
    onError: (error) => refusedFields(error, setError, "buyer."),
  });
  const ways = [
    ...(accepted ? [{ value: "accepted", label: "as the customer accepted" }] : []),
    { value: "planned", label: "parts, and work as planned" },
    ...(worked.length > 0 ? [{ value: "taken", label: "parts, and work as taken" }] : []),
  ];
  const { errors } = formState;
  return (
    <Modal
      open
      onClose={onClose}
      title="Make an invoice"
      about="It gets the next number and is never changed again; what is wrong is taken back by another one."
    >
      <form
        noValidate
        className="grid gap-4 md:grid-cols-2"
        onSubmit={(e) => void handleSubmit((asked) => make.mutate(asked))(e)}
      >
        <FormField
          label="Name"
          wrong={errors.name?.message}
          maxLength={200}
          {...register("name")}
        />
        <AddressFields register={register} errors={errors} />
        <div className="flex flex-col gap-1">
          <span className="font-bold">Billed by</span>
          <PickField {...{ control, name: "by", label: "Billed by", options: ways }} />
        </div>
        {make.error && (
          <div role="alert" className="font-bold md:col-span-2">
            {make.error.message}
            {make.error instanceof ApiError && <FaultList error={make.error} />}
          </div>
        )}
        <div className="md:col-span-2">
          <Button look="main" type="submit" disabled={make.isPending}>
            Make the invoice
          </Button>
        </div>
      </form>
    </Modal>
  );
}
