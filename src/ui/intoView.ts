/** For the `ref` of what is chosen in a row that goes sideways: seen when it comes. The page itself stays where it is. */
export function intoView(node: HTMLElement | null): void {
  const row = node?.closest('.row-sideways');
  if (!node || !row) return;
  const [of, within] = [node.getBoundingClientRect(), row.getBoundingClientRect()];
  row.scrollLeft += of.left - within.left - (within.width - of.width) / 2;
}
