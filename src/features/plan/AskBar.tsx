'use client';
import { useState } from 'react';
import { AIMS, isAim } from '@/core/practice/start/aims';
import { SHAPES, type Shape } from '@/core/practice/fit/fit';
import { CATALOG, exerciseById } from '@/core/practice/exercises';
import { MEDIA, mediumById } from '@/core/practice/paper/materials';
import { MAX_PLAN_MS } from '@/core/practice/plan/schema';
import type { PictureSet } from '@/core/references/picture';
import { minuteOfDay } from '@/core/practice/time/clockTime';
import type { Ask } from './ask';
import { DurationField, Select, Tick, Typed } from './fields';
import { GradeField } from './GradeField';
import { setOptions } from './PictureFields';
import type { PlanEditor } from './usePlanEditor';

interface AskBarProps {
  ask: Ask;
  /** What was just done, or why the plan is as it is. */
  told: string;
  editor: PlanEditor;
  sets: readonly PictureSet[];
  onAsk: (part: Partial<Ask>) => void;
  onPlan: () => void;
  onRefit: () => void;
}

const SHAPE_WORDS: Record<Shape, string> = {
  climb: 'short to long',
  descend: 'long to short',
  level: 'all alike',
  arch: 'short, long, short',
};

/** A clock time as people type it: 19:35, 19:35:00, 1935, 7. */
export function readTime(typed: string): { value: number } | { problem: string } {
  const match = /^(\d{1,2})[:.h]?(\d{2})?(?::00)?$/.exec(typed.trim());
  const [hour, minute] = [Number(match?.[1]), Number(match?.[2] ?? 0)];
  return match && hour < 24 && minute < 60
    ? { value: hour * 60 + minute }
    : { problem: 'Type a clock time such as 19:35.' };
}

/** What one says of a session, as a sentence; the plan follows from it. */
export function AskBar({ ask, told, editor, sets, onAsk, onPlan, onRefit }: AskBarProps) {
  const { recipe } = editor;
  const medium = mediumById(recipe.medium);
  const [more, setMore] = useState(false);
  const wishes = ask.wishes ?? AIMS[ask.aim].wishes;
  return (
    <section aria-label="What you want" className="text-[17px]">
      <div className="flex flex-wrap items-baseline gap-x-[6px] gap-y-2 font-serif">
        <span>I have</span>
        {ask.until ? (
          <>
            <span>until</span>
            <Typed
              label="Finish time"
              shown={minuteOfDay(ask.untilMinute)}
              read={readTime}
              onChange={(untilMinute) => onAsk({ untilMinute })}
              width="3.6em"
              large
            />
          </>
        ) : (
          <DurationField
            label="Time available"
            ms={ask.availableMs}
            atLeastMs={10_000}
            atMostMs={MAX_PLAN_MS}
            large
            onChange={(availableMs) => onAsk({ availableMs })}
          />
        )}
        <span>from</span>
        <Typed
          label="Start time"
          shown={recipe.startsAtMinute === null ? 'now' : minuteOfDay(recipe.startsAtMinute)}
          read={(typed) => (/^\s*now\s*$/i.test(typed) ? { value: null } : readTime(typed))}
          onChange={(startsAtMinute: number | null) => editor.change('Start time', (r) => ({ ...r, startsAtMinute }))}
          width="3.6em"
          large
        />
        <Comma /> <span>after</span>
        <Select
          label="What you are after"
          large
          value={ask.aim}
          options={Object.entries(AIMS).map(([id, a]) => [id, a.name] as const)}
          onChange={(aim) => isAim(aim) && onAsk({ aim, wishes: null })}
        />
        <Comma />
        <Select
          label="Run of lengths"
          large
          value={ask.shape}
          options={SHAPES.map((s) => [s, SHAPE_WORDS[s]] as const)}
          onChange={(shape) => onAsk({ shape: shape as Shape })}
        />
        <Comma /> <span>with</span>
        <Select
          label="Medium"
          large
          value={recipe.medium}
          options={MEDIA.map((m) => [m.id, m.name] as const)}
          onChange={(id) => editor.change('Medium', (r) => ({ ...r, medium: id, grade: '' }))}
        />
        <Comma /> <span>from</span>
        {ask.liveModel ? (
          <span>a model</span>
        ) : (
          <Select
            label="Set of pictures"
            large
            value={recipe.setId}
            options={setOptions(sets)}
            onChange={(setId) => editor.change('Set of pictures', (r) => ({ ...r, setId }))}
          />
        )}
      </div>
      <div className="mt-1 flex flex-wrap items-center gap-x-5 gap-y-1 text-[14px]">
        <button type="button" aria-expanded={more} className="link-quiet text-quiet" onClick={() => setMore(!more)}>
          {more ? 'That is all' : 'More to say'}
        </button>
        <p role="status" className="min-w-[20ch] flex-1">
          {told}
        </p>
        <span className="flex gap-2">
          <button type="button" className="btn btn-sm" onClick={onPlan}>
            Plan it
          </button>
          <button
            type="button"
            className="btn-quiet btn btn-sm"
            onClick={onRefit}
            title="Keeps the blocks and what is pinned; counts and lengths change"
          >
            Fit what is here
          </button>
        </span>
      </div>
      {more && (
        <div className="flex flex-wrap items-center gap-x-6 gap-y-2 py-2 text-[14px]">
          <button type="button" className="link-quiet" onClick={() => onAsk({ until: !ask.until })}>
            {ask.until ? 'Say how long instead of until when' : 'Say until when instead of how long'}
          </button>
          {ask.until && (
            <Tick
              label="End then to the second: if something runs over, the drawings that are left give way"
              checked={ask.holds !== false}
              onChange={(holds) => onAsk({ holds })}
            />
          )}
          <GradeField
            medium={medium}
            exercises={recipe.blocks.flatMap((b) =>
              b.kind === 'poses' ? [exerciseById(b.exercise, recipe.exercises)] : [],
            )}
            grade={recipe.grade}
            onGrade={(grade) => editor.change('Grade', (r) => ({ ...r, grade }))}
          />
          <Tick label="With a live model" checked={ask.liveModel} onChange={(liveModel) => onAsk({ liveModel })} />
          <Tick
            label="No page of lines"
            checked={ask.withoutLines}
            onChange={(withoutLines) => onAsk({ withoutLines })}
          />
          {wishes.map((wish, i) => (
            <label key={wish.exercise} className="flex items-center gap-2">
              {CATALOG.find((e) => e.id === wish.exercise)?.name ?? wish.exercise}
              <input
                type="range"
                min={0}
                max={100}
                step={5}
                className="range w-[90px]"
                value={Math.round(weightOf(ask, wish.weight))}
                aria-valuetext={`${String(Math.round(weightOf(ask, wish.weight)))} of 100`}
                onChange={(event) =>
                  onAsk({
                    wishes: wishes.map((w, k) => ({
                      exercise: w.exercise,
                      weight: k === i ? Number(event.target.value) : weightOf(ask, w.weight),
                    })),
                  })
                }
              />
            </label>
          ))}
          <Select
            label="Add an exercise to the mix"
            value=""
            options={[
              ['', 'and…'],
              ...CATALOG.filter((e) => !wishes.some((w) => w.exercise === e.id)).map((e) => [e.id, e.name] as const),
            ]}
            onChange={(exercise) =>
              exercise !== '' &&
              wishes.length < 12 &&
              onAsk({
                wishes: [
                  ...wishes.map((w) => ({ exercise: w.exercise, weight: weightOf(ask, w.weight) })),
                  { exercise, weight: 25 },
                ],
              })
            }
          />
        </div>
      )}
    </section>
  );
}

const Comma = () => <span className="-ml-[6px]">,</span>;

/** The aim's weights are shares of one, one's own are out of a hundred. */
const weightOf = (ask: Ask, weight: number): number => (ask.wishes ? weight : weight * 100);
