/**
 * What a class of the contract has to have to be of one shape with a type of the heart: every
 * field, as it crosses the wire. Words of a list and ids are strings there; what an object or a
 * list of them holds is the business of its own class.
 */
export type ShapeOf<T> = { [K in keyof T]: OnWire<T[K]> };

type OnWire<V> = V extends string
  ? string
  : V extends number | boolean | null | undefined
    ? V extends number
      ? number
      : V extends boolean
        ? boolean
        : V
    : V extends readonly (infer E)[]
      ? readonly OnWire<E>[]
      : object;

/** The same of one member of a union that is told apart by its `kind`. */
export type ShapeOfKind<U extends { readonly kind: string }, K extends U["kind"]> = ShapeOf<
  Extract<U, { readonly kind: K }>
>;
