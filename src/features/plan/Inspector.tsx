'use client';
import { sum } from 'd3-array';
import { useState } from 'react';
import type { PictureSet } from '@/core/references/picture';
import { updateBlock, withBreaths } from '@/core/practice/edit/edit';
import { exerciseById } from '@/core/practice/exercises';
import type { PosesRecipe, RecipeBlock } from '@/core/practice/plan/recipe';
import { BODY_MOVES, LINE_MOTIFS, LINE_PAGE_MS, USUAL_BREATH_MS, USUAL_BREATHS } from '@/core/practice/start/warmUp';
import { clockDigits } from '@/core/practice/time/duration';
import { plannedRibbon } from '@/core/practice/time/ribbon';
import { counted } from '@/core/words';
import { CountField, DurationField, Row, Tick } from './fields';
import { PaperFields } from './PaperFields';
import { PictureFields } from './PictureFields';
import { Problems } from './Problems';
import { RuleFields } from './RuleFields';
import { TimeFields } from './TimeFields';
import type { PlanEditor } from './usePlanEditor';

const TABS = ['Time', 'Pictures', 'Rule', 'Paper'] as const;
type Tab = (typeof TABS)[number];

interface InspectorProps {
  editor: PlanEditor;
  sets: readonly PictureSet[];
  onExercise: (blockId: string) => void;
  /** The time there is, milliseconds. */
  availableMs: number;
}

/** Everything about the chosen block. */
export function Inspector({ editor, sets, onExercise, availableMs }: InspectorProps) {
  const { recipe, selected, problems } = editor;
  const [tab, setTab] = useState<Tab>('Time');
  const blocks = recipe.blocks.filter((b) => selected.includes(b.id));
  if (blocks.length === 0)
    return (
      <section aria-label="The chosen block" className="no-print">
        <h2 className="text-[20px]">Choose a block</h2>
        <p className="mt-2 text-quiet">
          Press a block on the ribbon or in the list to change it. Drag an edge to change a length, drag a block to move
          it.
        </p>
        <WholePlan editor={editor} />
      </section>
    );
  if (blocks.length > 1) return <Several editor={editor} blocks={blocks} />;
  const [block] = blocks;
  const change = (words: string, update: (b: RecipeBlock) => RecipeBlock): void =>
    editor.change(words, (r) => updateBlock(r, block.id, update));
  const changePoses = (words: string, update: (b: PosesRecipe) => PosesRecipe): void =>
    change(words, (b) => (b.kind === 'poses' ? update(b) : b));
  const own = problems.filter((p) => p.blockId === block.id);
  return (
    <section aria-label="The chosen block" id="inspector" className="no-print">
      <div className="flex flex-wrap items-baseline gap-x-3">
        <h2 className="text-[20px]">{titleOf(block, editor)}</h2>
        {block.kind === 'poses' && (
          <button type="button" className="link-quiet text-[14px]" onClick={() => onExercise(block.id)}>
            another exercise
          </button>
        )}
        <span className="ml-auto">
          <Tick
            label="Pinned"
            checked={block.pinned}
            onChange={(pinned) => change(pinned ? 'Pinned' : 'Unpinned', (b) => ({ ...b, pinned }))}
          />
        </span>
      </div>
      <p className="text-[14px] text-quiet">{shareWords(blockMs(editor, block.id), availableMs)}</p>
      <Problems problems={own} onTake={changePoses} />
      {block.kind === 'poses' ? (
        <>
          <div role="tablist" aria-label="Parts of the block" className="mt-1 flex gap-4">
            {TABS.map((t) => (
              <button
                key={t}
                type="button"
                role="tab"
                id={`tab-${t}`}
                aria-selected={tab === t}
                aria-controls="tab-panel"
                tabIndex={tab === t ? 0 : -1}
                className={`min-h-[32px] border-b-2 ${tab === t ? 'border-charcoal font-semibold' : 'border-transparent text-quiet'}`}
                onClick={() => setTab(t)}
                onKeyDown={(event) => {
                  const step = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
                  if (step === undefined) return;
                  const next = TABS[(TABS.indexOf(t) + step + TABS.length) % TABS.length];
                  setTab(next);
                  document.getElementById(`tab-${next}`)?.focus();
                }}
              >
                {t}
              </button>
            ))}
          </div>
          <div role="tabpanel" id="tab-panel" aria-labelledby={`tab-${tab}`}>
            {tab === 'Time' && <TimeFields key={block.id} block={block} recipe={recipe} change={changePoses} />}
            {tab === 'Pictures' && (
              <PictureFields
                block={block}
                chosen={editor.chosen[block.id] ?? []}
                {...editor.poolOfBlock(block)}
                sets={sets}
                change={changePoses}
              />
            )}
            {tab === 'Rule' && <RuleFields block={block} recipe={recipe} change={changePoses} />}
            {tab === 'Paper' && <PaperFields block={block} recipe={recipe} change={changePoses} />}
          </div>
        </>
      ) : (
        <PlainFields block={block} change={change} />
      )}
    </section>
  );
}

/** How long a block takes, the rests of the rest rule left out. */
const blockMs = ({ plan, origins }: PlanEditor, id: string): number =>
  sum(
    plannedRibbon(plan).filter(({ blockIndex }) => origins[blockIndex].blockId === id),
    ({ cells }) => sum(cells, (cell) => cell.lengthMs),
  );

/** "20:00, 11.1 % of the 3:00:00 you have". */
const shareWords = (ms: number, ofMs: number): string =>
  `${clockDigits(ms)}, ${((100 * ms) / ofMs).toFixed(1)} % of the ${clockDigits(ofMs)} you have`;

function titleOf(block: RecipeBlock, { recipe }: PlanEditor): string {
  switch (block.kind) {
    case 'poses':
      return exerciseById(block.exercise, recipe.exercises).name;
    case 'body':
      return 'Body';
    case 'lines':
      return 'Pages of lines';
    case 'rest':
      return block.purpose === 'look back' ? 'Look back' : 'Rest';
  }
}

type Change = (words: string, update: (b: RecipeBlock) => RecipeBlock) => void;

/** Body, lines, rest: little to say. */
function PlainFields({ block, change }: { block: Exclude<RecipeBlock, PosesRecipe>; change: Change }) {
  if (block.kind === 'rest')
    return (
      <>
        <Row label="Length">
          <DurationField
            label="Length of the rest"
            ms={block.durationMs}
            onChange={(durationMs) => change('Length', (b) => (b.kind === 'rest' ? { ...b, durationMs } : b))}
          />
        </Row>
        <p className="mt-2 text-[14px] text-quiet">
          {block.purpose === 'look back'
            ? 'Lay the pages out. What is right? What will you try next time?'
            : 'Put the pencil down, move, look at something far away. About every 20 to 25 minutes.'}
        </p>
      </>
    );
  if (block.kind === 'lines')
    return (
      <>
        <Row label="Pages">
          <CountField
            label="Pages of lines"
            count={block.pages.length}
            most={40}
            onChange={(count) =>
              change('Pages', (b) =>
                b.kind === 'lines'
                  ? {
                      ...b,
                      pages: Array.from(
                        { length: count },
                        (_, i) => b.pages[i] ?? { motif: LINE_MOTIFS[i % LINE_MOTIFS.length], nominalMs: LINE_PAGE_MS },
                      ),
                    }
                  : b,
              )
            }
          />
          <span className="text-[14px]">until full, about</span>
          <DurationField
            label="Expected for each page"
            ms={block.pages[0].nominalMs}
            onChange={(nominalMs) =>
              change('Length', (b) =>
                b.kind === 'lines' ? { ...b, pages: b.pages.map((p) => ({ ...p, nominalMs })) } : b,
              )
            }
          />
          <span className="text-[14px]">each</span>
        </Row>
        <p className="mt-2 text-[14px] text-quiet">
          {block.pages.map((p) => p.motif.toLowerCase()).join(', ')}. A page ends when you say it is full: it counts up,
          so the plan shows “at least”.
        </p>
      </>
    );
  return (
    <>
      {BODY_MOVES.map((move) => {
        const has = block.moves.some((m) => m.name === move.name);
        const ms = block.moves.find((m) => m.breathMs === undefined)?.durationMs ?? 5000;
        return (
          <div key={move.name} className="py-[2px]">
            <Tick
              label={move.name}
              checked={has}
              onChange={(on) =>
                change('Body moves', (b) => {
                  if (b.kind !== 'body') return b;
                  const names = new Set(b.moves.map((m) => m.name));
                  if (on) names.add(move.name);
                  else names.delete(move.name);
                  const moves = [
                    ...b.moves.filter((m) => m.breathMs !== undefined),
                    ...BODY_MOVES.filter((m) => names.has(m.name)).map((m) => ({ ...m, durationMs: ms })),
                  ];
                  return moves.length === 0 ? b : { ...b, moves };
                })
              }
            />
          </div>
        );
      })}
      <Breaths block={block} change={change} />
      <Row label="Each">
        <DurationField
          label="Each move"
          ms={block.moves.find((m) => m.breathMs === undefined)?.durationMs ?? block.moves[0].durationMs}
          onChange={(durationMs) =>
            change('Length', (b) =>
              b.kind === 'body'
                ? { ...b, moves: b.moves.map((m) => (m.breathMs === undefined ? { ...m, durationMs } : m)) }
                : b,
            )
          }
        />
      </Row>
      <p className="mt-2 text-[14px] text-quiet">
        Gently, inside a comfortable range. Stop at pain, numbness or tingling.
      </p>
    </>
  );
}

/** Paced breaths before the moves: how many, and how long each is. */
function Breaths({ block, change }: { block: Extract<RecipeBlock, { kind: 'body' }>; change: Change }) {
  const breaths = block.moves.find((move) => move.breathMs !== undefined);
  const breathMs = breaths?.breathMs ?? USUAL_BREATH_MS;
  const count = breaths ? Math.round(breaths.durationMs / breathMs) : 0;
  const set = (n: number, ms: number): void =>
    change('Breaths', (b) => (b.kind === 'body' ? withBreaths(b, n, ms) : b));
  return (
    <Row label="Breaths">
      <Tick
        label="breathe first"
        checked={breaths !== undefined}
        onChange={(on) => set(on ? USUAL_BREATHS : 0, USUAL_BREATH_MS)}
      />
      {breaths && (
        <>
          <CountField label="How many breaths" count={count} most={40} onChange={(n) => set(n, breathMs)} />
          <span className="text-[14px]">breaths of</span>
          <DurationField
            label="Length of a breath"
            ms={breathMs}
            atLeastMs={3000}
            atMostMs={60_000}
            onChange={(ms) => set(count, ms)}
          />
          <span className="text-[14px] text-quiet">preparing, not drawing</span>
        </>
      )}
    </Row>
  );
}

/** What all chosen blocks share. */
function Several({ editor, blocks }: { editor: PlanEditor; blocks: readonly RecipeBlock[] }) {
  const ids = blocks.map((b) => b.id);
  const poses = blocks.filter((b) => b.kind === 'poses');
  return (
    <section aria-label="The chosen blocks" id="inspector" className="no-print">
      <h2 className="text-[20px]">{counted(blocks.length, 'block')}</h2>
      <p className="mt-2 text-[14px] text-quiet">
        They are moved, duplicated, deleted and pinned together. Plus and minus make all of them longer and shorter.
      </p>
      <Row label="Pinned">
        <Tick
          label="Leave them as they are when fitting"
          checked={blocks.every((b) => b.pinned)}
          onChange={(pinned) =>
            editor.change(pinned ? 'Pinned' : 'Unpinned', (r) => ({
              ...r,
              blocks: r.blocks.map((b) => (ids.includes(b.id) ? { ...b, pinned } : b)),
            }))
          }
        />
      </Row>
      {poses.length > 0 && (
        <>
          <Row label="Each pose">
            <DurationField
              label="Length of every pose in them"
              ms={poses[0].lengths.fromMs}
              onChange={(ms) =>
                editor.change('Length', (r) => ({
                  ...r,
                  blocks: r.blocks.map((b) =>
                    ids.includes(b.id) && b.kind === 'poses'
                      ? { ...b, lengths: { order: 'level', fromMs: ms, toMs: ms, listMs: [] } }
                      : b,
                  ),
                }))
              }
            />
          </Row>
          <Row label="Change">
            <DurationField
              label="Change after each pose"
              ms={poses[0].changeMs}
              atLeastMs={0}
              onChange={(changeMs) =>
                editor.change('Changes', (r) => ({
                  ...r,
                  blocks: r.blocks.map((b) => (ids.includes(b.id) && b.kind === 'poses' ? { ...b, changeMs } : b)),
                }))
              }
            />
          </Row>
        </>
      )}
    </section>
  );
}

/** Rules of the whole plan, where no block is chosen. */
function WholePlan({ editor }: { editor: PlanEditor }) {
  const { recipe } = editor;
  const { restRule } = recipe;
  return (
    <div className="mt-4">
      <Row label="Rests">
        <Tick
          label="Put a rest in by itself"
          checked={restRule !== null}
          onChange={(on) =>
            editor.change('Rest rule', (r) => ({ ...r, restRule: on ? { everyMs: 1_200_000, restMs: 120_000 } : null }))
          }
        />
        {restRule && (
          <span className="flex flex-wrap items-baseline gap-x-2 text-[14px]">
            after every
            <DurationField
              label="Drawing before a rest"
              ms={restRule.everyMs}
              onChange={(everyMs) =>
                editor.change('Rest rule', (r) => ({ ...r, restRule: r.restRule && { ...r.restRule, everyMs } }))
              }
            />
            of drawing, for
            <DurationField
              label="Length of each rest"
              ms={restRule.restMs}
              onChange={(restMs) =>
                editor.change('Rest rule', (r) => ({ ...r, restRule: r.restRule && { ...r.restRule, restMs } }))
              }
            />
          </span>
        )}
      </Row>
      <Row label="Company">
        <Tick
          label="I explain while I draw: leave it out of my averages"
          checked={recipe.audience}
          onChange={(audience) => editor.change('Company', (r) => ({ ...r, audience }))}
        />
      </Row>
    </div>
  );
}
