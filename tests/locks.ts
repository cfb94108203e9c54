/** Web Locks, as far as they are used: one holder a name. */
export function fakeLocks() {
  const held = new Set<string>();
  return {
    async request(name: string, ...rest: unknown[]) {
      const work = rest.at(-1) as (lock: unknown) => Promise<unknown>;
      const { ifAvailable = false } = (rest.length > 1 ? rest[0] : {}) as { ifAvailable?: boolean };
      if (held.has(name) && ifAvailable) return work(null);
      held.add(name);
      try {
        return await work({ name });
      } finally {
        held.delete(name);
      }
    },
    query: () => Promise.resolve({ held: [...held].map((name) => ({ name })) }),
  };
}
