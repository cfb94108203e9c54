import type { Session } from '../journal/session';
import { type RecordKind, type Records, RECORD_KINDS } from './records';

/** What merging an archive meets: records that are new here, the same here, or different here. */
export interface MergeCounts {
  added: number;
  same: number;
  /** By kind, only where there are any. */
  different: Partial<Record<RecordKind, number>>;
}

/** A session that was running when the archive was made ended at its last sign of life: here it must not look as if it could go on. */
const ended = (session: Session): Session =>
  session.status === 'running'
    ? { ...session, status: 'kept', log: [...session.log, { type: 'stop', atMs: session.lastSeenMs }] }
    : session;

/** Replaces ids in every string of a plain value. */
function withIds<T>(value: T, ids: ReadonlyMap<string, string>): T {
  const replace = (text: string): string => {
    const whole = ids.get(text);
    if (whole !== undefined) return whole;
    // A reference to a picture, and the names of its images, hold the id after a slash.
    const slash = text.indexOf('/');
    const [, id, rest] = /^([\w-]+)(.*)$/s.exec(text.slice(slash + 1)) ?? [];
    const other = slash === -1 || id === undefined ? undefined : ids.get(id);
    return other === undefined ? text : `${text.slice(0, slash + 1)}${other}${rest}`;
  };
  const walk = (one: unknown): unknown => {
    if (typeof one === 'string') return replace(one);
    if (Array.isArray(one)) return one.map(walk);
    if (typeof one === 'object' && one !== null)
      return Object.fromEntries(Object.entries(one).map(([key, v]) => [key, walk(v)]));
    return one;
  };
  return walk(value) as T;
}

export interface Mergeable {
  records: Records;
  /** Pictures of the archive that are here under another id, by their id in the archive. */
  known: ReadonlyMap<string, string>;
  /** Sets that pictures here are to join, by the picture's id here. */
  joins: ReadonlyMap<string, readonly string[]>;
}

/**
 * Prepares an archive's records for merging into a library: running sessions are ended, and a picture that is here already under
 * another id is not added again; everything that names it names the one here.
 * @param here Ids of pictures in this browser by the hash of their file.
 */
export function mergeable(records: Records, here: ReadonlyMap<string, string>): Mergeable {
  const known = new Map<string, string>();
  const joins = new Map<string, readonly string[]>();
  for (const { id, hash, setIds } of records.pictures) {
    const other = here.get(hash);
    if (other === undefined || other === id) continue;
    known.set(id, other);
    joins.set(other, [...new Set([...(joins.get(other) ?? []), ...setIds])]);
  }
  const sessions = records.sessions.map(ended);
  if (known.size === 0) return { records: { ...records, sessions }, known, joins };
  const others: Records = {
    ...records,
    sessions,
    pictures: records.pictures.filter(({ id }) => !known.has(id)),
    bodies: records.bodies.filter(({ id }) => !known.has(id)),
  };
  return { records: withIds(others, known), known, joins };
}

/** Whether two records say the same, whatever the order of their fields. */
export function sameRecord(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (Array.isArray(a) && Array.isArray(b)) return a.length === b.length && a.every((one, i) => sameRecord(one, b[i]));
  if (
    typeof a !== 'object' ||
    typeof b !== 'object' ||
    a === null ||
    b === null ||
    Array.isArray(a) !== Array.isArray(b)
  )
    return false;
  const left = a as Record<string, unknown>;
  const right = b as Record<string, unknown>;
  const keys = new Set([...Object.keys(left), ...Object.keys(right)]);
  return [...keys].every((key) => sameRecord(left[key], right[key]));
}

/**
 * Counts what merging would meet.
 * @param find The record of that kind and id here, or undefined.
 */
export async function countMerge(
  records: Records,
  find: (kind: RecordKind, id: string) => Promise<unknown>,
): Promise<MergeCounts> {
  const counts: MergeCounts = { added: 0, same: 0, different: {} };
  for (const kind of RECORD_KINDS)
    for (const record of records[kind]) {
      const here = await find(kind, record.id);
      if (here === undefined) counts.added++;
      else if (sameRecord(here, record)) counts.same++;
      else counts.different[kind] = (counts.different[kind] ?? 0) + 1;
    }
  return counts;
}
