import { applyDecorators } from "./applyDecorators.ts";
import { Type } from "class-transformer";
import {
  ArrayMaxSize,
  IsArray,
  IsObject,
  IsNumber,
  IsString,
  Matches,
  Max,
  MaxLength,
  Min,
  ValidateBy,
  ValidateIf,
  ValidateNested,
} from "class-validator";
import { JSONSchema } from "class-validator-jsonschema";
import { ID_PATTERN } from "@dragonet/core";
import { BoundedValueDto } from "./boundedValue.ts";

/** A wire or a terminal of the circuit: "pods.load", "pods_relay.87". */
export const CIRCUIT_ID = /^([A-Za-z0-9_.-]{1,200})?$/;

type Newable = new () => object;

/** A fact with value, bounds and provenance. */
export const IsFact = (): PropertyDecorator =>
  applyDecorators(
    IsObject({ message: "needs an object" }),
    ValidateNested(),
    Type(() => BoundedValueDto),
  );

/** An id of an entry in the document. */
export const IsId = ({ each = false } = {}): PropertyDecorator =>
  applyDecorators(
    IsString({ each }),
    Matches(ID_PATTERN, {
      each,
      message: "$property must be letters, digits, - and _, 64 at most",
    }),
  );

/** An id of another entry, or empty where none is meant. */
export const IsRef = (what: string): PropertyDecorator =>
  applyDecorators(
    IsString(),
    Matches(/^([A-Za-z0-9][A-Za-z0-9_-]{0,63})?$/, {
      message: `$property must be the id of ${what}, or empty`,
    }),
  );

/** What follows is checked unless the value is null. A missing value is still a fault. */
export const IsNullable = (type: "string" | "object" | "integer" | "number"): PropertyDecorator =>
  applyDecorators(
    ValidateIf((_, value) => value !== null),
    JSONSchema({ type: [type, "null"] as never }) as PropertyDecorator,
  );

/** A line or two of text. */
export const IsText = (longest = 500): PropertyDecorator =>
  applyDecorators(IsString(), MaxLength(longest));

/** A share of time or charge, 0–1. */
export const IsShare = (): PropertyDecorator => applyDecorators(IsNumber(), Min(0), Max(1));

export const IsAmount = (least = 0, most = 1e6): PropertyDecorator =>
  applyDecorators(IsNumber(), Min(least), Max(most));

/** Numbers, looked at as one list: a lamp's light has thousands, and each by itself takes longer than all together. */
export const AreNumbers = (least?: number): PropertyDecorator => {
  const isWrong = (n: unknown): boolean =>
    typeof n !== "number" || !Number.isFinite(n) || (least !== undefined && n < least);
  const needs = least === undefined ? "numbers" : `numbers of at least ${least}`;
  return applyDecorators(
    ValidateBy({
      name: "areNumbers",
      validator: {
        validate: (list: unknown) => Array.isArray(list) && !list.some(isWrong),
        defaultMessage: (args) => {
          const list: unknown = args?.value;
          if (!Array.isArray(list)) return `needs ${needs}`;
          const at = list.findIndex(isWrong);
          return `entry ${at + 1} is ${JSON.stringify(list[at])}; needs ${needs}`;
        },
      },
    }),
    JSONSchema({
      type: "array",
      items: { type: "number", ...(least !== undefined && { minimum: least }) },
    }) as PropertyDecorator,
  );
};

/** A moment, ISO 8601 with its offset. */
export const IsMoment = (): PropertyDecorator =>
  Matches(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}(:\d{2}(\.\d+)?)?(Z|[+-]\d{2}:\d{2})$/, {
    message: "$property must be a moment (ISO 8601)",
  });

/** A nested object of one class. */
export const IsObjectOf = (type: () => Newable): PropertyDecorator =>
  applyDecorators(IsObject({ message: "needs an object" }), ValidateNested(), Type(type));

/** A list of objects of one class; what the server itself answers has no bound. */
export const IsListOf = (type: () => Newable, most?: number): PropertyDecorator =>
  applyDecorators(
    IsArray(),
    ...(most === undefined ? [] : [ArrayMaxSize(most)]),
    IsObject({ each: true, message: "needs objects" }),
    ValidateNested({ each: true }),
    Type(type),
  );

/** An object whose class is told by its `kind`. `base` catches kinds that do not exist. */
export const IsKindOf = (
  base: () => Newable,
  subTypes: readonly { readonly name: string; readonly value: Newable }[],
): PropertyDecorator =>
  applyDecorators(
    IsObject({ message: "needs an object" }),
    ValidateNested(),
    Type(base, {
      discriminator: { property: "kind", subTypes: [...subTypes] },
      keepDiscriminatorProperty: true,
    }),
  );

/** A list of such objects. */
export const IsListOfKinds = (
  base: () => Newable,
  subTypes: readonly { readonly name: string; readonly value: Newable }[],
  most: number,
): PropertyDecorator =>
  applyDecorators(
    IsArray(),
    ArrayMaxSize(most),
    IsObject({ each: true, message: "needs objects" }),
    ValidateNested({ each: true }),
    Type(base, {
      discriminator: { property: "kind", subTypes: [...subTypes] },
      keepDiscriminatorProperty: true,
    }),
  );
