/** "1 drawing", "3 drawings"; for words whose plural takes an s. */
export const counted = (n: number, word: string): string => `${n} ${word}${n === 1 ? '' : 's'}`;

/** "a, b and c". */
export function listWords(words: readonly string[]): string {
  if (words.length <= 1) return words.join('');
  return `${words.slice(0, -1).join(', ')} and ${words[words.length - 1]}`;
}
