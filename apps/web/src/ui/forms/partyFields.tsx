import type { FieldErrors, Path, UseFormRegister } from "react-hook-form";
import type { Party } from "@dragonet/core";
import { FormField } from "./FormField.tsx";

type Address = Omit<Party, "name">;

interface AddressFieldsProps<F extends Address> {
  readonly register: UseFormRegister<F>;
  readonly errors: FieldErrors<Address>;
}

/** Where somebody lives or trades, as an invoice names it: fields of a form. */
export function AddressFields<F extends Address>({ register, errors }: AddressFieldsProps<F>) {
  const at = (name: keyof Address): Path<F> => name as unknown as Path<F>;
  return (
    <>
      <FormField
        label="Street"
        wrong={errors.street?.message}
        maxLength={200}
        {...register(at("street"))}
      />
      <div className="grid grid-cols-[6rem_1fr_5rem] gap-3 md:col-span-2">
        <FormField
          label="Postcode"
          wrong={errors.postcode?.message}
          maxLength={20}
          {...register(at("postcode"))}
        />
        <FormField
          label="Town"
          wrong={errors.city?.message}
          maxLength={100}
          {...register(at("city"))}
        />
        <FormField
          label="Country"
          wrong={errors.country?.message}
          placeholder="DE"
          maxLength={2}
          {...register(at("country"), { setValueAs: (said: string) => said.trim().toUpperCase() })}
        />
      </div>
      <FormField
        label="Tax number"
        wrong={errors.taxId?.message}
        maxLength={40}
        {...register(at("taxId"))}
      />
      <FormField
        label="E-mail"
        wrong={errors.email?.message}
        maxLength={200}
        {...register(at("email"))}
      />
    </>
  );
}
