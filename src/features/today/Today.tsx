'use client';
import { PencilRuler, RefreshCw } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useCallback, useMemo, useState } from 'react';
import { toastProblem } from '@/ui/toast/toast';
import { wallTime } from '@/core/practice/time/clockTime';
import { MEDIA } from '@/core/practice/paper/materials';
import { clockDigits } from '@/core/practice/time/duration';
import { plannedRibbon } from '@/core/practice/time/ribbon';
import { countPoses, sumPlan } from '@/core/practice/time/sums';
import { lookedAt } from '@/core/journal/whose';
import { nextMedium } from '@/core/journal/reflect';
import { builtInSet, BUILT_IN_SETS } from '@/core/references/builtIn';
import { BUILT_IN_SET_ID, LIBRARY_ID } from '@/core/references/picture';
import { listSets } from '@/storage/pictures/pictures';
import { storageProblem } from '@/storage/problems';
import { referencesOf } from '@/storage/references/choices';
import { seedOnFirstVisit } from '@/storage/seed';
import { listSessions } from '@/storage/sessions/sessions';
import { loadPromise } from '@/storage/sessions/promise';
import { loadSetting, saveSetting } from '@/storage/settings';
import { useStart } from '@/storage/hooks/useStart';
import { useSessionLine } from '@/storage/hooks/useSessionLine';
import { useStored } from '@/storage/hooks/useStored';
import { Explained } from '@/ui/Explained';
import { MinutesRuler } from '@/ui/MinutesRuler';
import { Notice } from '@/ui/Notice';
import { SessionLine } from '@/ui/SessionLine';
import { SumsEquation } from '@/ui/SumsEquation';
import { Ribbon } from '@/ui/ribbon/Ribbon';
import { unlockSound } from '@/ui/sound/cuePlayer';
import { useNow } from '@/ui/useNow';
import { CutOff } from './CutOff';
import { LastTime } from './LastTime';
import { AskHand } from './AskHand';
import { TryingField } from './TryingField';
import { StandingReference } from './StandingReference';
import type { Choice } from './planner';
import { useProposal } from './useProposal';
import { useSaidPlan } from './useSaidPlan';
import { WeekBoxes } from './WeekBoxes';
import { usePageKeys } from '@/ui/input/usePageKeys';

const DEFAULT_MINUTES = 20;

async function loadChoice(): Promise<Choice> {
  await seedOnFirstVisit(Date.now());
  const [minutes, setId, medium, advice, warmUp] = await Promise.all([
    loadSetting('minutes'),
    loadSetting('setId'),
    loadSetting('medium'),
    loadSetting('advice'),
    loadSetting('warmUp'),
  ]);
  return {
    minutes: minutes ?? DEFAULT_MINUTES,
    setId: setId ?? BUILT_IN_SET_ID,
    medium: medium ?? MEDIA[0].id,
    advice: advice ?? true,
    warmUp: warmUp ?? true,
  };
}

/** Whether the clocks are put forward or back between two moments. */
const clocksChange = (fromMs: number, toMs: number): boolean =>
  new Date(fromMs).getTimezoneOffset() !== new Date(toMs).getTimezoneOffset();

export function Today() {
  const router = useRouter();
  const nowMs = useNow(30_000);
  const saved = useStored(loadChoice, [], []);
  const [changed, setChanged] = useState<Partial<Choice>>({});
  const sets = useStored(listSets, ['sets'], []);
  const promise = useStored(loadPromise, ['settings'], []);
  const sessions = useStored(listSessions, ['sessions'], [saved.value]);
  const kept = useMemo(() => sessions.value?.filter((s) => s.status === 'kept'), [sessions.value]);
  const whose = useMemo(() => kept && lookedAt(kept), [kept]);
  /** The medium that was planned for this time comes before the one of last time. */
  const planned = whose && !whose.of ? nextMedium(whose.sessions) : undefined;
  const choice = saved.value && { ...saved.value, ...(planned && { medium: planned }), ...changed };
  const knownSet = sets.value?.find((s) => s.id === choice?.setId);
  const isLibrary = choice?.setId === LIBRARY_ID;
  const setId = isLibrary ? LIBRARY_ID : (knownSet?.id ?? builtInSet(choice?.setId ?? '')?.id ?? BUILT_IN_SET_ID);
  const references = useStored(() => referencesOf(setId), ['pictures', 'sets'], [setId]);
  const [mix, setMix] = useState(0);
  const [lesson, setLesson] = useState('');
  const { starting, start: startPlan } = useStart(toastProblem);
  const cutOff = sessions.value?.find((s) => s.status === 'running');
  const {
    proposal,
    soFar,
    problem: unplanned,
  } = useProposal(choice && { ...choice, setId }, references.value, saved.value && whose, nowMs, mix);
  const said = useSessionLine({
    sessions: whose?.of ? undefined : whose?.sessions,
    sets: sets.value,
    setId,
    medium: choice?.medium ?? MEDIA[0].id,
    nowMs,
    onProblem: toastProblem,
  });
  const saidPlan = useSaidPlan(said.read, nowMs);
  /** A session said in a line comes before what is proposed. */
  const isSaid = said.read !== undefined;
  const plan = isSaid ? saidPlan.value : proposal?.plan;
  /** A plan that stands on today, or a course's day: it has its own time and its own pictures. */
  const { scheduled, course } = plan?.cause ?? {};
  const blocks = useMemo(() => plan && plannedRibbon(plan), [plan]);

  const choose = (part: Partial<Choice>): void => {
    setChanged((before) => ({ ...before, ...part }));
    const fail = (error: unknown): void => {
      toastProblem(storageProblem(error));
    };
    if (part.minutes !== undefined) saveSetting('minutes', part.minutes).catch(fail);
    if (part.setId !== undefined) saveSetting('setId', part.setId).catch(fail);
    if (part.medium !== undefined) saveSetting('medium', part.medium).catch(fail);
    if (part.advice !== undefined) saveSetting('advice', part.advice).catch(fail);
    if (part.warmUp !== undefined) saveSetting('warmUp', part.warmUp).catch(fail);
    // What stands on today has its own time and pictures: who wants others wants another session.
    if ((part.minutes !== undefined || part.setId !== undefined) && (scheduled || course))
      setMix(proposal?.planned ?? 0);
  };

  /** As it is begun: with the lesson that is tried in it, where one was named. */
  const begun = useMemo(() => {
    const name = lesson.trim();
    return plan && name !== '' ? { ...plan, cause: { ...plan.cause, lesson: name } } : plan;
  }, [plan, lesson]);

  /** Take the session to the planner as it is, pictures and all. */
  const toPlan = (): void => {
    if (!begun) return;
    void import('@/core/practice/plan/recipeOf')
      .then(({ recipeOf }) => saveSetting('planDraft', JSON.stringify(recipeOf(begun, setId, true))))
      .then(
        () => router.push('/plan?from=today'),
        (error: unknown) => toastProblem(storageProblem(error)),
      );
  };

  const start = useCallback(() => {
    if (!begun || starting) return;
    unlockSound();
    said.remember();
    startPlan(begun);
  }, [begun, starting, startPlan, said]);

  usePageKeys((key, { target, repeat }) => {
    if (key !== 'Enter' || repeat || (target as HTMLElement).closest('button, a, [type=checkbox], [type=radio]'))
      return false;
    start();
    return true;
  });

  const problem = saved.problem ?? sessions.problem ?? references.problem ?? unplanned;
  const sums = plan && sumPlan(plan);
  const empty = references.value?.length === 0;
  const minutes =
    plan && sums && (scheduled || course || isSaid)
      ? Math.ceil(sums.totalMs / 60_000)
      : (choice?.minutes ?? DEFAULT_MINUTES);
  return (
    <main className="px-4 pt-3 pb-2 sm:px-10" aria-busy={!plan}>
      <h1 className="sr-only">Today</h1>
      {problem && <Notice>{problem}</Notice>}
      <section
        aria-label="How long"
        className="grid grid-cols-[auto_1fr] items-start gap-x-6 gap-y-4 lg:grid-cols-[186px_minmax(0,270px)_minmax(0,1fr)_auto]"
      >
        <p className="digits text-[104px] leading-[0.9] max-sm:text-[80px]" aria-hidden>
          {minutes}
        </p>
        <div className="pt-2">
          <p className="font-serif text-[26px] leading-tight">{minutes === 1 ? 'minute' : 'minutes'}</p>
          {plan && sums ? (
            <>
              <p suppressHydrationWarning>
                {wallTime(nowMs)} to {wallTime(nowMs + sums.totalMs)}
                {clocksChange(nowMs, nowMs + sums.totalMs) && ', the clocks change'}
              </p>
              <p className="text-quiet">
                {countPoses(plan)} {countPoses(plan) === 1 ? 'pose' : 'poses'}, {clockDigits(sums.drawingMs)} of drawing
              </p>
            </>
          ) : (
            <p className="text-quiet">Putting a session together.</p>
          )}
        </div>
        <div className="col-span-2 lg:col-span-1">
          <p className="mb-1 text-[14px] text-quiet" aria-hidden>
            How long have you got?
          </p>
          <MinutesRuler minutes={minutes} onChange={(m) => choose({ minutes: m })} />
        </div>
        <button
          type="button"
          className="btn h-[72px] px-6 font-serif text-[30px] font-medium btn-primary max-lg:col-span-2 max-lg:w-full"
          disabled={!plan || starting || empty}
          onClick={start}
        >
          Start <kbd className="kbd kbd-sm max-sm:hidden">Enter</kbd>
        </button>
      </section>

      <div className="mt-2">
        <SessionLine
          line={said.line}
          onLine={said.setLine}
          read={said.read}
          remembered={said.remembered}
          onEnter={start}
        />
      </div>
      <section aria-label="The session" className="mt-2">
        <p className="flex flex-wrap items-baseline gap-x-3 gap-y-2 font-serif text-[22px]">
          <span>I am drawing from</span>
          <select
            aria-label="What to draw from"
            className="cursor-pointer border-b-2 border-charcoal bg-transparent py-1"
            value={setId}
            onChange={(event) => choose({ setId: event.target.value })}
          >
            {BUILT_IN_SETS.map((s) => (
              <option key={s.id} value={s.id}>
                {s.name}
              </option>
            ))}
            {isLibrary && <option value={LIBRARY_ID}>All your pictures</option>}
            {sets.value?.map((s) => (
              <option key={s.id} value={s.id}>
                {s.name}
              </option>
            ))}
          </select>
          <span>with</span>
          <select
            aria-label="What to draw with"
            className="cursor-pointer border-b-2 border-charcoal bg-transparent py-1"
            value={choice?.medium ?? MEDIA[0].id}
            onChange={(event) => choose({ medium: event.target.value })}
          >
            {MEDIA.map((m) => (
              <option key={m.id} value={m.id}>
                {m.name}
              </option>
            ))}
          </select>
          <label className="flex min-h-6 cursor-pointer items-center gap-2 font-sans text-[15px]">
            <input
              type="checkbox"
              className="checkbox checkbox-sm"
              checked={choice?.warmUp ?? true}
              disabled={isSaid}
              onChange={(event) => choose({ warmUp: event.target.checked })}
            />
            warm up first
          </label>
          <button
            type="button"
            className="btn-quiet btn ml-auto font-sans btn-sm"
            disabled={!plan || isSaid}
            onClick={() => setMix(mix + 1)}
          >
            <RefreshCw size={15} aria-hidden /> Another mix
          </button>
          <button type="button" className="btn-quiet btn font-sans btn-sm" disabled={!plan} onClick={toPlan}>
            <PencilRuler size={15} aria-hidden /> Change this plan
          </button>
        </p>
        {empty ? (
          <div className="mt-4">
            <Notice tone="plain">
              There are no pictures in this set yet. Add some under Poses, or choose the lantern pageant figures.
            </Notice>
          </div>
        ) : (
          <div className="mt-2 min-h-[22px]">
            {plan && (
              <>
                {!isSaid && (
                  <>
                    <b>Why this plan:</b>{' '}
                    <Explained>{plan.why.charAt(0).toLowerCase() + plan.why.slice(1)}</Explained>{' '}
                  </>
                )}
                {!scheduled && !course && !isSaid && (
                  <button
                    type="button"
                    className="link-quiet text-[14px] text-quiet"
                    onClick={() => choose({ advice: !choice?.advice })}
                  >
                    {choice?.advice ? 'No advice, please' : 'Advise me again'}
                  </button>
                )}{' '}
                <TryingField lesson={lesson} onLesson={setLesson} />
                <span className="ml-5 inline-block">
                  <AskHand />
                </span>
              </>
            )}
          </div>
        )}
        <div className="mt-2 min-h-[226px]">
          {blocks && plan && sums && !empty && (
            <Ribbon
              blocks={blocks}
              size="plan"
              label={`The session on a ribbon: ${blocks.map((b) => `${b.label}, ${b.measure}`).join('; ')}. In all ${clockDigits(sums.totalMs)}.`}
              standing={(cell, i) => (
                <StandingReference referenceId={cell.cell.referenceId} width={cell.width} every={i} />
              )}
            />
          )}
        </div>
        {plan && sums && !empty && (
          <SumsEquation
            sums={sums}
            aside={
              <>
                {sums.atLeastMs < sums.totalMs && 'Pages of lines take as long as they take. '}
                {plan.availableMs - sums.totalMs >= 1000
                  ? `${clockDigits(plan.availableMs - sums.totalMs)} to spare.`
                  : `${Math.round((100 * sums.drawingMs) / sums.totalMs)} % of it drawing.`}
              </>
            }
          />
        )}
      </section>

      <div className="mt-4 grid gap-x-10 gap-y-6 lg:grid-cols-[440px_1fr_1fr]">
        <WeekBoxes whose={whose} nowMs={nowMs} promise={promise.value} />
        <div className={cutOff ? '' : 'lg:col-span-2'}>
          <LastTime whose={whose} soFar={soFar} course={course !== undefined} />
        </div>
        {cutOff && <CutOff session={cutOff} />}
      </div>
    </main>
  );
}
