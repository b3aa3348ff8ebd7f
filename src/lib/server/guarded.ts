type Parts = Readonly<Record<string, object>>;

/** Makes of an error another one, or the same: it always throws. */
export type Thrower = (error: unknown) => never;

function guardedPart<Part extends object>(part: Part, rethrow: Thrower): Part {
  const methods = Object.entries(part).map(([name, value]: [string, unknown]) => {
    if (typeof value !== 'function') return [name, value] as const;
    const call = (...args: unknown[]): unknown => {
      try {
        const given: unknown = value.apply(part, args);
        return given instanceof Promise ? given.catch(rethrow) : given;
      } catch (error) {
        return rethrow(error);
      }
    };
    return [name, call] as const;
  });
  return Object.fromEntries(methods) as Part;
}

/** Services whose errors, thrown or of their promises, pass by `rethrow`. */
export const guarded = <Services extends Parts>(services: Services, rethrow: Thrower): Services =>
  Object.fromEntries(
    Object.entries(services).map(([name, part]) => [name, guardedPart(part, rethrow)]),
  ) as Services;
