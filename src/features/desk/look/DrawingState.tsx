'use client';
import { useMemo, useState } from 'react';
import { shortDate } from '@/core/dateWords';
import { type Drawing, posesDrawn } from '@/core/journal/drawings';
import { type KeptDrawing, keptDrawingId, lineageOf, madeFrom, timeOn } from '@/core/journal/keptDrawing';
import { sameLearner } from '@/core/journal/whose';
import { clockDigits, durationWords, parseDuration } from '@/core/practice/time/duration';
import { storageProblem } from '@/storage/problems';
import { listSessions } from '@/storage/sessions/sessions';
import { useKeptDrawing } from '@/storage/hooks/useKeptDrawing';
import { useStored } from '@/storage/hooks/useStored';
import { SaidOfDrawing } from '@/ui/SaidOfDrawing';
import { toastProblem } from '@/ui/toast/toast';

/** So many sessions before this one can be looked through for what a drawing was made from. */
const MOST_SESSIONS = 30;

interface Named {
  when: string;
  named: { id: string; words: string }[];
}

const namedDrawings = (sessionId: string, drawn: readonly Drawing[]): Named['named'] =>
  drawn.map(({ drawing, exercise, spentMs }, i) => ({
    id: keptDrawingId(sessionId, drawing),
    words: `${String(i + 1)}. ${exercise.name}, ${durationWords(spentMs)}`,
  }));

/** The drawings of the sessions before one, the latest session first. */
function useEarlierDrawings(sessionId: string): Named[] {
  const sessions = useStored(listSessions, ['sessions'], []);
  return useMemo(() => {
    const session = sessions.value?.find(({ id }) => id === sessionId);
    if (!session) return [];
    return sameLearner(sessions.value ?? [], session)
      .filter(({ startedAtMs }) => startedAtMs < session.startedAtMs)
      .slice(0, MOST_SESSIONS)
      .map((one) => ({ when: shortDate(one.startedAtMs), named: namedDrawings(one.id, posesDrawn(one)) }));
  }, [sessions.value, sessionId]);
}

/** What becomes of a drawing after its session: taken up again, finished, thrown away, made into another. */
export function DrawingState({
  sessionId,
  pose,
  drawn,
}: {
  sessionId: string;
  pose: Drawing;
  /** The drawings of its session. */
  drawn: readonly Drawing[];
}) {
  const { kept, all, change: say } = useKeptDrawing(sessionId, pose.drawing);
  const [typed, setTyped] = useState('');
  const { inSessionMs, laterMs, togetherMs } = timeOn(pose, kept);
  const { id } = kept;
  const { from, pieces } = lineageOf(id, all);
  const change = (how: (before: KeptDrawing) => KeptDrawing): void => {
    say(how).catch((error: unknown) => toastProblem(storageProblem(error)));
  };
  const earlier = useEarlierDrawings(sessionId);
  const groups = [{ when: 'this session', named: namedDrawings(sessionId, drawn) }, ...earlier];
  const nameOf = (other: string): string => {
    for (const { when, named } of groups) {
      const found = named.find((one) => one.id === other);
      if (found) return when === 'this session' ? found.words : `${found.words} (${when})`;
    }
    return 'a drawing of another session';
  };
  const possible = groups.flatMap(({ when, named }) => {
    const some = named.filter((one) => one.id !== id && (from === one.id || madeFrom(kept, one.id, all)));
    return some.length > 0 ? [{ when, named: some }] : [];
  });
  const more = typed === '' ? undefined : parseDuration(typed);
  return (
    <section aria-label="What became of it" className="flex flex-col gap-2 border-t border-hairline pt-3">
      <h3 className="text-[18px]">What became of it</h3>
      <SaidOfDrawing kept={kept} all={all} aspects={pose.exercise.lookAt} judgedForMs={togetherMs} onChange={change} />
      <form
        className="flex flex-wrap items-center gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (!more || 'problem' in more) return;
          const spentMs = more.ms;
          const atMs = Date.now();
          change((before) => ({ ...before, continued: [...(before.continued ?? []), { atMs, spentMs }] }));
          setTyped('');
        }}
      >
        <label className="flex items-center gap-2">
          Worked on it later, for
          <input
            className="input w-[84px] input-sm max-sm:h-12"
            placeholder="1:50"
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
          />
        </label>
        <button type="submit" className="btn-quiet btn btn-sm max-sm:h-12" disabled={!more || 'problem' in more}>
          Add
        </button>
        {laterMs > 0 && (
          <button
            type="button"
            className="btn-quiet btn btn-sm max-sm:h-12"
            onClick={() => change((before) => ({ ...before, continued: before.continued?.slice(0, -1) }))}
          >
            Take the last off
          </button>
        )}
      </form>
      {more && 'problem' in more && <p className="text-[14px]">{more.problem}</p>}
      {laterMs > 0 && (
        <p>
          {clockDigits(inSessionMs)} + {clockDigits(laterMs)} = {clockDigits(togetherMs)}. The session’s own times stay
          as they were.
        </p>
      )}
      {groups.some(({ named }) => named.some((one) => one.id !== id)) && (
        <label className="flex flex-wrap items-center gap-2">
          Made from
          <select
            className="select w-auto max-w-full select-sm max-sm:h-12"
            value={from ?? ''}
            onChange={(event) => {
              const to = event.target.value;
              change((before) => {
                if (to === '') return { ...before, madeFrom: undefined };
                return madeFrom(before, to, all) ?? before;
              });
            }}
          >
            <option value="">nothing before it</option>
            {from !== undefined && possible.every(({ named }) => named.every((one) => one.id !== from)) && (
              <option value={from}>{nameOf(from)}</option>
            )}
            {possible.map(({ when, named }) => (
              <optgroup key={when} label={when}>
                {named.map((one) => (
                  <option key={one.id} value={one.id}>
                    {one.words}
                  </option>
                ))}
              </optgroup>
            ))}
          </select>
        </label>
      )}
      {pieces.length > 0 && <p>Made from it: {pieces.map(nameOf).join('; ')}.</p>}
    </section>
  );
}
