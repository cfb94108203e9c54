const MINUTE_MS = 60_000;

const WORDS = [
  ...['zero', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve'],
] as const;
const TENS: Readonly<Record<string, number>> = { fifteen: 15, twenty: 20, thirty: 30, forty: 40, fifty: 50 };

/** "seven" -> 7; undefined for what is no number in words. */
export function wordNumber(word: string): number | undefined {
  const at = (WORDS as readonly string[]).indexOf(word);
  if (at > 0) return at;
  return Object.hasOwn(TENS, word) ? TENS[word] : undefined;
}

/** "fives" -> 5: poses of so many minutes, as drawing classes call them. */
export function pluralNumber(word: string): number | undefined {
  if (word === 'sixes') return 6;
  if (word.endsWith('ies')) return wordNumber(`${word.slice(0, -3)}y`);
  return word.endsWith('s') ? wordNumber(word.slice(0, -1)) : undefined;
}

/** "1½", "2.5", "0,5" -> a number. */
const amount = (text: string): number =>
  text.endsWith('½') ? Number(text.slice(0, -1) || 0) + 0.5 : Number(text.replace(',', '.'));

const UNIT_MS: Readonly<Record<string, number>> = { h: 3600_000, m: MINUTE_MS, s: 1000, "'": MINUTE_MS, '"': 1000 };

/** A length as it stands in a line: with a unit, or a bare number whose unit follows from where it stands. */
export type LineLength = { ms: number } | { bare: number };

const ONE = String.raw`(?:\d+:\d{2}(?::\d{2})?|(?:\d+(?:[.,]\d+)?½?|½)\s*(?:hours?|hrs?|h|minutes?|mins?|min|m|seconds?|secs?|sec|s|['"])(?![a-z])(?:\s*\d+\s*(?:seconds?|secs?|sec|s)(?![a-z]))?|(?:\d+(?:[.,]\d+)?½?|½)(?![a-z\d]))`;
/** One length, or several with strokes between them: the lengths of one block in order. */
const LENGTHS = new RegExp(`^${ONE}(?:\\s*/\\s*${ONE})*`);

function readOne(text: string): LineLength | undefined {
  const colon = /^(\d+):(\d{2})(?::(\d{2}))?$/.exec(text);
  if (colon) {
    const [a, b, c] = [Number(colon[1]), Number(colon[2]), colon[3] === undefined ? undefined : Number(colon[3])];
    return { ms: (c === undefined ? a * 60 + b : a * 3600 + b * 60 + c) * 1000 };
  }
  const parts = [...text.matchAll(/(\d+(?:[.,]\d+)?½?|½)\s*([hms'"])/g)];
  if (parts.length > 0)
    return { ms: Math.round(parts.reduce((sum, [, n, unit]) => sum + amount(n) * UNIT_MS[unit], 0)) };
  const bare = amount(text.trim());
  return Number.isFinite(bare) ? { bare } : undefined;
}

/** The lengths at the start of a text, and how much of it they take; undefined where there are none. */
export function readLengths(text: string): { lengths: LineLength[]; taken: number } | undefined {
  const found = LENGTHS.exec(text);
  if (!found) return undefined;
  const lengths = found[0].split('/').flatMap((one) => readOne(one.trim()) ?? []);
  return lengths.length > 0 ? { lengths, taken: found[0].length } : undefined;
}

/** A drawing evening of this length is the most that a bare number of minutes is taken for, milliseconds. */
const EVENING_MS = 90 * MINUTE_MS;
/** Shorter poses than this are counted in seconds by nobody who leaves the unit out. */
const FEWEST_SECONDS = 10;

/**
 * The length a bare number stands for: minutes, unless so many poses of so many minutes would be more than an evening, as in 10 x 30.
 * @returns Milliseconds.
 */
export function bareLength(bare: number, count: number): number {
  const asMinutes = bare * MINUTE_MS;
  return count > 1 && bare >= FEWEST_SECONDS && count * asMinutes > EVENING_MS ? bare * 1000 : asMinutes;
}
