'use client';
import { durationWords } from '@/core/practice/time/duration';
import { exerciseById } from '@/core/practice/exercises';
import type { PosesRecipe, Recipe } from '@/core/practice/plan/recipe';
import { SHORTEST_OWN_MS } from '@/core/practice/rules/poseStages';
import {
  type Stage,
  schoolStages,
  stageLengths,
  stagesOfSchool,
  TONE_FROM_MS,
  withShare,
} from '@/core/practice/rules/stages';
import { without } from '@/core/without';
import { CountField, DurationField, Row, Tick, Typed } from './fields';
import type { ChangePoses } from './changePoses';

const SHADES = ['var(--ink)', 'var(--rule)', 'var(--charcoal)', 'var(--hairline)', 'var(--quiet)'];
const MOST_STAGES = 10;

interface StageFieldsProps {
  block: PosesRecipe;
  recipe: Recipe;
  /** Of the first pose, milliseconds. */
  drawMs: number;
  change: ChangePoses;
}

/** How a pose of the first length is divided, and how it may be. */
export function StageFields({ block, recipe, drawMs, change }: StageFieldsProps) {
  const { school } = exerciseById(block.exercise, recipe.exercises);
  const { stages, wholeFirst, toneFromMs } = block.settings;
  const set = (words: string, part: Partial<PosesRecipe['settings']>): void =>
    change(words, (b) => ({ ...b, settings: { ...b.settings, ...part } }));
  const unset = (words: string, ...keys: (keyof PosesRecipe['settings'])[]): void =>
    change(words, (b) => ({ ...b, settings: without(b.settings, ...keys) }));
  const usual = stagesOfSchool(school, drawMs, toneFromMs);
  const own = stages ?? usual;
  const parts = stages ? stageLengths(stages, drawMs, SHORTEST_OWN_MS) : schoolStages(school, drawMs, toneFromMs);
  return (
    <Row label="Stages">
      {wholeFirst === undefined && parts.length > 1 && (
        <ol className="flex w-full" aria-label="Stages of a pose">
          {parts.map((s, i) => (
            <li
              key={`${String(i)} ${s.name}`}
              style={{ width: `${String((100 * s.lengthMs) / drawMs)}%` }}
              className="min-w-0 pr-1 text-[13px] leading-tight"
            >
              <span
                aria-hidden
                className="mb-1 block h-[7px] rounded-[2px]"
                style={{ background: SHADES[i % SHADES.length] }}
              />
              <b className="font-semibold">{durationWords(s.lengthMs)}</b> <span className="break-words">{s.name}</span>
            </li>
          ))}
        </ol>
      )}
      <Tick
        label="the whole figure first, then mend"
        checked={wholeFirst !== undefined}
        onChange={(on) => (on ? set('Whole first', { wholeFirst: 0.5 }) : unset('Whole first', 'wholeFirst'))}
      />
      {wholeFirst !== undefined && (
        <>
          <CountField
            label="Percent of the time until it is mended"
            count={Math.round(wholeFirst * 100)}
            most={100}
            onChange={(percent) => set('Whole first', { wholeFirst: Math.max(10, percent) / 100 })}
          />
          <span className="text-[14px]">
            {wholeFirst === 1 ? '%: only when I say that it is in' : '% at the latest, or when I say that it is in'}
          </span>
        </>
      )}
      {wholeFirst === undefined && (
        <Tick
          label="stages of my own"
          checked={stages !== undefined}
          onChange={(on) =>
            on
              ? set('Stages', { stages: usual.length > 1 ? stagesIn100(usual) : [...TWO_STAGES] })
              : unset('Stages', 'stages')
          }
        />
      )}
      {wholeFirst === undefined && stages && (
        <ul className="grid w-full gap-1">
          {own.map((stage, i) => (
            <li key={`${String(i)} of ${String(own.length)}`} className="flex items-center gap-2 text-[14px]">
              <Typed
                label={`Name of stage ${String(i + 1)}`}
                shown={stage.name}
                width="13em"
                read={(typed) => {
                  const name = typed.trim();
                  return name === '' || name.length > 40 ? { problem: 'One to forty letters.' } : { value: name };
                }}
                onChange={(name) => set('Stages', { stages: stages.map((s, k) => (k === i ? { ...s, name } : s)) })}
              />
              <CountField
                label={`Percent of stage ${String(i + 1)}`}
                count={Math.round(stage.share * 100)}
                most={99}
                onChange={(percent) => set('Stages', { stages: withShare(stages, i, percent / 100) })}
              />
              %
              {stages.length > 2 && (
                <button
                  type="button"
                  className="link-quiet"
                  aria-label={`Take out ${stage.name}`}
                  onClick={() => set('Stages', { stages: stagesIn100(stages.filter((_, k) => k !== i)) })}
                >
                  take out
                </button>
              )}
            </li>
          ))}
          {stages.length < MOST_STAGES && (
            <li>
              <button
                type="button"
                className="link-quiet text-[14px]"
                onClick={() =>
                  set('Stages', {
                    stages: stagesIn100([...stages, { name: 'another stage', share: 1 / stages.length }]),
                  })
                }
              >
                One more stage
              </button>
            </li>
          )}
        </ul>
      )}
      {wholeFirst === undefined && !stages && school === 'long' && (
        <span className="flex flex-wrap items-baseline gap-x-2 text-[14px] text-quiet">
          tone only from
          <DurationField
            label="Tone in drawings at least so long"
            ms={toneFromMs ?? TONE_FROM_MS}
            atLeastMs={0}
            onChange={(ms) => set('Tone from', { toneFromMs: ms })}
          />
          on
        </span>
      )}
    </Row>
  );
}

/** What stages of one's own begin as where the exercise has none. */
const TWO_STAGES: readonly Stage[] = [
  { name: 'light', share: 0.6 },
  { name: 'dark', share: 0.4 },
];

/** Shares in whole percents that add up to a hundred. */
const stagesIn100 = (stages: readonly Stage[]): Stage[] => withShare(stages, 0, stages[0].share / total(stages));
const total = (stages: readonly Stage[]): number => stages.reduce((sum, { share }) => sum + share, 0);
