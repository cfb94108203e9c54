'use client';
import { MEDIA, mediumById } from '@/core/practice/paper/materials';
import { MOST_ON_A_SHEET, SHEET_SIZES, type SheetSize } from '@/core/practice/paper/sheet';
import { perSheetOf } from '@/core/practice/paper/perSheet';
import type { PosesRecipe, Recipe } from '@/core/practice/plan/recipe';
import { without } from '@/core/without';
import { exerciseById } from '@/core/practice/exercises';
import { CountField, Row, Select, Tick } from './fields';
import { GradeField } from './GradeField';
import type { ChangePoses } from './changePoses';

const SIZES = Object.keys(SHEET_SIZES) as SheetSize[];

interface PaperFieldsProps {
  block: PosesRecipe;
  recipe: Recipe;
  change: ChangePoses;
}

/** Share of the time that a second medium gets at first. */
const LAST_THIRD = 0.33;

/** Chooses a second medium for the same drawing, and how much of the time at the end it gets. */
function SecondMedium({ block, recipe, change }: PaperFieldsProps) {
  const { second, medium: first = recipe.medium } = block.settings;
  const setSecond = (next: typeof second): void =>
    change('Second medium', (b) => ({
      ...b,
      settings: { ...without(b.settings, 'second'), ...(next && { second: next }) },
    }));
  return (
    <>
      <Select
        label="Second medium in the same drawing"
        value={second?.medium ?? ''}
        options={[
          ['', 'no second medium'],
          ...MEDIA.filter(({ id }) => id !== first || id === second?.medium).map(
            (m) => [m.id, `then ${m.name}`] as const,
          ),
        ]}
        onChange={(v) => setSecond(v === '' ? undefined : { share: LAST_THIRD, ...second, medium: v })}
      />
      {second && (
        <>
          <span className="text-[14px]">for the last</span>
          <CountField
            label="Second medium: percent of the time"
            count={Math.round(second.share * 100)}
            most={95}
            onChange={(percent) => setSecond({ ...second, share: Math.max(5, percent) / 100 })}
          />
          <span className="text-[14px]">%</span>
        </>
      )}
    </>
  );
}

/** What is drawn with and on, where it differs from the whole plan. */
export function PaperFields({ block, recipe, change }: PaperFieldsProps) {
  const { settings } = block;
  const medium = mediumById(settings.medium ?? recipe.medium);
  return (
    <>
      <Row label="Medium">
        <Select
          label="Medium of this block"
          value={settings.medium ?? ''}
          options={[['', `as the whole plan: ${recipe.medium}`], ...MEDIA.map((m) => [m.id, m.name] as const)]}
          onChange={(v) =>
            change('Medium', (b) => {
              const rest = without(b.settings, 'medium', 'grade');
              return { ...b, settings: v === '' ? rest : { ...rest, medium: v } };
            })
          }
        />
        {settings.medium !== undefined && (
          <GradeField
            medium={medium}
            exercises={[exerciseById(block.exercise, recipe.exercises)]}
            grade={settings.grade ?? ''}
            onGrade={(grade) => change('Grade', (b) => ({ ...b, settings: { ...b.settings, grade } }))}
          />
        )}
        <SecondMedium block={block} recipe={recipe} change={change} />
        {!medium.erases && <span className="text-[14px] text-quiet">Nothing is rubbed out with it.</span>}
      </Row>
      <Row label="Figure">
        <Tick
          label="as large as it fits"
          checked={settings.figureMm === undefined}
          onChange={(fits) =>
            change('Size', (b) => ({
              ...b,
              settings: fits ? without(b.settings, 'figureMm') : { ...b.settings, figureMm: 250 },
            }))
          }
        />
        {settings.figureMm !== undefined && (
          <>
            <CountField
              label="Height of a figure, millimeters"
              count={settings.figureMm}
              most={2000}
              onChange={(figureMm) =>
                change('Size', (b) => ({ ...b, settings: { ...b.settings, figureMm: Math.max(10, figureMm) } }))
              }
            />
            <span className="text-[14px]">mm tall</span>
          </>
        )}
      </Row>
      <Row label="On a sheet">
        <CountField
          label="Drawings on one sheet"
          count={perSheetOf(block, recipe.sheet)}
          most={MOST_ON_A_SHEET}
          onChange={(perSheet) => change('On a sheet', (b) => ({ ...b, settings: { ...b.settings, perSheet } }))}
        />
        <span className="text-[14px]">on one sheet</span>
        <Tick
          label="over one another"
          checked={settings.overlap ?? exerciseById(block.exercise, recipe.exercises).form?.overlaps ?? false}
          onChange={(overlap) => change('On a sheet', (b) => ({ ...b, settings: { ...b.settings, overlap } }))}
        />
        <Select
          label="Frames on the sheet"
          value={settings.framesFor ?? ''}
          options={[['', 'without frames'], ...SIZES.map((s) => [s, `in frames shaped like ${s}`] as const)]}
          onChange={(v) =>
            change('On a sheet', (b) => {
              const rest = without(b.settings, 'framesFor');
              return { ...b, settings: v === '' ? rest : { ...rest, framesFor: v as SheetSize } };
            })
          }
        />
      </Row>
    </>
  );
}
