import {
  IsArray,
  IsIn,
  IsInt,
  IsNumber,
  IsOptional,
  IsString,
  IsUUID,
  Matches,
  Min,
} from "class-validator";
import {
  LAMP_PLACES,
  LIGHT_COLOURS,
  LOAD_FAMILIES,
  VEHICLE_KINDS,
  type LampId,
  type LightColour,
  type LoadFamily,
  type Offer,
  type OfferChoice,
  type VehicleKind,
} from "@dragonet/core";
import { IsListOf, IsMoment, IsNullable, IsObjectOf, IsShare } from "../fields.ts";

/** What may have become of an offer: nothing yet, accepted, taken back, or past its day. */
export const OFFER_STATES = ["open", "accepted", "revoked", "over"] as const;
/** What has become of an offer. */
export type OfferState = (typeof OFFER_STATES)[number];

/** Sums of money, in the smallest coin. */
export class TotalsAnswer {
  @IsInt()
  readonly netMinor!: number;

  @IsInt()
  readonly taxMinor!: number;

  @IsInt()
  readonly grossMinor!: number;
}

/** Some of one part. */
export class OfferedPartAnswer {
  @IsString()
  readonly name!: string;

  @IsNumber()
  readonly count!: number;

  @IsString()
  readonly unit!: string;
}

/** One way to have the job done. */
export class OfferChoiceAnswer implements OfferChoice {
  /** "" for the plan itself. */
  @IsString()
  readonly id!: string;

  @IsString()
  readonly name!: string;

  @IsObjectOf(() => TotalsAnswer)
  readonly total!: TotalsAnswer;

  @IsInt()
  readonly lowMinor!: number;

  @IsInt()
  readonly highMinor!: number;

  @IsListOf(() => OfferedPartAnswer)
  readonly parts!: readonly OfferedPartAnswer[];

  @IsArray()
  @IsString({ each: true })
  readonly means!: readonly string[];
}

/** A lamp where it will sit. */
export class OfferedLampAnswer {
  @IsString()
  readonly lampId!: LampId;

  @IsString()
  readonly label!: string;

  @IsIn(LIGHT_COLOURS)
  readonly light!: LightColour;

  @IsIn(LOAD_FAMILIES)
  readonly family!: LoadFamily;

  @IsIn(LAMP_PLACES)
  readonly place!: (typeof LAMP_PLACES)[number];
}

/** What a picture of the vehicle shows. */
export class OfferPictureAnswer {
  @IsIn(VEHICLE_KINDS)
  readonly kind!: VehicleKind;

  @IsListOf(() => OfferedLampAnswer)
  readonly lamps!: readonly OfferedLampAnswer[];
}

/** What a customer is shown, frozen. */
export class OfferAnswer implements Offer {
  @IsString()
  readonly shop!: string;

  @IsString()
  readonly title!: string;

  @IsString()
  readonly customer!: string;

  @IsString()
  readonly vehicle!: string;

  /** ISO 4217. */
  @IsString()
  readonly currency!: string;

  @IsShare()
  readonly taxShare!: number;

  @Matches(/^\d{4}-\d{2}-\d{2}$/)
  readonly validUntil!: string;

  @IsArray()
  @IsString({ each: true })
  readonly work!: readonly string[];

  @IsListOf(() => OfferChoiceAnswer)
  readonly choices!: readonly OfferChoiceAnswer[];

  /** Lamps as planned; offers of earlier versions have none. */
  @IsOptional()
  @IsObjectOf(() => OfferPictureAnswer)
  readonly shown?: OfferPictureAnswer;
}

/** Who took an offer, when, and which choice of it. */
export class AcceptedAnswer {
  @IsString()
  readonly by!: string;

  @IsMoment()
  readonly at!: string;

  /** Id of an option; "" for the plan itself. */
  @IsString()
  readonly choice!: string;
}

/** An offer as its customer sees it: the frozen value, and how it stands. */
export class CustomerOfferAnswer {
  @IsObjectOf(() => OfferAnswer)
  readonly offer!: Offer;

  @IsIn(OFFER_STATES)
  readonly state!: OfferState;

  @IsNullable("object")
  @IsObjectOf(() => AcceptedAnswer)
  readonly accepted!: AcceptedAnswer | null;
}

/** An offer as the shop sees it. */
export class JobOfferAnswer extends CustomerOfferAnswer {
  @IsUUID()
  readonly id!: string;

  /** Revision of the job that it was made of. */
  @IsInt()
  @Min(1)
  readonly revision!: number;

  @IsString()
  readonly by!: string;

  @IsMoment()
  readonly at!: string;
}

/** A new offer, and the only time that its link is told. */
export class NewOfferAnswer extends JobOfferAnswer {
  @IsString()
  readonly token!: string;
}
