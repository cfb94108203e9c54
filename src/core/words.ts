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
