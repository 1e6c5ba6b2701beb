import { ValidateBy, type ValidationOptions } from "class-validator";
import { INPUTS } from "@dragonet/core";

const MOST_GROUPS = 8;
const MOST_TERMS = 12;

function isTerm(value: unknown): boolean {
  if (typeof value !== "object" || value === null) return false;
  const { input, negated, ...rest } = value as Record<string, unknown>;
  return (
    INPUTS.some((known) => known === input) &&
    typeof negated === "boolean" &&
    Object.keys(rest).length === 0
  );
}

function isCondition(value: unknown): boolean {
  if (typeof value !== "object" || value === null) return false;
  const { anyOf, ...rest } = value as Record<string, unknown>;
  return (
    Object.keys(rest).length === 0 &&
    Array.isArray(anyOf) &&
    anyOf.length >= 1 &&
    anyOf.length <= MOST_GROUPS &&
    anyOf.every(
      (group) => Array.isArray(group) && group.length <= MOST_TERMS && group.every(isTerm),
    )
  );
}

/** When a run is on: `{ "anyOf": [[{ "input": "key", "negated": false }, …], …] }`. */
export const IsCondition = (options?: ValidationOptions): PropertyDecorator =>
  ValidateBy(
    {
      name: "isCondition",
      validator: {
        validate: isCondition,
        defaultMessage: () =>
          `$property must be { anyOf: [[{ input, negated }]] } with input one of ${INPUTS.join(", ")}`,
      },
    },
    options,
  );
