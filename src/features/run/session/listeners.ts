/** Whoever wants to be told. */
export interface Listeners<T extends unknown[]> {
  /** @returns Not any more. */
  add: (listener: (...told: T) => void) => () => void;
  tell: (...told: T) => void;
}

export function createListeners<T extends unknown[] = []>(): Listeners<T> {
  const all = new Set<(...told: T) => void>();
  return {
    add: (listener) => {
      all.add(listener);
      return () => all.delete(listener);
    },
    tell: (...told) => all.forEach((listener) => listener(...told)),
  };
}
