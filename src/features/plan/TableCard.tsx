'use client';
import { useMemo, useState } from 'react';
import { envelopeOf } from '@/core/figure/catalogue/envelopes';
import { parsePictureReference } from '@/core/references/picture';
import { frameSheet, standsUpright } from '@/core/practice/paper/frameSheet';
import { type FigureBox, mapPage, offersPart, type PageMap } from '@/core/practice/paper/pageMap';
import {
  areaPerFigure,
  lengthOnPaper,
  MOST_ON_A_SHEET,
  PAPERS,
  type Sheet,
  SHEET_SIZES,
  type SheetSize,
  USUAL_GAP_MM,
} from '@/core/practice/paper/sheet';
import { type Materials, type PlannedSheet, sheetsOf } from '@/core/practice/paper/sheets';
import { toolBrokeLast } from '@/core/journal/toolBroke';
import type { Session } from '@/core/journal/session';
import { onFewerSheets } from '@/core/practice/paper/perSheet';
import { counted, listWords, moreOf } from '@/core/words';
import { usePictureShapes } from '@/storage/hooks/usePictureShapes';
import { CountField, Select, Typed } from './fields';
import { PadField } from './PadField';
import type { PlanEditor } from './usePlanEditor';

interface Shape extends FigureBox {
  corners: readonly (readonly [number, number])[];
}
const BOX: Shape['corners'] = [
  [0, 0],
  [1, 0],
  [1, 1],
  [0, 1],
];
/** A figure that nobody knows yet: a model, a pose from the head. */
const SOMEONE: Shape = { width: 3, height: 7.5, head: 1, corners: BOX };
/** The learner's own hand, somewhat higher than wide. */
const A_HAND: Shape = { width: 3, height: 4, corners: BOX };
const SHOWN = 12;

/** What to lay out, sharpen and cut, and how the poses sit on the sheets. */
export function TableCard({
  editor,
  things,
  available,
  sessions,
  nowMs,
}: {
  editor: PlanEditor;
  things: Materials;
  available: number;
  /** The learner's own. */
  sessions: readonly Session[];
  nowMs: number;
}) {
  const { recipe, chosen } = editor;
  const { sheet } = recipe;
  const sheets = useMemo(() => sheetsOf(recipe, chosen), [recipe, chosen]);
  const [all, setAll] = useState(false);
  const setSheet = (part: Partial<Sheet>): void =>
    editor.change('Sheet', (r) => ({ ...r, sheet: { ...r.sheet, ...part } }));
  const pictureIds = useMemo(
    () =>
      [
        ...new Set(
          sheets.flatMap((s) => s.referenceIds).filter((id) => id !== null && parsePictureReference(id) !== undefined),
        ),
      ] as string[],
    [sheets],
  );
  const pictures = usePictureShapes(pictureIds);
  const ownHand = new Set(
    recipe.blocks.flatMap((b) => (b.kind === 'poses' && b.source.kind === 'own hand' ? b.id : [])),
  );
  const shapeOf = (id: string | null, blockId: string | null): Shape => {
    if (id === null) return blockId !== null && ownHand.has(blockId) ? A_HAND : SOMEONE;
    const known = envelopeOf(id);
    if (known) return known;
    const picture = pictures.get(id);
    return picture ? { ...picture, corners: BOX } : SOMEONE;
  };
  const erasing = {
    'at hand': 'eraser at hand',
    'out of reach': 'eraser out of reach',
    'only where it is allowed': 'eraser where it is allowed',
  };
  // What is being worked on is never among those left out.
  const isSelected = ({ blockId }: PlannedSheet): boolean => blockId !== null && editor.selected.includes(blockId);
  const everySheet = all || sheets.slice(SHOWN).some(isSelected);
  const shown = everySheet ? sheets : sheets.slice(0, SHOWN);
  return (
    <section aria-labelledby="table-heading">
      <h2 id="table-heading" className="text-[20px]">
        On the table
      </h2>
      <p className="mt-1 leading-[1.7]">
        <b>{counted(things.sheets, 'sheet')}</b>{' '}
        <Select
          label="Sheet size"
          value={sheet.size}
          options={Object.keys(SHEET_SIZES).map((s) => [s, s] as const)}
          onChange={(size) => setSheet({ size: size as SheetSize })}
        />{' '}
        <Select
          label="Paper"
          value={sheet.paper}
          options={PAPERS.map((p) => [p, p] as const)}
          onChange={(paper) => setSheet({ paper: paper as Sheet['paper'] })}
        />
        ,{' '}
        <CountField
          label="Drawings on a sheet"
          count={sheet.perSheet}
          most={MOST_ON_A_SHEET}
          onChange={(perSheet) => setSheet({ perSheet })}
        />{' '}
        on each; {mediaWords(things)}; {erasing[things.erasing]}.{' '}
        {things.pictures > 0 && (
          <>
            <b>{counted(things.pictures, 'picture')}</b> of {available}
            {things.picturesWithSpares > available
              ? `; with spares it would take ${String(things.picturesWithSpares)}`
              : `, ${String(things.picturesWithSpares - things.pictures)} spare`}
            .{' '}
          </>
        )}
        {things.posesOfModel > 0 && <b>{counted(things.posesOfModel, 'pose')} asked of the model.</b>}
        {toolBrokeLast(sessions) && <b>A tool broke last time: have one more of it ready.</b>}
      </p>
      <PadField
        sessions={sessions}
        needed={things.sheets}
        nowMs={nowMs}
        onPerSheet={(times) => editor.change('On a sheet', (r) => onFewerSheets(r, times))}
      />
      <p className="mt-2 flex flex-wrap items-baseline gap-x-2 gap-y-3 text-[14px] text-quiet">
        Margin
        <MmField
          label="Margin of the sheet, millimeters"
          what="A margin"
          mm={sheet.marginMm}
          most={100}
          onChange={(marginMm) => setSheet({ marginMm })}
        />
        mm, gap
        <MmField
          label="Gap between figures, millimeters"
          what="A gap"
          mm={sheet.gapMm ?? USUAL_GAP_MM}
          most={200}
          onChange={(gapMm) => setSheet({ gapMm })}
        />
        mm, measured in
        <Select
          label="Unit"
          value={sheet.unit}
          options={[
            ['mm', 'millimeters'],
            ['in', 'inches'],
          ]}
          onChange={(unit) => setSheet({ unit: unit as Sheet['unit'] })}
        />
        {sheet.unit === 'in' && <span>{(areaPerFigure(sheet, sheet.perSheet) / 645.16).toFixed(0)} sq in each</span>}
      </p>
      <ol className="mt-3 grid grid-cols-[repeat(auto-fill,minmax(96px,1fr))] items-end gap-x-3 gap-y-3">
        {shown.map((s, i) => (
          <SheetMap
            key={i}
            number={i + 1}
            planned={s}
            sheet={sheet}
            shapeOf={(id) => shapeOf(id, s.blockId)}
            isSelected={isSelected(s)}
          />
        ))}
      </ol>
      {sheets.length > SHOWN && (all || !everySheet) && (
        <button type="button" className="link-quiet mt-2 text-[14px]" onClick={() => setAll(!all)}>
          {all ? 'Show fewer' : moreOf(sheets.length - SHOWN, 'sheet')}
        </button>
      )}
      {things.cautions.length > 0 && (
        <ul className="mt-3 list-disc space-y-1 border-t border-hairline pt-2 pl-5 text-[14px] text-quiet">
          {things.cautions.map((c) => (
            <li key={c}>{c}</li>
          ))}
        </ul>
      )}
    </section>
  );
}

/** A length on the sheet, from nothing to so much. */
function MmField({
  label,
  what,
  mm,
  most,
  onChange,
}: {
  label: string;
  what: string;
  mm: number;
  most: number;
  onChange: (mm: number) => void;
}) {
  return (
    <Typed
      label={label}
      shown={String(mm)}
      width="3em"
      read={(typed) => {
        const value = Number(typed.replace(',', '.'));
        return Number.isFinite(value) && typed.trim() !== '' && value >= 0 && value <= most
          ? { value }
          : { problem: `${what} is 0 to ${String(most)} mm.` };
      }}
      onChange={onChange}
    />
  );
}

function mediaWords({ media }: Materials): string {
  if (media.length === 0) return 'no medium chosen';
  const graded = (words: string, grades: string): string => (grades ? `${words} ${grades}` : words);
  const sharpened = media
    .filter(({ pieces }) => pieces > 0)
    .map(({ name, grades, pieces, piece }) =>
      graded(name.endsWith(piece) ? counted(pieces, name) : `${counted(pieces, piece)} of ${name}`, grades),
    );
  const others = media.filter(({ pieces }) => pieces === 0).map(({ name, grades }) => graded(name, grades));
  return [...(sharpened.length > 0 ? [`${listWords(sharpened)}, sharpened before you start`] : []), ...others].join(
    '; ',
  );
}

interface SheetMapProps {
  number: number;
  planned: PlannedSheet;
  sheet: Sheet;
  shapeOf: (id: string | null) => Shape;
  isSelected: boolean;
}
/** Small plans: one frame each, upright where the first picture is. */
function framedPage(planFor: SheetSize, shapes: readonly Shape[], sheet: Sheet): PageMap {
  const { frames, ...page } = frameSheet(shapes.length, sheet, planFor, standsUpright(shapes[0]));
  return { ...page, boxes: frames, sizeMm: Math.sqrt(frames[0].widthMm * frames[0].heightMm) };
}

/** One sheet to scale with the envelopes of its poses inside the margins, or with the frames of small plans. */
function SheetMap({ number, planned, sheet, shapeOf, isSelected }: SheetMapProps) {
  const { framesFor } = planned;
  const shapes = planned.referenceIds.map(shapeOf);
  const map: PageMap =
    shapes.length === 0
      ? linesPage(sheet)
      : framesFor
        ? framedPage(framesFor, shapes, sheet)
        : mapPage(shapes, sheet, planned.overlap);
  const biggest = map.boxes.reduce((a, b) => Math.max(a, b.heightMm), 0);
  const widest = map.boxes.reduce((a, b) => Math.max(a, b.widthMm), 0);
  const head = map.boxes.find((b) => b.headMm !== undefined)?.headMm;
  const size =
    widest > biggest ? `${lengthOnPaper(widest, sheet.unit)} wide` : `${lengthOnPaper(biggest, sheet.unit)} tall`;
  const words =
    shapes.length === 0
      ? planned.name
      : framesFor
        ? `${counted(shapes.length, 'frame')}, ${lengthOnPaper(widest, sheet.unit)} × ${lengthOnPaper(biggest, sheet.unit)}`
        : `${size}${head === undefined ? '' : `, head ${lengthOnPaper(head, sheet.unit)}`}`;
  return (
    <li className="text-[13px] leading-tight">
      <svg
        viewBox={`-2 -2 ${String(map.widthMm + 4)} ${String(map.heightMm + 4)}`}
        role="img"
        aria-label={`Sheet ${String(number)}, ${planned.name}, ${map.turned}: ${words}`}
        className="w-full"
        style={{ maxHeight: 96, ...(map.turned === 'portrait' && { width: '62%' }) }}
      >
        <rect
          width={map.widthMm}
          height={map.heightMm}
          fill="var(--sheet)"
          stroke={isSelected ? 'var(--ink)' : 'var(--rule)'}
          strokeWidth={isSelected ? 6 : 3}
        />
        {shapes.length === 0 && (
          <path
            d={`M${String(map.widthMm * 0.2)} ${String(map.heightMm * 0.15)}v${String(map.heightMm * 0.7)}m${String(map.widthMm * 0.15)} 0v${String(-map.heightMm * 0.7)}m${String(map.widthMm * 0.15)} 0v${String(map.heightMm * 0.7)}m${String(map.widthMm * 0.15)} 0v${String(-map.heightMm * 0.7)}`}
            stroke="var(--ochre)"
            strokeWidth={4}
            fill="none"
          />
        )}
        {framesFor &&
          map.boxes.map((b, i) => (
            <g key={i}>
              <rect
                x={b.xMm}
                y={b.yMm}
                width={b.widthMm}
                height={b.heightMm}
                fill="none"
                stroke="var(--charcoal)"
                strokeWidth={3}
              />
              <text
                x={b.xMm + b.widthMm / 2}
                y={b.yMm + b.heightMm / 2}
                fontSize={Math.min(b.widthMm, b.heightMm) * 0.5}
                textAnchor="middle"
                dominantBaseline="central"
                fill="var(--charcoal)"
              >
                {i + 1}
              </text>
            </g>
          ))}
        {!framesFor &&
          map.boxes.map((b, i) => (
            <path
              key={i}
              d={`M${shapes[i].corners.map(([x, y]) => `${(b.xMm + x * b.widthMm).toFixed(1)} ${(b.yMm + y * b.heightMm).toFixed(1)}`).join('L')}Z`}
              fill="var(--charcoal)"
              fillOpacity={0.2}
              stroke="var(--charcoal)"
              strokeWidth={3}
              strokeLinejoin="round"
            />
          ))}
      </svg>
      <b>{number}</b> {words}
      {shapes.length > 0 && !framesFor && offersPart(map) && (
        <span className="block text-quiet">Small: draw a part, or fewer on a sheet.</span>
      )}
    </li>
  );
}

function linesPage({ size }: Sheet): PageMap {
  const [widthMm, heightMm] = SHEET_SIZES[size];
  return { turned: 'landscape', widthMm, heightMm, boxes: [], sizeMm: 0 };
}
