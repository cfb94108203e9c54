'use client';
import { CATALOG, exerciseById } from '@/core/practice/exercises';
import { type ExerciseRule, VIEWS } from '@/core/practice/exercises/exercise';
import type { PosesRecipe, Recipe } from '@/core/practice/plan/recipe';
import { without } from '@/core/without';
import { withHandsInTurn, withTicks } from '@/core/practice/edit/edit';
import { Choice, DurationField, Row, Select, Tick } from './fields';
import { RuleRows } from './RuleRows';
import type { ChangePoses } from './changePoses';

interface RuleFieldsProps {
  block: PosesRecipe;
  recipe: Recipe;
  change: ChangePoses;
}

/** What the program keeps: the exercise's own rule, and where this block departs from it. */
export function RuleFields({ block, recipe, change }: RuleFieldsProps) {
  const exercise = exerciseById(block.exercise, recipe.exercises);
  const rule = { ...exercise.rule, ...block.settings.rule } as ExerciseRule;
  const labels = exercise.form?.labels;
  const set = (part: Partial<ExerciseRule>): void =>
    change('Rule', (b) => ({ ...b, settings: { ...b.settings, rule: { ...b.settings.rule, ...part } } }));
  const others: [string, string][] = [...recipe.exercises, ...CATALOG]
    .filter((e) => e.id !== block.exercise)
    .map((e) => [e.id, e.name]);
  return (
    <>
      <RuleRows rule={rule} onChange={set} />
      <Row label="Hand">
        <Choice
          label="Hand"
          value={rule.hand}
          options={['usual', 'other']}
          words={{ usual: 'usual hand', other: 'other hand' }}
          onChange={(hand) => set({ hand })}
        />
        <Tick
          label="then all again with the other"
          checked={block.bothHands}
          onChange={(bothHands) => change('Both hands', (b) => ({ ...without(b, 'handsInTurn'), bothHands }))}
        />
        <Tick
          label="the other hand every other pose"
          checked={block.handsInTurn === true}
          onChange={(on) => change('Hands in turn', (b) => withHandsInTurn(b, on))}
        />
        {(block.handsInTurn || block.bothHands) && (
          <span className="flex items-baseline gap-x-2 text-[14px]">
            <DurationField
              label="More time to change hands"
              ms={block.settings.handChangeMs ?? 0}
              atLeastMs={0}
              onChange={(handChangeMs) =>
                change('Changing hands', (b) => ({ ...b, settings: { ...b.settings, handChangeMs } }))
              }
            />
            more to change hands
          </span>
        )}
        <Tick
          label="tick what was missing after each"
          checked={block.settings.tickEach === true}
          onChange={(on) => change('Ticks', (b) => withTicks(b, on))}
        />
        <Tick
          label="a card that dares a mark"
          checked={block.settings.risk === true}
          onChange={(on) =>
            change('Risk', (b) => ({ ...b, settings: { ...without(b.settings, 'risk'), ...(on && { risk: true }) } }))
          }
        />
        <Tick
          label="from the shoulder"
          checked={rule.grip === 'from the shoulder'}
          onChange={(on) => set({ grip: on ? 'from the shoulder' : 'free' })}
        />
      </Row>
      <Row label="Picture">
        <Select
          label="How the picture is shown"
          value={rule.view}
          options={VIEWS.map((v) => [v, v] as const)}
          onChange={(v) => set({ view: v as ExerciseRule['view'] })}
        />
        <Select
          label="How it is judged"
          value={rule.review}
          options={[
            ['kind', 'no measuring'],
            ['measured', 'measured afterward'],
            ['pair', 'laid side by side'],
          ]}
          onChange={(v) => set({ review: v as ExerciseRule['review'] })}
        />
      </Row>
      <Row label="In turn with">
        <Select
          label="Every other pose is"
          value={block.alternate ?? ''}
          options={[['', 'nothing: all the same'], ...others]}
          onChange={(v) => change('In turn with', (b) => ({ ...b, alternate: v === '' ? null : v }))}
        />
      </Row>
      <Row label="Or, at will">
        <Select
          label="Chosen in the gap instead"
          value={block.settings.orExercise ?? ''}
          options={[['', 'no choice'], ...others]}
          onChange={(v) =>
            change('Or, at will', (b) => {
              const rest = without(b.settings, 'orExercise');
              return { ...b, settings: v === '' ? rest : { ...rest, orExercise: v } };
            })
          }
        />
      </Row>
      {labels && labels.length > 0 && (
        <Row label="Labels">
          <button
            type="button"
            className="link-quiet text-[14px]"
            onClick={() =>
              change('Labels', (b) => ({
                ...b,
                count: labels.length,
                lengths: { order: 'level', fromMs: b.lengths.fromMs, toMs: b.lengths.fromMs, listMs: [] },
                labels: [...labels],
              }))
            }
          >
            One page for each of {labels.length}: {labels.join(', ')}
          </button>
        </Row>
      )}
    </>
  );
}
