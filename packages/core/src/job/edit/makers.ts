import type { CollectionName, Collections, SingletonName, Singletons } from "../entities.ts";
import type { Edit } from "./edit.ts";

/**
 * Edits by their place. Entity, field and value are tied together by each signature; that they
 * then make one of the union's members the compiler cannot follow, so it is said here, and
 * nowhere else.
 */

/** Sets one field of what a job has one of. */
export const setOnce = <E extends SingletonName, F extends keyof Singletons[E]>(
  entity: E,
  field: F,
  value: Singletons[E][F],
): Edit => ({ kind: "setOnce", entity, field, value }) as unknown as Edit;

/** Sets one field of an entry of a list. */
export const setIn = <E extends CollectionName, F extends keyof Collections[E]>(
  entity: E,
  id: string,
  field: F,
  value: Collections[E][F],
): Edit => ({ kind: "set", entity, id, field, value }) as unknown as Edit;

/** Puts a new entry into a list, before the one that is at `at`; at its end where there is none. */
export const addAt = <E extends CollectionName>(
  entity: E,
  value: Collections[E],
  at: number,
): Edit => ({ kind: "add", entity, value, at }) as unknown as Edit;

/** An edit whose place is only known while the program runs. */
export type PlainEdit =
  | {
      readonly kind: "setOnce";
      readonly entity: SingletonName;
      readonly field: string;
      readonly value: unknown;
    }
  | {
      readonly kind: "set";
      readonly entity: CollectionName;
      readonly id: string;
      readonly field: string;
      readonly value: unknown;
    }
  | {
      readonly kind: "add";
      readonly entity: CollectionName;
      readonly value: object;
      readonly at: number;
    };

/**
 * An edit that was put together field by field. A field that is not there is refused when it is
 * applied; what a value may be is checked with the whole document.
 */
export const editFrom = (plain: PlainEdit): Edit => plain as unknown as Edit;
