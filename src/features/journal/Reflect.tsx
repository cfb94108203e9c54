'use client';
import { capital, counted } from '@/core/words';
import { type ReactNode, useState } from 'react';
import {
  answersFor,
  type ExerciseQuestions,
  judgingShut,
  mostMissing,
  otherHandDue,
  questionsOf,
  tightTwice,
  withAnswers,
  withNextTime,
} from '@/core/journal/reflect';
import { ASPECTS, MOODS, NEXT_TIME_LENGTH, type Reflection, VERDICTS, verdictWords } from '@/core/journal/reflection';
import { marksTrend } from '@/core/journal/marksTrend';
import { nextLength } from '@/core/journal/nextLength';
import type { Session } from '@/core/journal/session';
import { monthDay } from '@/core/dateWords';
import { MEDIA } from '@/core/practice/paper/materials';
import { usualTimes } from '@/core/journal/usualTimes';
import { durationWords } from '@/core/practice/time/duration';
import { GRIPS } from '@/core/practice/rules/grips';
import { changeReflection } from '@/storage/sessions/sessions';
import { storageProblem } from '@/storage/problems';
import { loadSetting, saveSetting } from '@/storage/settings';
import { useStored } from '@/storage/hooks/useStored';
import { useWriting } from '@/storage/hooks/useWriting';
import { Notice } from '@/ui/Notice';
import { toastProblem } from '@/ui/toast/toast';
import { AboutExercise } from './AboutExercise';
import { KeptField } from './KeptField';
import { LastDrawing } from './LastDrawing';
import { Taps } from './Taps';
import { RemindMe } from './RemindMe';
import { OneSource } from './OneSource';
import { useTypedText } from '@/ui/useTypedText';
import { Word } from '@/ui/Word';

const MINUTE_MS = 60_000;
const DAY_MS = 24 * 3600_000;
const WAITS = [1, 7, 30] as const;

interface Props {
  session: Session;
  /** Every session, for what was missing most often. */
  sessions: readonly Session[];
  nowMs: number;
}

/** After a session: a few taps and lines, all of them optional, none of them a grade. */
export function Reflect({ session, sessions, nowMs }: Props) {
  const [problem, setProblem] = useState('');
  const reflection = session.reflection ?? {};
  const change = (make: (before: Reflection) => Reflection): void => {
    changeReflection(session.id, make).then(
      () => setProblem(''),
      (error: unknown) => setProblem(storageProblem(error)),
    );
  };
  const set = (part: Partial<Reflection>): void => change((before) => ({ ...before, ...part }));
  const questions = questionsOf(session);
  const usual = usualTimes(sessions);
  const shut = judgingShut(session, nowMs);
  const pages = session.plan.blocks.some((b) => b.kind === 'lines');
  return (
    <section aria-label="What you saw">
      {problem && <Notice>{problem}</Notice>}
      <LastDrawing session={session} />
      <div className="mt-3 grid gap-x-10 gap-y-6 lg:grid-cols-2">
        <div className="grid content-start gap-5">
          <Taps
            legend="The line was"
            shown={<Word of="tight line">The line was</Word>}
            value={reflection.line}
            options={['loose', 'tight']}
            onChange={(line) => set({ line })}
          />
          {tightTwice(sessions) && reflection.line === 'tight' && (
            <p className="max-w-[48ch] text-quiet">
              Tight twice running. Eyes closed, one line, or shorter poses loosen it: they are under “What bothers you”
              in the plan.
            </p>
          )}
          {otherHandDue(session) && (
            <p className="max-w-[48ch] text-quiet">
              You drew all of it with your {session.usualHand ?? 'usual'} hand. Try one pose with the other next time:
              the line changes at once.
              <RemindMe onPress={() => change((before) => withNextTime(before, 'One pose with the other hand'))} />
            </p>
          )}
          <OneSource sessions={sessions} nowMs={nowMs} />
          {pages && (
            <Taps
              legend="A grip that was comfortable"
              value={GRIPS.find((g) => g === reflection.grip)}
              options={GRIPS}
              onChange={(grip) => set({ grip })}
            />
          )}
          <KeptField
            keptFor={session.id}
            label="Next time"
            hint="Shown when you start the next one"
            value={reflection.nextTime ?? ''}
            maxLength={NEXT_TIME_LENGTH}
            onKeep={(nextTime) => set({ nextTime: nextTime === '' ? undefined : nextTime })}
          />
          <Taps
            legend="The day, whatever was drawn"
            value={reflection.mood}
            options={MOODS}
            onChange={(mood) => set({ mood })}
          />
          <OtherStudy key={session.id} reflection={reflection} set={set} />
          <label className="flex flex-wrap items-baseline gap-x-3">
            Medium next time
            <select
              className="select w-auto select-sm max-sm:h-12"
              value={reflection.nextMedium ?? ''}
              onChange={(event) => set({ nextMedium: event.target.value === '' ? undefined : event.target.value })}
            >
              <option value="">I’ll decide then</option>
              {MEDIA.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </select>
          </label>
          <Critic sessionId={session.id} reflection={reflection} set={set} />
          <Judging session={session} questions={questions} shut={shut} nowMs={nowMs} change={change} />
        </div>
        <div className="grid content-start gap-6">
          {questions.map((q) => (
            <AboutExercise
              key={q.exercise.id}
              sessionId={session.id}
              questions={q}
              answers={answersFor(reflection, q.exercise.id)}
              missing={mostMissing(sessions, q.exercise.id)}
              trend={q.marks === undefined ? [] : marksTrend(sessions, q.exercise.id, session.startedAtMs)}
              shut={shut}
              usualMs={usual.get(q.exercise.id)}
              next={nextLength(session, q.exercise.id)}
              onNextTime={(words) => change((before) => withNextTime(before, words))}
              onChange={(update) => change((before) => withAnswers(before, q.exercise.id, update))}
            />
          ))}
        </div>
      </div>
    </section>
  );
}

/** Minutes of other study on the day, kept as they are typed. */
function OtherStudy({
  reflection: { otherStudyMs },
  set,
}: {
  reflection: Reflection;
  set: (part: Partial<Reflection>) => void;
}) {
  const keep = useWriting('other study', (text: string) => {
    const minutes = Math.min(1440, Number(text));
    set({ otherStudyMs: minutes > 0 ? minutes * MINUTE_MS : undefined });
  });
  const typed = useTypedText(otherStudyMs ? String(Math.round(otherStudyMs / MINUTE_MS)) : '', keep, (text) =>
    text.replace(/\D/g, '').slice(0, 4),
  );
  return (
    <label className="flex flex-wrap items-baseline gap-x-3">
      Other study today, minutes
      <input inputMode="numeric" className="input w-[84px] input-sm max-sm:h-12" {...typed} />
    </label>
  );
}

/** A place for the sentence that says it is no good: out of the head, counted nowhere, and burnt with one press. */
function Critic({
  sessionId,
  reflection,
  set,
}: {
  sessionId: string;
  reflection: Reflection;
  set: (part: Partial<Reflection>) => void;
}) {
  const reply = useStored(() => loadSetting('criticReply'), ['settings'], []);
  return (
    <details open={reflection.critic !== undefined}>
      <summary className="cursor-pointer py-1">Park the critic</summary>
      <div className="mt-2">
        <KeptField
          keptFor={sessionId}
          label="What it says"
          hint="Shown here only; counted nowhere"
          value={reflection.critic ?? ''}
          maxLength={500}
          onKeep={(critic) => set({ critic: critic === '' ? undefined : critic })}
        />
        {reflection.critic !== undefined && (
          <>
            {reply.value && (
              <p className="mt-1 font-serif text-[17px] italic" role="status">
                “{reply.value}”
              </p>
            )}
            <button type="button" className="btn-quiet btn mt-1 btn-sm" onClick={() => set({ critic: undefined })}>
              Burn it
            </button>
          </>
        )}
        <KeptField
          keptFor="critic reply"
          label="My answer to it"
          hint="Chosen on a good day, said whenever it speaks"
          value={reply.value ?? ''}
          maxLength={300}
          onKeep={(words) => {
            saveSetting('criticReply', words).catch((error: unknown) => toastProblem(storageProblem(error)));
          }}
        />
      </div>
    </details>
  );
}

/** Verdicts only when wanted and always for the time; or none at all until a date. */
function Judging({
  session,
  questions,
  shut,
  nowMs,
  change,
}: {
  session: Session;
  questions: readonly ExerciseQuestions[];
  shut: boolean;
  nowMs: number;
  change: (make: (before: Reflection) => Reflection) => void;
}) {
  const verdicts = session.reflection?.verdicts ?? [];
  const forMs = Math.max(0, ...questions.map((q) => q.longestMs));
  const until = session.reflection?.noJudgingUntilMs ?? 0;
  if (shut) return <p>No judging of this session until {monthDay(until)}. Put it away and draw the next.</p>;
  return (
    <details open={verdicts.length > 0}>
      <summary className="cursor-pointer py-1">A verdict, or none for a while</summary>
      <div className="mt-2 grid gap-3">
        {forMs > 0 &&
          ASPECTS.map((aspect): ReactNode => {
            const given = verdicts.find((v) => v.aspect === aspect);
            return (
              <div key={aspect}>
                <Taps
                  legend={`${capital(aspect)}, for ${durationWords(forMs)}`}
                  value={given?.verdict}
                  options={VERDICTS}
                  onChange={(verdict) =>
                    change((before) => ({
                      ...before,
                      verdicts: [
                        ...(before.verdicts ?? []).filter((v) => v.aspect !== aspect),
                        ...(verdict ? [{ aspect, verdict, forMs }] : []),
                      ],
                    }))
                  }
                />
                {given && (
                  <p className="text-[14px] text-quiet">
                    {aspect} {verdictWords(given.verdict, given.forMs)}
                  </p>
                )}
              </div>
            );
          })}
        <div className="flex flex-wrap items-center gap-2">
          <span>No judging for</span>
          {WAITS.map((days) => (
            <button
              key={days}
              type="button"
              className="btn-quiet btn btn-sm"
              onClick={() =>
                change((before) => ({ ...before, noJudgingUntilMs: nowMs + days * DAY_MS, verdicts: undefined }))
              }
            >
              {counted(days, 'day')}
            </button>
          ))}
        </div>
      </div>
    </details>
  );
}
