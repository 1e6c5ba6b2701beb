/** Puts several property decorators in one, in the order they would stand. */
export const applyDecorators =
  (...decorators: PropertyDecorator[]): PropertyDecorator =>
  (target, key) => {
    for (const decorate of decorators) decorate(target, key);
  };
