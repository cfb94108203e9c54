'use client';
import { useCallback, useMemo, useState } from 'react';
import * as z from 'zod/mini';
import { lastExerciseFor } from '@/core/journal/lastExercise';
import type { Session } from '@/core/journal/session';
import { LONGEST_LINE, type LineContext, readLine, type ReadLine } from '@/core/practice/line/readLine';
import type { Exercise } from '@/core/practice/exercises/exercise';
import type { Recipe } from '@/core/practice/plan/recipe';
import type { PictureSet } from '@/core/references/picture';
import { storageProblem } from '@/storage/problems';
import { changeSetting, loadSetting } from '@/storage/settings';
import { useStored } from './useStored';

const MOST_LINES = 12;
const linesSchema = z.array(z.string().check(z.maxLength(LONGEST_LINE))).check(z.maxLength(MOST_LINES));
const parseLines = (json: string | undefined): string[] => {
  try {
    return linesSchema.parse(JSON.parse(json ?? '[]'));
  } catch {
    return [];
  }
};

export interface SessionLineState {
  line: string;
  setLine: (line: string) => void;
  /** What the line says; undefined while it is empty. */
  read: ReadLine | { problem: string } | undefined;
  /** The last dozen lines that were used, the last one first. */
  remembered: readonly string[];
  /** Keeps the line among the remembered ones. */
  remember: () => void;
}

interface Options {
  sessions: readonly Session[] | undefined;
  sets: readonly PictureSet[] | undefined;
  setId: string;
  medium: string;
  nowMs: number;
  exercises?: readonly Exercise[];
  sheet?: Recipe['sheet'];
  onProblem: (sentence: string) => void;
}

/** A session said in a line, read as it is typed. */
export function useSessionLine({
  sessions,
  sets,
  setId,
  medium,
  nowMs,
  exercises,
  sheet,
  onProblem,
}: Options): SessionLineState {
  const [line, setLine] = useState('');
  const kept = useStored(async () => parseLines(await loadSetting('sessionLines')), ['settings'], []);
  const exerciseFor = useMemo(() => lastExerciseFor(sessions ?? []), [sessions]);
  const now = new Date(nowMs);
  const nowMinute = now.getHours() * 60 + now.getMinutes();
  const read = useMemo(() => {
    if (line.trim() === '') return undefined;
    const context: LineContext = {
      setId,
      medium,
      seed: 1,
      nowMinute,
      exerciseFor,
      ...(exercises && { exercises }),
      ...(sheet && { sheet }),
      ...(sets && { sets: sets.map(({ id, name }) => ({ id, name })) }),
    };
    return readLine(line, context);
  }, [line, setId, medium, nowMinute, exerciseFor, exercises, sheet, sets]);
  const remember = useCallback((): void => {
    const said = line.trim();
    if (said === '') return;
    changeSetting('sessionLines', (before) =>
      JSON.stringify([said, ...parseLines(before).filter((one) => one !== said)].slice(0, MOST_LINES)),
    ).catch((error: unknown) => onProblem(storageProblem(error)));
  }, [line, onProblem]);
  return { line, setLine, read, remembered: kept.value ?? [], remember };
}
