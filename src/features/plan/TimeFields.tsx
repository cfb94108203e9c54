'use client';
import { clockDigits, durationWords, parseDuration } from '@/core/practice/time/duration';
import { withCount, withOrder } from '@/core/practice/edit/edit';
import { exerciseById } from '@/core/practice/exercises';
import { hidesReference } from '@/core/practice/exercises/exercise';
import { LENGTH_ORDERS, MAX_COUNT, type PosesRecipe, type Recipe, rowLengths } from '@/core/practice/plan/recipe';
import { AT_ZERO } from '@/core/practice/plan/blockSettings';
import { mostMarks } from '@/core/practice/rules/marks';
import { asksWhole } from '@/core/practice/rules/asksWhole';
import { without } from '@/core/without';
import { Choice, CountField, DurationField, Row, Tick, Typed } from './fields';
import type { ChangePoses } from './changePoses';
import { OvertimeCap } from './OvertimeCap';
import { StageFields } from './StageFields';
import { Word } from '@/ui/Word';

interface TimeFieldsProps {
  block: PosesRecipe;
  recipe: Recipe;
  change: ChangePoses;
}

/** "2:00, 2:00, 3:00" to a list of lengths. */
function readList(typed: string): { value: number[] } | { problem: string } {
  const parts = typed
    .split(/[,;]+/)
    .map((p) => p.trim())
    .filter(Boolean);
  if (parts.length === 0) return { problem: 'Type lengths with commas between them, such as 2:00, 3:00, 5:00.' };
  if (parts.length > MAX_COUNT) return { problem: `At most ${String(MAX_COUNT)} in one block.` };
  const value: number[] = [];
  for (const part of parts) {
    const read = parseDuration(part);
    if ('problem' in read) return read;
    value.push(read.ms);
  }
  return { value };
}

const withSettings = (b: PosesRecipe, settings: Partial<PosesRecipe['settings']>): PosesRecipe => ({
  ...b,
  settings: { ...b.settings, ...settings },
});

/** How many, how long, in which order, and what the clock does. */
export function TimeFields({ block, recipe, change }: TimeFieldsProps) {
  const { lengths, settings } = block;
  const exercise = exerciseById(block.exercise, recipe.exercises);
  const row = rowLengths(block);
  const atZero = settings.atZero ?? 'strict';
  const marks = mostMarks({ marks: settings.rule?.marks ?? exercise.rule.marks });
  const setLength = (part: Partial<PosesRecipe['lengths']>): void =>
    change('Length', (b) => ({ ...b, lengths: { ...b.lengths, ...part } }));
  return (
    <>
      <Row label="Poses">
        <CountField
          label="How many poses"
          count={row.length}
          most={MAX_COUNT}
          onChange={(n) => change('Count', (b) => withCount(b, n))}
        />
        {lengths.order === 'own list' ? (
          <Typed
            label="Lengths of the poses"
            shown={row.map(clockDigits).join(', ')}
            width="100%"
            read={readList}
            onChange={(listMs) =>
              change('Length', (b) => ({ ...b, count: listMs.length, lengths: { ...b.lengths, listMs } }))
            }
          />
        ) : (
          <>
            <span className="text-[14px]">
              {lengths.order === 'level' || lengths.order === 'in turn' ? 'of' : 'from'}
            </span>
            <DurationField
              label={
                lengths.order === 'level'
                  ? 'Length of each pose'
                  : lengths.order === 'in turn'
                    ? 'The first of two'
                    : 'Shortest pose'
              }
              ms={lengths.fromMs}
              onChange={(ms) => setLength(lengths.order === 'level' ? { fromMs: ms, toMs: ms } : { fromMs: ms })}
            />
            {lengths.order !== 'level' && (
              <>
                <span className="text-[14px]">{lengths.order === 'in turn' ? 'and' : 'to'}</span>
                <DurationField
                  label={lengths.order === 'in turn' ? 'The second of two' : 'Longest pose'}
                  ms={lengths.toMs}
                  onChange={(toMs) => setLength({ toMs })}
                />
              </>
            )}
            <span className="text-[14px]">{lengths.order === 'level' ? 'each' : row.map(clockDigits).join(', ')}</span>
          </>
        )}
      </Row>
      <Row label="Order">
        <Choice
          label="Order of lengths"
          value={lengths.order}
          options={LENGTH_ORDERS}
          onChange={(order) => change('Order', (b) => withOrder(b, order))}
        />
        {lengths.order === 'level' && asksWhole(exercise, lengths.fromMs) && (
          <Tick
            label="shorter from day to day, once two were whole"
            checked={settings.followsAnswers === true}
            onChange={(on) =>
              change('Length by answers', (b) => ({
                ...b,
                settings: { ...without(b.settings, 'followsAnswers'), ...(on && { followsAnswers: true }) },
              }))
            }
          />
        )}
      </Row>
      <Row label="At zero">
        <Choice
          label="What the clock does at zero"
          value={atZero}
          options={AT_ZERO}
          onChange={(value) =>
            change('At zero', (b) =>
              withSettings(b, {
                atZero: value,
                ...(value === 'pot' && !b.settings.potMs && { potMs: rowLengths(b).reduce((a, c) => a + c, 0) }),
              }),
            )
          }
        />
        <span className="w-full text-[14px] text-quiet">
          {atZero === 'strict' && 'The picture changes.'}
          {atZero === 'soft' && (
            <span className="flex flex-wrap items-baseline gap-x-2">
              A sound; finish if you like.
              <OvertimeCap block={block} drawMs={row[0]} change={change} />
            </span>
          )}
          {atZero === 'open' && 'It counts up; you go on when you are satisfied.'}
          {atZero === 'pot' && (
            <span className="flex flex-wrap items-baseline gap-x-2">
              <DurationField
                label="The pot"
                ms={settings.potMs ?? 0}
                onChange={(potMs) => change('At zero', (b) => withSettings(b, { potMs }))}
              />
              <span>
                <Word of="pot">for all of them together</Word>, as many as come:{' '}
                {clockDigits((settings.potMs ?? 0) / row.length)} each if all do.
              </span>
              <Tick
                label="let me finish the drawing when it’s empty"
                checked={settings.potEndsSoftly === true}
                onChange={(potEndsSoftly) => change('At zero', (b) => withSettings(b, { potEndsSoftly }))}
              />
              {settings.potEndsSoftly && <OvertimeCap block={block} drawMs={row[0]} change={change} />}
            </span>
          )}
        </span>
      </Row>
      <Row label="Before">
        <DurationField
          label="Lead-in"
          ms={block.leadInMs}
          atLeastMs={0}
          onChange={(leadInMs) => change('Lead-in', (b) => ({ ...b, leadInMs }))}
        />
        <span className="text-[14px]">
          <Word of="lead-in" />, then
        </span>
        <DurationField
          label="Looking first"
          ms={block.lookMs}
          atLeastMs={0}
          onChange={(lookMs) => change('Looking first', (b) => ({ ...b, lookMs }))}
        />
        <span className="text-[14px]">looking</span>
        {block.lookMs > 0 && (
          <Tick
            label="until satisfied"
            checked={block.openLook}
            onChange={(openLook) => change('Looking first', (b) => ({ ...b, openLook }))}
          />
        )}
        <Tick
          label="I start the clock by hand"
          checked={settings.startsBy === 'hand'}
          onChange={(on) => change('Start', (b) => withSettings(b, { startsBy: on ? 'hand' : 'itself' }))}
        />
      </Row>
      <Row label="After">
        <DurationField
          label="Seeing it again"
          ms={block.lookAgainMs}
          atLeastMs={0}
          onChange={(lookAgainMs) => change('Seeing it again', (b) => ({ ...b, lookAgainMs }))}
        />
        <span className="text-[14px]">seeing it again, then</span>
        <DurationField
          label="Change after each pose"
          ms={block.changeMs}
          atLeastMs={0}
          onChange={(changeMs) => change('Changes', (b) => ({ ...b, changeMs }))}
        />
        <span className="text-[14px]">to change the sheet</span>
        <Tick
          label="sharpen"
          checked={settings.sharpenEvery !== undefined}
          onChange={(on) =>
            change('Sharpening', (b) => {
              const rest = without(b.settings, 'sharpenEvery', 'sharpenMs');
              return { ...b, settings: on ? { ...rest, sharpenEvery: 4, sharpenMs: 30_000 } : rest };
            })
          }
        />
        {settings.sharpenEvery !== undefined && (
          <span className="flex flex-wrap items-baseline gap-x-2 text-[14px]">
            after every
            <CountField
              label="Sharpen after every so many poses"
              count={settings.sharpenEvery}
              most={100}
              onChange={(sharpenEvery) => change('Sharpening', (b) => withSettings(b, { sharpenEvery }))}
            />
            for
            <DurationField
              label="Sharpening takes"
              ms={settings.sharpenMs ?? 0}
              onChange={(sharpenMs) => change('Sharpening', (b) => withSettings(b, { sharpenMs }))}
            />
          </span>
        )}
      </Row>
      {hidesReference(exercise) && (
        <Row label="Then">
          <DurationField
            label="Drawing once more"
            ms={block.againMs}
            atLeastMs={0}
            onChange={(againMs) => change('Drawing once more', (b) => ({ ...b, againMs }))}
          />
          <span className="text-[14px]">
            once more, {exercise.rule.reference === 'look then hidden' ? 'with the picture' : 'from memory'}
          </span>
          <Tick
            label="draw until satisfied"
            checked={block.openDraw}
            onChange={(openDraw) => change('Open drawing', (b) => ({ ...b, openDraw }))}
          />
        </Row>
      )}
      <Row label="Warning">
        <Tick
          label={settings.warnMs === undefined ? 'as usual for the length' : 'as usual'}
          checked={settings.warnMs === undefined}
          onChange={(usual) =>
            change('Warning', (b) => {
              const rest = without(b.settings, 'warnMs');
              return { ...b, settings: usual ? rest : { ...rest, warnMs: 30_000 } };
            })
          }
        />
        {settings.warnMs !== undefined && (
          <>
            <DurationField
              label="Warning before the end"
              ms={settings.warnMs}
              atLeastMs={0}
              onChange={(warnMs) => change('Warning', (b) => withSettings(b, { warnMs }))}
            />
            <span className="text-[14px] text-quiet">
              {settings.warnMs === 0
                ? 'none'
                : settings.warnMs > Math.max(...row) / 2
                  ? 'none: it is more than half of the pose'
                  : 'before the end'}
            </span>
          </>
        )}
      </Row>
      <StageFields block={block} recipe={recipe} drawMs={row[0]} change={change} />
      {marks !== undefined && (
        <p className="mt-1 text-[14px]">
          {marks} marks in {durationWords(row[0])}: {(row[0] / marks / 1000).toFixed(1)} s for each.
        </p>
      )}
    </>
  );
}
