/** An object without some of its properties. */
export function without<T extends object, K extends keyof T>(value: T, ...keys: readonly K[]): Omit<T, K> {
  const left: readonly PropertyKey[] = keys;
  return Object.fromEntries(Object.entries(value).filter(([key]) => !left.includes(key))) as Omit<T, K>;
}
