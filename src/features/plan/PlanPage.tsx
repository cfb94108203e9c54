'use client';
import { sum } from 'd3-array';
import dynamic from 'next/dynamic';
import { type KeyboardEvent as ReactKeyboardEvent, useMemo, useState } from 'react';
import { toastProblem } from '@/ui/toast/toast';
import type { Session } from '@/core/journal/session';
import { drawingHistory } from '@/core/journal/history';
import { lengthsThatWork } from '@/core/growing/lengthsThatWork';
import { clockDigits } from '@/core/practice/time/duration';
import { insertBlocks, placeForNew, updatePoses, withExercise } from '@/core/practice/edit/edit';
import { lastExercises } from '@/core/journal/lastExercise';
import type { Exercise } from '@/core/practice/exercises/exercise';
import { fitPlan } from '@/core/practice/fit/fit';
import { planWhy } from '@/core/practice/start/planWhy';
import { countThatFits, freshBlock, posesBlock } from '@/core/practice/edit/newBlock';
import type { Recipe, RecipeBlock } from '@/core/practice/plan/recipe';
import { exerciseById } from '@/core/practice/exercises';
import { roomForOne } from '@/core/practice/fit/roomForOne';
import { refit } from '@/core/practice/fit/refit';
import type { Plan } from '@/core/practice/plan/schema';
import { type Materials, materialsOf } from '@/core/practice/paper/sheets';
import { nextAtMinute } from '@/core/clock/keepToEnd';
import { sumPlan } from '@/core/practice/time/sums';
import { counted } from '@/core/words';
import type { PictureSet } from '@/core/references/picture';
import { storageProblem } from '@/storage/problems';
import { saveSetting } from '@/storage/settings';
import { useStart } from '@/storage/hooks/useStart';
import { minuteOfDay, secondOfDay } from '@/core/practice/time/clockTime';
import { Notice } from '@/ui/Notice';
import { unlockSound } from '@/ui/sound/cuePlayer';
import { SumsEquation } from '@/ui/SumsEquation';
import { useNow } from '@/ui/useNow';
import { type Ask, availableOf } from './ask';
import { AskBar } from './AskBar';
import { blockActs } from './blockActs';
import { BlockList } from './BlockList';
import type { Amount } from './ExerciseChooser';
import { Keys } from './Keys';
import { PlanRibbon } from './PlanRibbon';
import { Problems } from './Problems';
import { Toolbar } from './Toolbar';
import { useSessionLine } from '@/storage/hooks/useSessionLine';
import { SessionLine } from '@/ui/SessionLine';
import { ANOTHER_PLAN, usePlanEditor } from './usePlanEditor';
import { usePageKeys } from '@/ui/input/usePageKeys';

const ExerciseChooser = dynamic(() => import('./ExerciseChooser').then((m) => m.ExerciseChooser));
const Starts = dynamic(() => import('./Starts').then((m) => m.Starts));
const TableCard = dynamic(() => import('./TableCard').then((m) => m.TableCard), {
  loading: () => <div className="h-[200px] skeleton" aria-label="Opening" />,
});
const Inspector = dynamic(() => import('./Inspector').then((m) => m.Inspector), {
  loading: () => <section aria-label="The chosen block" className="min-h-[200px] skeleton" />,
});
const Keep = dynamic(() => import('./Keep').then((m) => m.Keep));

type Open = 'add' | 'change' | 'starts' | 'keep' | 'keys';
const ZOOMS = [1, 1.5, 2, 3, 4];
const failed = (error: unknown): void => {
  toastProblem(storageProblem(error));
};

interface PlanPageProps {
  first: Recipe;
  firstAsk: Ask;
  sets: readonly PictureSet[];
  sessions: readonly Session[];
}

/** The planner: what is wanted, the ribbon as an editor, its sums, the chosen block, the table. */
export function PlanPage({ first, firstAsk, sets, sessions }: PlanPageProps) {
  const nowMs = useNow(20_000);
  const [ask, setAsk] = useState(firstAsk);
  const [zoomAt, setZoomAt] = useState(0);
  const [open, setOpen] = useState<Open>();
  const [told, setTold] = useState('');
  const { starting, start: startPlan } = useStart(toastProblem);
  const editor = usePlanEditor(first, sessions, nowMs);
  const { recipe, plan, selected, change, problems } = editor;
  const now = new Date(nowMs);
  const startsAt = recipe.startsAtMinute ?? now.getHours() * 60 + now.getMinutes();
  const availableMs = availableOf(ask, startsAt);
  const sums = sumPlan(plan);
  const oneMore = useMemo(() => roomForOne(recipe, availableMs), [recipe, availableMs]);
  const stopped = problems.find((p) => p.stops);
  const blocks = recipe.blocks.filter((b) => selected.includes(b.id));
  const askFor = (part: Partial<Ask>): void => {
    const next = { ...ask, ...part };
    setAsk(next);
    saveSetting('planAsk', JSON.stringify(next)).catch(failed);
  };
  const say = (words: string): void => setTold(words);
  const planIt = (): void => {
    const { daysSinceLast } = drawingHistory(sessions, nowMs);
    const { wishes, aim, shape, liveModel, withoutLines } = ask;
    const fitted = fitPlan({
      availableMs,
      ...{ aim, shape, liveModel, withoutLines },
      setId: recipe.setId,
      seed: recipe.seed + 1,
      medium: recipe.medium,
      sheet: recipe.sheet,
      workingMs: lengthsThatWork(sessions),
      exercises: recipe.exercises,
      ...(wishes && { wishes }),
      ...(daysSinceLast !== undefined && { daysSinceLast }),
    });
    const { startsAtMinute, grade, audience } = recipe;
    change('Planned', () => ({
      ...fitted.recipe,
      startsAtMinute,
      grade,
      audience,
      why: planWhy(fitted.recipe, ask.aim, ask.shape, daysSinceLast),
    }));
    editor.select([]);
    say(`Planned for ${clockDigits(availableMs)}. ${fitted.filler}`);
  };
  const refitIt = (): void => {
    const fitted = refit(recipe, availableMs);
    if (!fitted) {
      say(
        `Even its smallest form is longer than ${clockDigits(availableMs)}. Nothing was changed: take a block out, unpin one, or allow more time.`,
      );
      return;
    }
    change('Fitted', () => fitted.recipe);
    say(
      `Fitted: ${clockDigits(fitted.usedMs)} of ${clockDigits(availableMs)}${fitted.leftMs >= 1000 ? `, ${clockDigits(fitted.leftMs)} left over` : ', to the second'}.`,
    );
  };
  const put = (some: RecipeBlock[], words: string): void => {
    change(words, (r) => insertBlocks(r, some, placeForNew(r, selected)));
    editor.select(some.map((b) => b.id));
  };
  const chooseExercise = (exercise: Exercise, amount: Amount): void => {
    if (open === 'change' && blocks[0]?.kind === 'poses') {
      const { id } = blocks[0];
      change('Exercise', (r) => updatePoses(r, [id], (b) => withExercise(r, b, exercise.id)));
    } else put([freshBlock(editor.newId(), exercise.id, recipe.sheet, recipe.exercises, amount)], 'Added');
    setOpen(undefined);
  };
  const recentExercises = useMemo(() => lastExercises(sessions), [sessions]);
  const holdsToEnd = ask.until && ask.holds !== false && recipe.startsAtMinute === null;
  const start = (): void => {
    if (stopped || starting) return;
    unlockSound();
    // What was drawn with last is offered first the next time.
    saveSetting('medium', recipe.medium).catch(failed);
    startPlan(holdsToEnd ? { ...plan, finishAtMs: nextAtMinute(ask.untilMinute, nowMs) } : plan);
  };

  const said = useSessionLine({
    sessions,
    sets,
    setId: recipe.setId,
    medium: recipe.medium,
    exercises: recipe.exercises,
    sheet: recipe.sheet,
    nowMs,
    onProblem: toastProblem,
  });
  /** The plan becomes what the line says. */
  const takeLine = (): void => {
    if (!said.read || 'problem' in said.read) return;
    const { recipe: next, untilMinute, understood } = said.read;
    change(ANOTHER_PLAN, (r) => ({ ...next, grade: r.grade, audience: r.audience, startsAtMinute: r.startsAtMinute }));
    editor.select([]);
    askFor(untilMinute === undefined ? { availableMs: next.availableMs, until: false } : { untilMinute, until: true });
    said.remember();
    said.setLine('');
    say(`Planned: ${understood}.`);
  };
  const act = blockActs(editor, say);
  const onKey = (event: ReactKeyboardEvent): boolean => {
    if (event.ctrlKey || event.metaKey) return false;
    if (event.altKey) {
      if (event.key === 'ArrowLeft') act.move(-1);
      else if (event.key === 'ArrowRight') act.move(1);
      else return false;
      return true;
    }
    const acts: Record<string, () => void> = {
      '+': act.longer,
      '=': act.longer,
      '-': act.shorter,
      ']': act.more,
      '[': act.fewer,
      d: act.duplicate,
      s: act.split,
      p: act.pin,
      Delete: act.remove,
      Backspace: act.remove,
    };
    const wanted = Object.hasOwn(acts, event.key) ? acts[event.key] : undefined;
    wanted?.();
    return wanted !== undefined;
  };

  usePageKeys((key, { target }) => {
    if ((target as HTMLElement).closest('dialog')) return false;
    const acts: Record<string, () => void> = {
      undo: editor.undo,
      redo: editor.redo,
      '?': () => setOpen('keys'),
      n: () => setOpen('add'),
    };
    if (!Object.hasOwn(acts, key)) return false;
    acts[key]();
    return true;
  });

  const materials = useMemo(
    () => materialsOf(recipe, editor.chosen, sums.totalMs),
    [recipe, editor.chosen, sums.totalMs],
  );
  const zoom = ZOOMS[zoomAt];
  const none = selected.length === 0;
  const main = recipe.blocks.some(
    (b) => b.kind === 'poses' && exerciseById(b.exercise, recipe.exercises).form?.mainPiece,
  );
  return (
    <main
      className="flex flex-col px-4 pt-2 pb-6 sm:px-10 lg:h-[calc(100dvh-53px)] lg:min-h-[700px] lg:pb-0 print:h-auto! print:min-h-0!"
      aria-busy={!editor.ready}
    >
      <div className="flex flex-wrap items-center gap-x-3 gap-y-2">
        <h1 className="min-w-0 flex-1 max-sm:basis-full">
          <input
            aria-label="Name of the plan"
            className="w-full min-w-[12ch] bg-transparent font-serif text-[25px] leading-tight"
            maxLength={120}
            value={recipe.title}
            onChange={(event) => change('Name', (r) => ({ ...r, title: event.target.value || ' ' }))}
            onBlur={() => recipe.title.trim() === '' && change('Name', (r) => ({ ...r, title: 'A plan' }))}
          />
        </h1>
        <button type="button" className="no-print btn-quiet btn btn-sm" onClick={() => setOpen('starts')}>
          Begin from…
        </button>
        <button type="button" className="no-print btn-quiet btn btn-sm" onClick={() => setOpen('keep')}>
          Keep, print, share…
        </button>
        <button
          type="button"
          className="no-print btn h-9 px-6 font-serif text-[20px] font-medium btn-primary max-sm:h-14 max-sm:w-full"
          disabled={stopped !== undefined || starting || !editor.ready}
          onClick={start}
        >
          Start
        </button>
      </div>
      <div className="no-print mt-1">
        <AskBar
          ask={ask}
          told={told || recipe.why}
          editor={editor}
          sets={sets}
          onAsk={askFor}
          onPlan={planIt}
          onRefit={refitIt}
        />
      </div>
      <div className="no-print mt-1">
        <SessionLine
          line={said.line}
          onLine={said.setLine}
          read={said.read}
          remembered={said.remembered}
          onEnter={takeLine}
        >
          <button type="button" className="btn btn-sm max-sm:h-12" onClick={takeLine}>
            Use this line
          </button>
        </SessionLine>
      </div>
      {editor.elsewhere && (
        <Notice>
          <span className="mr-3">
            Another tab changed this plan to “{editor.elsewhere.title}”. Which one do you want?
          </span>
          <button type="button" className="btn mr-2 btn-sm" onClick={() => editor.settle('ours')}>
            Keep this one
          </button>
          <button type="button" className="btn-quiet btn btn-sm" onClick={() => editor.settle('theirs')}>
            Use the other one
          </button>
        </Notice>
      )}
      <Problems problems={problems.filter((p) => p.blockId === null)} />
      <PlanRibbon
        editor={editor}
        startsAt={startsAt}
        zoom={zoom}
        onKey={onKey}
        onInspect={() => document.querySelector<HTMLElement>('#inspector input, #inspector button')?.focus()}
      />
      <Toolbar
        act={act}
        none={none}
        editor={editor}
        canZoom={{ in: zoomAt < ZOOMS.length - 1, out: zoomAt > 0 }}
        onZoom={(step) => setZoomAt(zoomAt + step)}
        needs={needsWords(materials, editor.available)}
        onAdd={() => setOpen('add')}
        onPut={put}
      />
      <SumsEquation
        sums={sums}
        aside={
          <>
            {sums.atLeastMs < sums.totalMs && <>at least {clockDigits(sums.atLeastMs)}; </>}
            {sums.totalMs > availableMs ? (
              <span className="text-russet-text">{clockDigits(sums.totalMs - availableMs)} more than you have; </span>
            ) : (
              availableMs - sums.totalMs >= 1000 && (
                <>
                  {clockDigits(availableMs - sums.totalMs)} to spare
                  {oneMore && (
                    <>
                      ,{' '}
                      <button
                        type="button"
                        className="link-quiet"
                        onClick={() => change('One more', () => oneMore.recipe)}
                      >
                        room for one more of {clockDigits(oneMore.drawMs)}
                      </button>
                    </>
                  )}
                  ;{' '}
                </>
              )
            )}
            {main && <MainPiece plan={plan} />}
            {Math.round((100 * sums.drawingMs) / Math.max(1, sums.totalMs))} % drawing,{' '}
            {recipe.startsAtMinute === null ? 'now' : minuteOfDay(startsAt)} to{' '}
            <b className="text-ink">{secondOfDay(startsAt * 60_000 + sums.totalMs)}</b>
          </>
        }
      />
      <div className="mt-2 grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)] gap-x-8 gap-y-6 lg:grid-cols-[minmax(0,1fr)_minmax(0,1.05fr)_minmax(0,1fr)] lg:*:overflow-y-auto lg:*:pb-3 print:block print:*:overflow-visible!">
        <BlockList editor={editor} startsAt={startsAt} onKey={onKey} />
        <Inspector editor={editor} sets={sets} availableMs={availableMs} onExercise={() => setOpen('change')} />
        <TableCard editor={editor} things={materials} available={editor.available} sessions={sessions} nowMs={nowMs} />
      </div>
      {stopped?.blockId && !selected.includes(stopped.blockId) && (
        <div className="mt-4">
          <Notice>
            {stopped.words}{' '}
            <button type="button" className="link-quiet" onClick={() => editor.select([stopped.blockId as string])}>
              Show the block
            </button>
          </Notice>
        </div>
      )}
      {(open === 'add' || open === 'change') && (
        <ExerciseChooser
          title={open === 'add' ? 'Add a block' : 'Another exercise'}
          own={recipe.exercises}
          current={blocks[0]?.kind === 'poses' ? blocks[0].exercise : undefined}
          recent={recentExercises}
          kind={editor.kind}
          countFor={
            open === 'add'
              ? (exercise, lengthMs) => countThatFits(exercise, lengthMs, availableMs - sums.totalMs)
              : undefined
          }
          onChoose={chooseExercise}
          onOwn={(made) => {
            change('An exercise of your own', (r) => ({ ...r, exercises: [...r.exercises, made] }));
            put(
              [posesBlock(editor.newId(), made.id, 4, made.usualMs, [...recipe.exercises, made])],
              'An exercise of your own',
            );
          }}
          onClose={() => setOpen(undefined)}
        />
      )}
      {open === 'starts' && (
        <Starts
          editor={editor}
          nowMs={nowMs}
          sessions={sessions}
          onTold={say}
          onAvailable={(ms) => askFor({ availableMs: ms, until: false })}
          onClose={() => setOpen(undefined)}
        />
      )}
      {open === 'keep' && <Keep editor={editor} nowMs={nowMs} onTold={say} onClose={() => setOpen(undefined)} />}
      {open === 'keys' && <Keys onClose={() => setOpen(undefined)} />}
    </main>
  );
}

/** Pictures, sheets, pencils, poses of a model: what it takes, in a few words. */
function needsWords({ pictures, sheets, media, posesOfModel }: Materials, available: number): string {
  const pieces = media.reduce((sum, m) => sum + m.pieces, 0);
  return [
    ...(pictures > 0 ? [`${String(pictures)} of ${counted(available, 'picture')}`] : []),
    counted(sheets, 'sheet'),
    ...(pieces > 0 ? [`${String(pieces)} to sharpen`] : []),
    ...(posesOfModel > 0 ? [`${counted(posesOfModel, 'pose')} of the model`] : []),
  ].join(', ');
}

/** A main piece is counted apart from what warms up for it. */
function MainPiece({ plan }: { plan: Plan }) {
  const isMain = (b: Plan['blocks'][number]): boolean =>
    b.kind === 'poses' && exerciseById(b.exercise, plan.exercises).form?.mainPiece === true;
  const drawMs = (blocks: Plan['blocks']): number =>
    sum(blocks, (b) => (b.kind === 'poses' ? sum(b.poses, (p) => p.drawMs + (p.againMs ?? 0)) : 0));
  const mainMs = drawMs(plan.blocks.filter(isMain));
  const beforeMs = drawMs(plan.blocks.slice(0, plan.blocks.findIndex(isMain)));
  return (
    <>
      {beforeMs > 0 && <>{clockDigits(beforeMs)} of drawing before the main piece, </>}
      {clockDigits(mainMs)} on it;{' '}
    </>
  );
}
