'use client';
import { lightFormat } from 'date-fns';
import { useState } from 'react';
import { toastProblem } from '@/ui/toast/toast';
import { logByHand, timedSegments } from '@/core/journal/handEntry';
import { clockDigits } from '@/core/practice/time/duration';
import { inMedium } from '@/core/practice/edit/edit';
import { MEDIA } from '@/core/practice/paper/materials';
import { poseExercise } from '@/core/practice/rules/poseExercise';
import type { SavedPlan, Schedule } from '@/core/practice/plan/savedPlan';
import { withoutSavedId } from '@/core/practice/plan/recipe';
import { expandPlan } from '@/core/practice/time/timeline';
import { USUAL_MINUTE } from '@/core/growing/scheduled';
import { shortWeekdayName, WEEK_FROM_MONDAY } from '@/core/weekdays';
import { nextSheetCode, sheetCodeWords } from '@/core/journal/sheetCode';
import { pictureShapes } from '@/storage/hooks/usePictureShapes';
import { storageProblem } from '@/storage/problems';
import { listSavedPlans, savePlan } from '@/storage/sessions/savedPlans';
import { listSessions, saveSession } from '@/storage/sessions/sessions';
import { minuteOfDay } from '@/core/practice/time/clockTime';
import { useStored } from '@/storage/hooks/useStored';
import { download } from '@/ui/download';
import { Notice } from '@/ui/Notice';
import { readTime } from './AskBar';
import { Dialog } from '@/ui/Dialog';
import { DurationField, Select, Tick, Typed } from './fields';
import { KeepPart } from './KeepPart';
import { planFileName } from './planFileName';
import { Share } from './Share';
import type { PlanEditor } from './usePlanEditor';

interface KeepProps {
  editor: PlanEditor;
  nowMs: number;
  onTold: (words: string) => void;
  onClose: () => void;
}

/** What can be done with a plan besides running it. */
export function Keep({ editor, nowMs, onTold, onClose }: KeepProps) {
  const { recipe, plan } = editor;
  const [byHand, setByHand] = useState(false);
  const [problem, setProblem] = useState<string>();
  const fail = (error: unknown): void => {
    toastProblem(storageProblem(error));
  };
  const [busy, setBusy] = useState(false);
  const kept = useStored(listSavedPlans, ['plans'], []);
  /** The saved plan this one was opened from or saved as: known by its id, never by its title. */
  const before = kept.value?.find(({ id }) => id === recipe.savedId);
  const plain = withoutSavedId(recipe);
  /** Saves the plan, once however often the button is pressed. @param over A saved plan to change; undefined for a new one. */
  const save = async (over: SavedPlan | undefined, schedule: Schedule | null): Promise<SavedPlan | undefined> => {
    if (busy) return undefined;
    setBusy(true);
    const saved: SavedPlan = {
      id: over?.id ?? crypto.randomUUID(),
      recipe: plain,
      savedAtMs: nowMs,
      schedule,
      binnedAtMs: null,
    };
    try {
      await savePlan(saved);
      editor.savedAs(saved.id);
      return saved;
    } finally {
      setBusy(false);
    }
  };
  const keep = (over: SavedPlan | undefined): void => {
    save(over, over?.schedule ?? null).then((saved) => {
      if (!saved) return;
      onTold(
        `${over ? 'Saved the changes to' : 'Saved'} “${recipe.title}”. Find it under “Begin from…”; it gets new pictures each time, except pinned ones.`,
      );
      onClose();
    }, fail);
  };
  const print = async (): Promise<void> => {
    setProblem(undefined);
    try {
      const framed = plan.blocks.flatMap((b) => (b.kind === 'poses' && b.settings?.framesFor ? b.poses : []));
      const shapes = await pictureShapes(framed.flatMap((p) => p.referenceId ?? []));
      const code = sheetCodeWords(nextSheetCode(await listSessions(), Date.now()));
      const response = await fetch('/print/plan', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({
          plan,
          startsAtMinute: recipe.startsAtMinute,
          sheet: recipe.sheet,
          code,
          shapes: Object.fromEntries(shapes),
        }),
      });
      if (!response.ok) {
        setProblem(`${await response.text()} Your plan is safe.`);
        return;
      }
      download(await response.blob(), planFileName(recipe.title, 'pdf'));
      onClose();
    } catch (error) {
      setProblem(
        error instanceof TypeError
          ? 'The sheet could not be made: Fox Minute’s server isn’t running, only this page. Your plan is safe. Start the server, then try again.'
          : storageProblem(error),
      );
    }
  };
  if (byHand) return <HandEntry editor={editor} nowMs={nowMs} onTold={onTold} onClose={onClose} />;
  return (
    <Dialog title="Keep, print, share" onClose={onClose}>
      {problem && <Notice>{problem}</Notice>}
      <KeepPart title="Keep it" words="As a recipe: its structure, with new pictures each time. What is pinned stays.">
        {before && (
          <button type="button" className="btn btn-sm" disabled={busy} onClick={() => keep(before)}>
            Save changes
          </button>
        )}
        <button
          type="button"
          className={`btn btn-sm ${before ? 'btn-quiet' : ''}`}
          disabled={busy || !kept.value || recipe.blocks.length === 0}
          onClick={() => keep(undefined)}
        >
          {before ? 'Keep as a new plan' : 'Keep this plan'}
        </button>
      </KeepPart>
      <KeepPart title="The same in another medium" words="Everything stays but the medium.">
        <Select
          label="Repeat it in"
          value=""
          options={[
            ['', 'choose…'],
            ...MEDIA.filter((m) => m.id !== recipe.medium).map((m) => [m.id, m.name] as const),
          ]}
          onChange={(medium) => {
            if (medium === '') return;
            editor.change('Another medium', (r) => inMedium(r, medium));
            onTold(`The same plan in ${medium}. The one before is one step back.`);
            onClose();
          }}
        />
      </KeepPart>
      <Weekdays
        onSave={async (schedule, asFile) => {
          // The same plan keeps its id: a calendar takes the file again for the same event.
          const plan = await save(before, schedule);
          if (!plan) return;
          if (!asFile) {
            onTold(`“${recipe.title}” stands on its weekdays: Today begins with it then.`);
            onClose();
            return;
          }
          const { calendarOf } = await import('@/core/interchange/calendar');
          download(
            new Blob([calendarOf(plan, new Date(nowMs))], { type: 'text/calendar' }),
            planFileName(recipe.title, 'ics'),
          );
          onTold(`“${recipe.title}” is kept with its weekdays; the calendar file can be opened by any calendar.`);
          onClose();
        }}
      />
      <KeepPart
        title="On paper"
        words="Boxes for the times as they were, on one page where that can be read; sound cues still come from here if you run it."
      >
        <button type="button" className="btn-quiet btn btn-sm" onClick={() => void print()}>
          Make the sheet (PDF)
        </button>
        <button type="button" className="btn-quiet btn btn-sm" onClick={() => setByHand(true)}>
          Enter a session timed by hand
        </button>
      </KeepPart>
      <Share editor={editor} onTold={onTold} onClose={onClose} />
    </Dialog>
  );
}

function Weekdays({ onSave }: { onSave: (schedule: Schedule, asFile: boolean) => Promise<void> }) {
  const [days, setDays] = useState<readonly number[]>([1, 3, 5]);
  const [minute, setMinute] = useState(USUAL_MINUTE);
  const [daily, setDaily] = useState(false);
  const [moves, setMoves] = useState(false);
  const save = (asFile: boolean): void => {
    const times = daily ? Math.ceil((30 * days.length) / 7) : null;
    onSave({ days: [...days], minute, times, moves }, asFile).catch((e: unknown) => toastProblem(storageProblem(e)));
  };
  return (
    <KeepPart
      title="On weekdays"
      words="On its days Today begins with it, with new pictures. The calendar file is for other calendars."
    >
      <div className="row-sideways flex flex-wrap gap-3 max-sm:w-full" role="group" aria-label="Weekdays">
        {WEEK_FROM_MONDAY.map((d) => (
          <Tick
            key={d}
            label={shortWeekdayName(d)}
            checked={days.includes(d)}
            onChange={(on) => setDays(on ? [...days, d] : days.filter((x) => x !== d))}
          />
        ))}
      </div>
      <span className="text-[14px]">at</span>
      <Typed label="Time of day" shown={minuteOfDay(minute)} read={readTime} onChange={setMinute} width="3.6em" />
      <Tick label="for a month" checked={daily} onChange={setDaily} />
      <Tick label="a missed day is made up for" checked={moves} onChange={setMoves} />
      <button type="button" className="btn btn-sm" disabled={days.length === 0} onClick={() => save(false)}>
        Let it stand on these days
      </button>
      <button type="button" className="btn-quiet btn btn-sm" disabled={days.length === 0} onClick={() => save(true)}>
        Save the calendar file
      </button>
    </KeepPart>
  );
}

/** A session that was timed with a kitchen clock: what was written into the boxes becomes an entry of the journal. */
function HandEntry({ editor, nowMs, onTold, onClose }: KeepProps) {
  const { plan } = editor;
  const boxes = timedSegments(plan);
  const { segments } = expandPlan(plan);
  const [when, setWhen] = useState(() => lightFormat(nowMs - 3_600_000, "yyyy-MM-dd'T'HH:mm"));
  const [actual, setActual] = useState<ReadonlyMap<number, number>>(new Map());
  const [note, setNote] = useState('');
  const [problem, setProblem] = useState<string>();
  const enter = (): void => {
    const startedAtMs = new Date(when).getTime();
    if (!Number.isFinite(startedAtMs) || startedAtMs > nowMs) {
      setProblem('When was it? Give a day and a time that is past. What you have typed stays.');
      return;
    }
    const { log, endMs } = logByHand(
      plan,
      boxes.map((_, i) => actual.get(i)),
    );
    saveSession({
      id: crypto.randomUUID(),
      plan,
      log,
      startedAtMs,
      lastSeenMs: endMs,
      status: 'kept',
      note: note.trim().slice(0, 500),
    }).then(
      () => {
        onTold('It is in the journal, like one that was run here.');
        onClose();
      },
      (error: unknown) => setProblem(storageProblem(error)),
    );
  };
  return (
    <Dialog title="A session timed by hand" onClose={onClose}>
      <p className="text-quiet">Change what was not as planned; 0 is what was left out.</p>
      <label className="mt-2 flex items-baseline gap-3">
        It began
        <input
          type="datetime-local"
          className="input w-auto input-sm"
          value={when}
          onChange={(event) => setWhen(event.target.value)}
        />
      </label>
      <ol className="mt-3 grid grid-cols-2 gap-x-6">
        {boxes.map(({ segmentIndex, plannedMs }, i) => {
          const segment = segments[segmentIndex];
          const name = poseExercise(plan, segment)?.name ?? 'Page of lines';
          return (
            <li key={segmentIndex} className="flex items-baseline gap-2 border-t border-hairline py-1 text-[14px]">
              <span className="w-6 text-right text-quiet">{i + 1}</span>
              <span className="min-w-0 flex-1 wrap-anywhere">
                {name} <span className="text-quiet">{clockDigits(plannedMs)}</span>
              </span>
              <DurationField
                label={`Actual time of ${String(i + 1)}, ${name}`}
                ms={actual.get(i) ?? plannedMs}
                atLeastMs={0}
                onChange={(ms) => setActual(new Map(actual).set(i, ms))}
              />
            </li>
          );
        })}
      </ol>
      <label className="mt-3 block">
        <span className="text-[14px]">A line of notes</span>
        <input
          className="input w-full"
          maxLength={500}
          value={note}
          onChange={(event) => setNote(event.target.value)}
        />
      </label>
      {problem && (
        <p role="alert" className="mt-2 text-russet-text">
          {problem}
        </p>
      )}
      <div className="mt-4 flex gap-3">
        <button type="button" className="btn" onClick={enter}>
          Enter it in the journal
        </button>
        <button type="button" className="btn-quiet btn" onClick={onClose}>
          Leave it
        </button>
      </div>
    </Dialog>
  );
}
