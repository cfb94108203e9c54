/** File name from a title: letters and digits of any script. */
export const planFileName = (title: string, ending: string): string =>
  `${
    title
      .normalize('NFKC')
      .replace(/[^\p{L}\p{N}]+/gu, '-')
      .replace(/^-|-$/g, '')
      .slice(0, 60) || 'plan'
  }.${ending}`;
