import type * as z from 'zod/mini';
import { MOST_EVENTS, type RunEvent, runEventSchema } from '../clock/log';
import { fullDate } from '../dateWords';
import { LONGEST_MS } from '../practice/time/duration';
import { isSettingName, SETTINGS } from '../settings';
import { counted, listWords } from '../words';
import { KIND_WORDS, RECORD_SCHEMAS, type RecordKind } from './records';

/** Something that was not as it should be, made readable, and what that took in sentences. */
export interface Mended {
  value: unknown;
  told: string[];
}

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

const cap = (n: unknown, most: number): unknown => (typeof n === 'number' && n > most ? most : n);

/** An event with its lengths brought to the longest there may be; undefined for one that says nothing. */
function mendEvent(event: unknown): RunEvent | undefined {
  if (!isObject(event)) return undefined;
  const mended = { ...event };
  for (const key of ['byMs', 'lengthMs'] as const) if (key in mended) mended[key] = cap(mended[key], LONGEST_MS);
  if ('forMs' in mended) mended['forMs'] = cap(mended['forMs'], 3600_000);
  return runEventSchema.safeParse(mended).data;
}

/** The log of a session with every event that can be read. */
function mendLog(log: readonly unknown[]): { log: RunEvent[]; capped: number; dropped: number } {
  let capped = 0;
  const out: RunEvent[] = [];
  for (const event of log) {
    const plain = runEventSchema.safeParse(event);
    const read = plain.success ? plain.data : mendEvent(event);
    if (!read) continue;
    if (!plain.success) capped++;
    out.push(read);
  }
  const kept = out.length > MOST_EVENTS ? [...out.slice(0, MOST_EVENTS - 1), out[out.length - 1]] : out;
  return { log: kept, capped, dropped: log.length - kept.length };
}

/** "The session of November 3, 2026", "The picture “rope.jpg”". */
function nameOf(kind: RecordKind, { name, startedAtMs, recipe }: Record<string, unknown>): string {
  const known = typeof name === 'string' ? name : isObject(recipe) ? recipe['title'] : undefined;
  if (typeof known === 'string') return `The ${KIND_WORDS[kind]} “${known.slice(0, 60)}”`;
  const day = typeof startedAtMs === 'number' ? new Date(startedAtMs) : undefined;
  if (!day || Number.isNaN(day.getTime())) return `A ${KIND_WORDS[kind]}`;
  return `The ${KIND_WORDS[kind]} of ${fullDate(day)}`;
}

/**
 * A record as its schema has it, where that can be had: what is out of range is left as it comes, lengths in a log are capped.
 * @returns undefined when what it is about cannot be read.
 */
export function mendRecord(kind: RecordKind, value: unknown): Mended | undefined {
  const schema = RECORD_SCHEMAS[kind] as z.ZodMiniType;
  const plain = schema.safeParse(value);
  if (plain.success) return { value: plain.data, told: [] };
  if (!isObject(value)) return undefined;
  const name = nameOf(kind, value);
  const told: string[] = [];
  let record = value;
  if (kind === 'sessions' && Array.isArray(record['log'])) {
    const { log, capped, dropped } = mendLog(record['log']);
    record = { ...record, log };
    if (capped > 0)
      told.push(
        `${name} held ${counted(capped, 'length')} beyond ${String(LONGEST_MS / 3600_000)} hours; read as ${String(LONGEST_MS / 3600_000)} hours.`,
      );
    if (dropped > 0) told.push(`${name} held ${counted(dropped, 'event')} that could not be read; left out.`);
  }
  const second = schema.safeParse(record);
  if (second.success) return { value: second.data, told };
  const fields = [
    ...new Set(second.error.issues.flatMap(({ path: [first] }) => (typeof first === 'string' ? first : []))),
  ];
  const rest = Object.fromEntries(Object.entries(record).filter(([key]) => !fields.includes(key)));
  const third = schema.safeParse(rest);
  if (!third.success) return undefined;
  return { value: third.data, told: [...told, `${name}: ${listWords(fields)} could not be read; left as it comes.`] };
}

/** Settings within their ranges; those that are not are left at their defaults and named. */
export function mendSettings(settings: Readonly<Record<string, unknown>>): {
  value: Record<string, string | number | boolean>;
  told: string[];
} {
  const value: Record<string, string | number | boolean> = {};
  const out: string[] = [];
  for (const [name, setting] of Object.entries(settings)) {
    const parsed = isSettingName(name) ? (SETTINGS[name] as z.ZodMiniType).safeParse(setting) : undefined;
    if (parsed?.success) value[name] = parsed.data as string | number | boolean;
    else if (isSettingName(name)) out.push(name);
  }
  return {
    value,
    told: out.length > 0 ? [`Out of range and left as they come: ${listWords(out.map((n) => `“${n}”`))}.`] : [],
  };
}
