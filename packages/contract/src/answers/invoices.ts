import { IsIn, IsInt, IsNumber, IsString, IsUUID, Matches, Min } from "class-validator";
import type { Invoice, InvoiceLine, InvoiceUnit } from "@dragonet/core";
import { IsListOf, IsMoment, IsNullable, IsObjectOf, IsShare } from "../fields.ts";
import { BillingRequest, PartyDto } from "../requests/invoices.ts";
import { TotalsAnswer } from "./offers.ts";

/** A day, ISO 8601. */
const DAY = /^\d{4}-\d{2}-\d{2}$/;

/** One line of an invoice: its sums in the smallest coin. */
export class InvoiceLineAnswer implements InvoiceLine {
  @IsString()
  readonly name!: string;

  @IsString()
  readonly note!: string;

  @IsNumber()
  readonly count!: number;

  @IsIn(["", "m", "min"])
  readonly unit!: InvoiceUnit;

  @IsInt()
  readonly eachMinor!: number;

  @IsInt()
  readonly netMinor!: number;
}

/** Who sells, and to which account it is paid. */
export class SellerAnswer extends PartyDto {
  @IsString()
  readonly iban!: string;

  @IsString()
  readonly untaxed!: string;
}

/** An invoice as it was sent. */
export class InvoiceAnswer implements Invoice {
  @IsString()
  readonly number!: string;

  @Matches(DAY)
  readonly issued!: string;

  @Matches(DAY)
  readonly due!: string;

  @IsObjectOf(() => SellerAnswer)
  readonly seller!: SellerAnswer;

  @IsObjectOf(() => PartyDto)
  readonly buyer!: PartyDto;

  /** Number of the invoice that it takes back; "" for none. */
  @IsString()
  readonly cancels!: string;

  @IsString()
  readonly title!: string;

  @IsString()
  readonly vehicle!: string;

  @IsString()
  readonly currency!: string;

  @IsShare()
  readonly taxShare!: number;

  @IsListOf(() => InvoiceLineAnswer)
  readonly lines!: readonly InvoiceLineAnswer[];

  @IsObjectOf(() => TotalsAnswer)
  readonly total!: TotalsAnswer;
}

/** An invoice as the shop keeps it. */
export class KeptInvoiceAnswer {
  @IsUUID()
  readonly id!: string;

  @IsNullable("string")
  @IsUUID()
  readonly jobId!: string | null;

  /** Of the job that it was made of. */
  @IsInt()
  @Min(1)
  readonly revision!: number;

  @IsString()
  readonly by!: string;

  @IsMoment()
  readonly at!: string;

  /** Number of the one that takes it back; "" while it stands. */
  @IsString()
  readonly cancelledBy!: string;

  @IsObjectOf(() => InvoiceAnswer)
  readonly invoice!: InvoiceAnswer;
}

/** What the shop's invoices say of it; null until an owner has said it. */
export class BillingAnswer {
  @IsNullable("object")
  @IsObjectOf(() => BillingRequest)
  readonly billing!: BillingRequest | null;
}

/** Invoices of a job, and what the next one begins with. */
export class JobInvoicesAnswer {
  @IsListOf(() => KeptInvoiceAnswer)
  readonly invoices!: readonly KeptInvoiceAnswer[];

  /** To whom the last invoice of this customer went; null where there was none. */
  @IsNullable("object")
  @IsObjectOf(() => PartyDto)
  readonly buyer!: PartyDto | null;

  /** What the shop's invoices say of it; null until an owner has said it. */
  @IsNullable("object")
  @IsObjectOf(() => BillingRequest)
  readonly billing!: BillingRequest | null;
}
