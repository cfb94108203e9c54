import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Session } from '@/core/journal/session';
import {
  codeOfSheet,
  codeWordsOf,
  nextSheetCode,
  parseSheetCode,
  sessionNumber,
  sessionOfCode,
  sheetCodeWords,
} from '@/core/journal/sheetCode';

const on = (id: string, month: number, day: number): Session =>
  ({ id, startedAtMs: new Date(2026, month - 1, day, 19).getTime() }) as Session;
const sessions = [on('c', 4, 17), on('demo-1', 1, 2), on('a', 3, 1), on('b', 3, 1)];
sessions[3] = { ...sessions[3], startedAtMs: sessions[3].startedAtMs + 1000 };

describe('the code of a sheet', () => {
  it('is month and day, session and sheet, and finds its session again', () => {
    expect(sessionNumber(sessions, 'c')).toBe(3);
    const code = codeOfSheet(sessions, sessions[0], 2)!;
    expect(sheetCodeWords(code)).toBe('0417-3-2');
    expect(sessionOfCode(sessions, parseSheetCode('0417-3-2')!)?.id).toBe('c');
    expect(sessionOfCode(sessions, parseSheetCode('0418-3-2')!)).toBeUndefined();
    expect(sessionOfCode(sessions, parseSheetCode('0417-9-2')!)).toBeUndefined();
    expect(codeWordsOf(sessions, sessions[0], 2)).toBe('0417-3-2');
    expect(codeOfSheet(sessions, sessions[1], 1)).toBeUndefined();
    expect(codeWordsOf(sessions, sessions[1], 1)).toBeUndefined();
  });
  it('no two sheets have the same', () => {
    const codes = sessions.flatMap((session) =>
      [1, 2, 3].flatMap((sheet) => codeOfSheet(sessions, session, sheet) ?? []),
    );
    expect(new Set(codes.map(sheetCodeWords)).size).toBe(9);
  });
  it('stays what it was when the start is corrected', () => {
    const [, { startedAtMs: first }, ...rest] = sessions;
    const [c] = sessions;
    const moved = { ...c, startedAtMs: first, notedAtMs: c.startedAtMs };
    expect(codeWordsOf([moved, ...rest], moved, 2)).toBe('0417-3-2');
    expect(sessionOfCode([moved, ...rest], parseSheetCode('0417-3-2')!)?.id).toBe('c');
  });
  it('of the session to come is known before it', () => {
    const next = nextSheetCode(sessions, new Date(2026, 4, 2, 9).getTime());
    expect(sheetCodeWords(next)).toBe('0502-4-1');
  });
  it('is read as people write it', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 999 }),
        fc.integer({ min: 1, max: 99 }),
        fc.constantFrom('-', ' - ', '/', '.'),
        (a, b, sep) => {
          expect(parseSheetCode(` 0417${sep}${String(a)}${sep}${String(b)} `)).toEqual({
            day: '0417',
            session: a,
            sheet: b,
          });
        },
      ),
    );
    for (const typed of ['', '417-1', 'abc', '0417-1', '0417-1-2-3']) expect(parseSheetCode(typed)).toBeUndefined();
  });
});
