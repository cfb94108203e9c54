import * as z from 'zod/mini';

const pad = (n: number): string => String(n).padStart(2, '0');

/** 74000 -> "1:14"; an hour and more -> "1:02:05". Rounded to whole seconds. */
export function clockDigits(ms: number): string {
  const seconds = Math.max(0, Math.round(ms / 1000));
  const h = Math.floor(seconds / 3600);
  const m = Math.floor((seconds % 3600) / 60);
  const s = seconds % 60;
  return h > 0 ? `${h}:${pad(m)}:${pad(s)}` : `${m}:${pad(s)}`;
}

/** Digits of a time that is left: whole seconds begun, so that "0:01" stays until it is over. The one way it is shown anywhere. */
export const leftDigits = (ms: number): string => clockDigits(Math.ceil(ms / 1000) * 1000);

/** 30000 -> "30 s", 90000 -> "1½ min", 150000 -> "2:30", 3600000 -> "1 h". */
export function durationWords(ms: number): string {
  const seconds = Math.round(ms / 1000);
  if (seconds < 60) return `${seconds} s`;
  if (seconds >= 3600 && seconds % 1800 === 0) return `${halves(seconds / 3600)} h`;
  if (seconds < 3600 && seconds % 60 === 0) return `${seconds / 60} min`;
  if (seconds === 90) return '1½ min';
  return clockDigits(ms);
}

const halves = (n: number): string => (Number.isInteger(n) ? String(n) : `${Math.floor(n)}½`);

/** For a screen reader: "1 minute 14 seconds". */
export function spokenDuration(ms: number): string {
  const seconds = Math.max(0, Math.round(ms / 1000));
  const part = (n: number, unit: string): string => (n === 0 ? '' : `${n} ${unit}${n === 1 ? '' : 's'}`);
  const words = [
    part(Math.floor(seconds / 3600), 'hour'),
    part(Math.floor((seconds % 3600) / 60), 'minute'),
    part(seconds % 60, 'second'),
  ].filter(Boolean);
  return words.length > 0 ? words.join(' ') : '0 seconds';
}

/**
 * The sums in whole seconds. Each is rounded down and the seconds this loses go to those that lost most, so that what is shown
 * adds up to the total shown.
 */
export const wholeSeconds = (partsMs: readonly number[]): number[] =>
  inUnits(partsMs, 1000, Math.round(partsMs.reduce((a, b) => a + b, 0) / 1000));

/** The sums in whole minutes that add up to all of them together, rounded down. */
export const wholeMinutesOf = (partsMs: readonly number[]): number[] =>
  inUnits(partsMs, 60_000, Math.floor(partsMs.reduce((a, b) => a + b, 0) / 60_000));

/** Parts in whole units that add up to a total: the largest remainders are rounded up. */
function inUnits(partsMs: readonly number[], unitMs: number, total: number): number[] {
  const units = partsMs.map((ms) => Math.floor(ms / unitMs));
  const missing = total - units.reduce((a, b) => a + b, 0);
  const byLoss = partsMs.map((ms, i) => ({ i, loss: ms % unitMs })).sort((a, b) => b.loss - a.loss);
  for (const { i } of byLoss.slice(0, missing)) units[i]++;
  return units;
}

/** Longest single length: six hours. */
export const LONGEST_MS = 6 * 3600_000;
/** A length in whole milliseconds. */
export const durationSchema = z.int().check(z.minimum(1000), z.maximum(LONGEST_MS));

export type TypedDuration = { ms: number } | { problem: string };
const FORMS = 'Type 90 (seconds), 1:30, 1m30 or 1:00:00.';
const UNIT_SECONDS: Record<string, number> = { h: 3600, m: 60, s: 1 };

/** "1h20m", "1m30", "45 s", "2 min": numbers with units, the last unit left out meaning the next smaller. Undefined if it is not that. */
function unitSeconds(text: string): number | undefined {
  const words = text
    .replace(/hours?|hrs?/g, 'h')
    .replace(/minutes?|mins?/g, 'm')
    .replace(/seconds?|secs?/g, 's');
  const parts = [...words.replace(/\s+/g, '').matchAll(/(\d*½|\d+(?:[.,]\d+)?)([hms]?)/g)];
  if (parts.length === 0 || parts.map((p) => p[0]).join('') !== words.replace(/\s+/g, '')) return undefined;
  let seconds = 0;
  let unit = 'h';
  for (const [i, [, amount, written]] of parts.entries()) {
    if (written === '' && (i === 0 || i < parts.length - 1)) return undefined;
    const own = written || (unit === 'h' ? 'm' : 's');
    if (i > 0 && UNIT_SECONDS[own] >= UNIT_SECONDS[unit]) return undefined;
    unit = own;
    const number = amount.endsWith('½') ? Number(amount.slice(0, -1) || 0) + 0.5 : Number(amount.replace(',', '.'));
    seconds += number * UNIT_SECONDS[own];
  }
  return seconds;
}

function colonSeconds(text: string): number | undefined {
  const match = /^(?:(\d{1,2}):)?(\d{1,3}):(\d{2})$/.exec(text.replace(/\s+/g, ''));
  if (!match) return undefined;
  const [h = 0, m, s] = match.slice(1).map((part) => (part === undefined ? 0 : Number(part)));
  return s > 59 || (match[1] !== undefined && m > 59) ? undefined : h * 3600 + m * 60 + s;
}

/**
 * Read a length as people type it: bare seconds, m:ss, h:mm:ss, or with units. Whole seconds, from one second to the longest allowed.
 * @param shortestMs What the field takes at least; 0 allows none.
 */
export function parseDuration(typed: string, shortestMs = 1000, longestMs = LONGEST_MS): TypedDuration {
  const text = typed.trim().toLowerCase();
  if (text === '') return { problem: `There is no length here. ${FORMS}` };
  const seconds = /^\d{1,6}$/.test(text) ? Number(text) : (colonSeconds(text) ?? unitSeconds(text));
  if (seconds === undefined || !Number.isFinite(seconds))
    return { problem: `“${typed.trim().slice(0, 20)}” is not a length. ${FORMS}` };
  const ms = Math.round(seconds) * 1000;
  if (ms < shortestMs) return { problem: `${clockDigits(ms)} is too short: at least ${durationWords(shortestMs)}.` };
  if (ms > longestMs) return { problem: `${clockDigits(ms)} is too long: at most ${durationWords(longestMs)}.` };
  return { ms };
}

/** Read a count. */
export function parseCount(typed: string, most: number): { count: number } | { problem: string } {
  const text = typed.trim();
  if (!/^\d{1,9}$/.test(text)) return { problem: 'Type a whole number.' };
  const count = Number(text);
  if (count < 1) return { problem: 'At least one. To leave it out, delete the block.' };
  if (count > most) return { problem: `At most ${String(most)} in one block.` };
  return { count };
}
