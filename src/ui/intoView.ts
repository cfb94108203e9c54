/** For the `ref` of what is chosen in a row that goes sideways: seen when it comes. */
export const intoView = (node: HTMLElement | null): void =>
  node?.scrollIntoView({ block: 'nearest', inline: 'center' });
