// oxlint-disable-next-line @typescript-eslint/triple-slash-reference -- every importer of this file needs the declaration
/// <reference path="./class-transformer-storage.d.ts" />
import "reflect-metadata";
import type { TypeMetadata } from "class-transformer";
import { defaultMetadataStorage } from "class-transformer/cjs/storage.js";

type Newable = new () => object;

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === "object" && value !== null && !Array.isArray(value);

/** What class-transformer's `Type` says of a class's fields, looked up once. */
const fields = new WeakMap<Newable, Map<string, TypeMetadata | undefined>>();

function typeOf(owner: Newable, field: string): TypeMetadata | undefined {
  const known = fields.get(owner) ?? new Map<string, TypeMetadata | undefined>();
  fields.set(owner, known);
  if (!known.has(field)) known.set(field, defaultMetadataStorage.findTypeMetadata(owner, field));
  return known.get(field);
}

/** The class of an object by the kind that it says, or the one class that stands there. */
function classOf({ options, typeFunction }: TypeMetadata, plain: Record<string, unknown>): Newable {
  const kinds = options.discriminator;
  const kind = kinds?.subTypes.find(({ name }) => name === plain[kinds.property]);
  return (kind?.value ?? typeFunction()) as Newable;
}

/**
 * A plain object as one of a class, with what is in it, by the classes that `Type` names. What class-transformer makes
 * of it is the same (a test holds them together); but that takes every number of a lamp's light in its hands, thousands
 * a job, which was half of what a save took. Names of fields are sound already (`unsound`).
 */
export function instantiate<T extends object>(type: new () => T, plain: object): T {
  const made = new type();
  for (const [field, value] of Object.entries(plain)) {
    const of = typeof value === "object" && value !== null ? typeOf(type, field) : undefined;
    const inner = (one: unknown): unknown =>
      of && isObject(one) ? instantiate(classOf(of, one), one) : one;
    Reflect.set(made, field, of && Array.isArray(value) ? value.map(inner) : inner(value));
  }
  return made;
}
