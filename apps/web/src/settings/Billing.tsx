import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useForm } from "react-hook-form";
import { toast } from "sonner";
import type { Billing as BillingFacts } from "@dragonet/core";
import type { BillingAnswer } from "@dragonet/contract";
import { ask } from "../base/api.ts";
import { Button } from "../ui/Button.tsx";
import { FormField } from "../ui/forms/FormField.tsx";
import { AddressFields } from "../ui/forms/partyFields.tsx";
import { refusedFields } from "../ui/forms/refusedFields.ts";
import { Section } from "../ui/page/Section.tsx";
import { Loading, Trouble } from "../ui/page/states.tsx";

const UNSAID: BillingFacts = {
  ...{ street: "", postcode: "", city: "", country: "", taxId: "", email: "" },
  ...{ iban: "", dueDays: 14, untaxed: "" },
};

function BillingForm({ before }: { before: BillingFacts | null }) {
  const queries = useQueryClient();
  const { register, handleSubmit, setError, formState } = useForm<BillingFacts>({
    defaultValues: before ?? UNSAID,
  });
  const { errors } = formState;
  const save = useMutation({
    mutationFn: (said: BillingFacts) => ask("invoices/billing", "PUT", said),
    onSuccess: async () => {
      toast.success("Saved");
      await queries.invalidateQueries({ queryKey: ["billing"] });
    },
    onError: (error) => refusedFields(error, setError),
  });
  return (
    <form
      noValidate
      className="grid max-w-3xl gap-4 md:grid-cols-2"
      onSubmit={(e) => void handleSubmit((said) => save.mutate(said))(e)}
    >
      <AddressFields register={register} errors={errors} />
      <FormField
        label="Account (IBAN)"
        wrong={errors.iban?.message}
        maxLength={50}
        {...register("iban")}
      />
      <FormField
        label="Days to pay in"
        type="number"
        wrong={errors.dueDays?.message}
        {...register("dueDays", { valueAsNumber: true })}
      />
      <FormField
        label="Why no tax, where none is asked"
        hint="Only where the tax above is 0 %: law wants the reason on the paper."
        wrong={errors.untaxed?.message}
        maxLength={300}
        {...register("untaxed")}
      />
      {save.error && (
        <p role="alert" className="font-bold md:col-span-2">
          {save.error.message}
        </p>
      )}
      <div className="md:col-span-2">
        <Button type="submit" disabled={save.isPending}>
          Save for invoices
        </Button>
      </div>
    </form>
  );
}

/** What the shop's invoices say of it, and the year's invoices as a table. */
export function Billing() {
  const { data, error } = useQuery({
    queryKey: ["billing"],
    queryFn: () => ask<BillingAnswer>("invoices/billing"),
  });
  const year = new Date().getFullYear();
  return (
    <Section
      title="Invoices"
      about="The shop’s address, tax number and account, as invoices name them. What a tax number is called and which words law wants differ by country: ask whoever does the books."
    >
      {error && <Trouble error={error} />}
      {!data && !error && <Loading what="what invoices say" />}
      {data && <BillingForm before={data.billing} />}
      <p className="mt-3 flex flex-wrap gap-4">
        {[year, year - 1].map((one) => (
          <a
            key={one}
            className="touch inline-flex items-center text-accent underline"
            href={`/api/invoices/${one}/file`}
            download
          >
            Invoices of {one} as CSV
          </a>
        ))}
      </p>
    </Section>
  );
}
