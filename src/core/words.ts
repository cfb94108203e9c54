/** "1 drawing", "3 drawings"; for words whose plural takes an s. */
export const counted = (n: number, word: string): string => `${n} ${word}${n === 1 ? '' : 's'}`;

/** Phrases that may hold commas of their own: "a, b; c; and d". */
export function listPhrases(phrases: readonly string[]): string {
  if (!phrases.some((phrase) => phrase.includes(','))) return listWords(phrases);
  if (phrases.length <= 1) return phrases.join('');
  return `${phrases.slice(0, -1).join('; ')}; and ${phrases[phrases.length - 1]}`;
}

/** "a, b and c". */
export function listWords(words: readonly string[]): string {
  if (words.length <= 1) return words.join('');
  return `${words.slice(0, -1).join(', ')} and ${words[words.length - 1]}`;
}

/** "1 picture is", "3 pictures are": a count with its verb. */
export const countedWith = (n: number, word: string, one: string, many: string): string =>
  `${counted(n, word)} ${n === 1 ? one : many}`;

/** "1 more sheet", "3 more sheets". */
export const moreOf = (n: number, word: string): string => `${n} more ${word}${n === 1 ? '' : 's'}`;

/**
 * A share in percent with as many decimals as it takes to be seen on its own side of a limit: "2.0 %" within 2 %, "2.03 %" over it.
 * @param share and @param limit From 0 on; 1 is all.
 */
export function percentAgainst(share: number, limit: number): string {
  for (let decimals = 1; decimals < 6; decimals++) {
    const shown = Number((share * 100).toFixed(decimals));
    if (share === limit || Math.sign(shown - limit * 100) === Math.sign(share - limit))
      return `${(share * 100).toFixed(decimals)} %`;
  }
  return `${share > limit ? 'just over' : 'just under'} ${limit * 100} %`;
}

/** How one time stands to another, in words that are never "0.0 : 1". @param part and @param whole Milliseconds, the whole over 0. */
export function ratioWords(part: number, whole: number): string {
  const ratio = part / whole;
  // Rounded before it is written: 19 to 20 is not told as 0.9 by the way the machine keeps 0.95.
  const times = Math.round(ratio * 10) / 10;
  if (times >= 1) return `${times.toFixed(1)} times as long as`;
  const percent = Math.round(ratio * 100);
  return percent < 1 ? 'less than a hundredth of' : `${percent} % of`;
}

/** How much room something takes, in thousands of bytes: "64 kB", "3.1 MB", "1.2 GB". */
export function bytesWords(bytes: number): string {
  if (bytes < 1e6) return `${String(Math.ceil(bytes / 1e3))} kB`;
  return bytes < 1e9 ? `${(bytes / 1e6).toFixed(1)} MB` : `${(bytes / 1e9).toFixed(1)} GB`;
}

/** The same words with a capital at their beginning. */
export const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);
