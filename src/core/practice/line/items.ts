import { readLengths, type LineLength, pluralNumber, wordNumber } from './numbers';
import type { Meaning } from './vocabulary';

/** One part of a line between two commas, as it was read. */
export interface Item {
  /** What it is besides poses. */
  kind: 'poses' | 'rest' | 'look back' | 'warm-up' | 'body' | 'lines' | 'no warm-up' | 'repeat';
  count?: number;
  lengths: LineLength[];
  exercise?: string;
  medium?: string;
  setId?: string;
  untilMinute?: number;
  /** "fives": a few of them, where no number is given. */
  several: boolean;
  /** Words that mean nothing here. */
  unknown: string[];
}

const FILLERS = new Set([
  ...['a', 'an', 'of', 'the', 'in', 'with', 'on', 'from', 'at', 'for', 'each', 'poses', 'pose', 'drawings', 'drawing'],
  ...['times', 'time', 'by', 'my', 'some', 'few', 'set', 'session', 'minute', 'minutes', 'min', 'draw', 'please', 'i'],
  ...['want', 'have', 'finish', 'finally', 'first', 'next', 'last', 'long', 'short', 'quick', 'about', 'to', '-', '.'],
]);

/** "21:30", "9pm", "9:15 pm" at the start of a text: minutes after midnight. */
function readClock(text: string): { minute: number; taken: number } | undefined {
  const found = /^(\d{1,2})(?:[:.](\d{2}))?\s*(am|pm)?(?![a-z\d])/.exec(text);
  if (!found) return undefined;
  const [hours, minutes] = [Number(found[1]), Number(found[2] ?? 0)];
  if (hours > 23 || minutes > 59 || (found[3] && (hours < 1 || hours > 12))) return undefined;
  const hour = found[3] === 'pm' ? (hours % 12) + 12 : found[3] === 'am' ? hours % 12 : hours;
  return { minute: hour * 60 + minutes, taken: found[0].length };
}

/** Phrases stand in the text as one character each, from here on. */
export const FIRST_PHRASE = 0xe000;

/**
 * Reads one part of a line.
 * @param meanings What the phrases of the line stand for, by their character.
 */
export function readItem(part: string, meanings: readonly Meaning[]): Item {
  const item: Item = { kind: 'poses', lengths: [], several: false, unknown: [] };
  let rest = part.trim();
  const take = (n: number): void => {
    rest = rest.slice(n).trimStart();
  };
  while (rest !== '') {
    const meaning = meanings[rest.charCodeAt(0) - FIRST_PHRASE];
    const times = /^(\d{1,4})\s*x(?![a-z])|^x\s*(\d{1,4})(?![\d:])|^(\d{1,4})\s*times\b/.exec(rest);
    const word = /^[a-z]+/.exec(rest)?.[0];
    if (meaning) {
      if (meaning.kind === 'exercise') item.exercise = meaning.id;
      else if (meaning.kind === 'medium') item.medium = meaning.id;
      else if (meaning.kind === 'set') item.setId = meaning.id;
      else item.kind = meaning.kind;
      take(1);
    } else if (times) {
      item.count = Number(times[1] ?? times[2] ?? times[3]);
      take(times[0].length);
    } else if (word === 'until' || word === 'till') {
      take(word.length);
      const clock = readClock(rest);
      if (!clock) {
        item.unknown.push(word);
        continue;
      }
      item.untilMinute = clock.minute;
      take(clock.taken);
    } else if (word === 'twice') {
      item.count = 2;
      take(word.length);
    } else if (/^half a minute\b/.test(rest)) {
      item.lengths.push({ ms: 30_000 });
      take('half a minute'.length);
    } else {
      const found = readLengths(rest);
      if (found) {
        item.lengths.push(...found.lengths);
        take(found.taken);
        continue;
      }
      take(readWord(item, word, rest));
    }
  }
  return settle(item);
}

/** Reads a word that is neither a phrase nor a length. @returns How many characters it takes. */
function readWord(item: Item, word: string | undefined, rest: string): number {
  if (word === undefined) {
    const [sign] = rest;
    if (!FILLERS.has(sign)) item.unknown.push(sign);
    return 1;
  }
  const plural = pluralNumber(word);
  const number = plural ?? wordNumber(word);
  if (number !== undefined) {
    item.lengths.push({ bare: number });
    item.several ||= plural !== undefined;
  } else if (!FILLERS.has(word)) item.unknown.push(word);
  return word.length;
}

/** Of two bare numbers the first is how many: "10 poses of 2", "two fives". */
function settle(item: Item): Item {
  const [first, second] = item.lengths;
  if (item.count === undefined && item.lengths.length === 2 && 'bare' in first && Number.isInteger(first.bare))
    return { ...item, count: first.bare, lengths: [second], several: false };
  return item;
}
