import {
  IsEmail,
  IsIBAN,
  IsIn,
  IsInt,
  IsISO31661Alpha2,
  Max,
  Min,
  MinLength,
  ValidateIf,
} from "class-validator";
import { JSONSchema } from "class-validator-jsonschema";
import type { Billing, Party } from "@dragonet/core";
import { applyDecorators } from "../applyDecorators.ts";
import { IsObjectOf, IsText } from "../fields.ts";

/** How work is billed: as the customer agreed, as it was planned, or as it was written down at the lift. */
export const BILLED_BY = ["accepted", "planned", "taken"] as const;
/** What an invoice is made of: the offer that was accepted, the plan, or the time at the lift. */
export type BilledBy = (typeof BILLED_BY)[number];

/** Text that may not be empty. */
const IsSaid = (longest: number): PropertyDecorator =>
  applyDecorators(
    IsText(longest),
    MinLength(1, { message: "$property must be said: an invoice has to name it" }),
  );

const IsCountry = (): PropertyDecorator =>
  IsISO31661Alpha2({ message: "$property must be two letters (ISO 3166-1), such as DE" });

/** What follows is checked unless nothing is said. */
const UnlessEmpty = (): PropertyDecorator => ValidateIf((_, value) => value !== "");

const IsAddress = (): PropertyDecorator =>
  applyDecorators(
    UnlessEmpty(),
    IsText(200),
    // An empty one is none, which the schema's own format of an address does not know.
    JSONSchema(({ format: _, ...rest }) => rest) as PropertyDecorator,
    IsEmail({}, { message: "$property must be an e-mail address, or empty" }),
  );

/** Whoever is billed. */
export class PartyDto implements Party {
  @IsSaid(200)
  name!: string;

  @IsText(200)
  street!: string;

  @IsText(20)
  postcode!: string;

  @IsText(100)
  city!: string;

  @IsCountry()
  country!: string;

  @IsText(40)
  taxId!: string;

  @IsAddress()
  email!: string;
}

/** What the shop's invoices say of it. */
export class BillingRequest implements Billing {
  @IsSaid(200)
  street!: string;

  @IsText(20)
  postcode!: string;

  @IsSaid(100)
  city!: string;

  @IsCountry()
  country!: string;

  @IsText(40)
  taxId!: string;

  @IsAddress()
  email!: string;

  @UnlessEmpty()
  @IsIBAN(undefined, {
    message:
      "$property must be an account number whose check digits are right (ISO 13616), or empty",
  })
  iban!: string;

  @IsInt()
  @Min(0)
  @Max(365)
  dueDays!: number;

  @IsText(300)
  untaxed!: string;
}

/** An invoice that is to be made of a job. */
export class NewInvoiceRequest {
  @IsIn(BILLED_BY)
  by!: BilledBy;

  @IsObjectOf(() => PartyDto)
  buyer!: PartyDto;
}
