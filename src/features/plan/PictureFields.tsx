'use client';
import { BUILT_IN_SETS } from '@/core/references/builtIn';
import { LIBRARY_ID, type PictureSet } from '@/core/references/picture';
import { PICK_ORDERS } from '@/core/references/pickOrder';
import type { PosesRecipe } from '@/core/practice/plan/recipe';
import { withFamily } from '@/core/practice/edit/edit';
import { HOLD_LIMITS_MS, USUAL_HOLD_LIMIT_MS } from '@/core/practice/rules/holds';
import { durationWords } from '@/core/practice/time/duration';
import { without } from '@/core/without';
import { FigureWishFields } from '@/ui/FigureWishFields';
import { Choice, Row, Select, SELECT_LINE, Tick, Typed } from './fields';
import { LeftOut } from './LeftOut';
import { PinnedPictures } from './PinnedPictures';
import type { ChangePoses } from './changePoses';

const KINDS = ['pictures', 'same picture', 'live model', 'own hand', 'imagination', 'none'] as const;
const KIND_WORDS = {
  pictures: 'one each',
  'same picture': 'the same again',
  'live model': 'a model',
  'own hand': 'my own hand',
  imagination: 'my head',
  none: 'nothing',
};

export const setOptions = (sets: readonly PictureSet[]): [string, string][] => [
  ...BUILT_IN_SETS.map((s): [string, string] => [s.id, s.name]),
  [LIBRARY_ID, 'All your pictures'],
  ...sets.map((s): [string, string] => [s.id, s.name]),
];

interface PictureFieldsProps {
  block: PosesRecipe;
  chosen: readonly (string | null)[];
  /** What it may be drawn from, and what of its set its wishes leave out. */
  pool: readonly string[];
  leftOut: readonly string[];
  sets: readonly PictureSet[];
  change: ChangePoses;
}

/** Where the references of a block come from, and which are kept. */
export function PictureFields({ block, chosen, pool, leftOut, sets, change }: PictureFieldsProps) {
  const { source } = block;
  const set = (part: Partial<PosesRecipe['source']>): void =>
    change('Pictures', (b) => ({ ...b, source: { ...b.source, ...part } }));
  const fromPictures = source.kind === 'pictures' || source.kind === 'same picture';
  const shown =
    source.kind === 'same picture' ? chosen.slice(0, 1) : source.pairs ? chosen.filter((_, i) => i % 2 === 0) : chosen;
  return (
    <>
      <Row label="Draw from">
        <Choice
          label="What is drawn from"
          value={source.kind}
          options={KINDS}
          words={KIND_WORDS}
          onChange={(kind) => set({ kind })}
        />
      </Row>
      {fromPictures ? (
        <>
          <Row label="Set">
            <Select
              label="Set of this block"
              value={source.setId ?? ''}
              options={[['', 'as the whole plan'], ...setOptions(sets)]}
              onChange={(id) => set({ setId: id === '' ? null : id, pins: [] })}
            />
          </Row>
          <Row label="Picking">
            <Choice
              label="Order of pictures"
              value={source.order}
              options={PICK_ORDERS}
              onChange={(order) => set({ order })}
            />
          </Row>
          <Row label="Only">
            <Select
              label="Hardest"
              value={String(source.hardest ?? 5)}
              options={[
                ['1', 'the gentlest'],
                ['2', 'gentle ones'],
                ['3', 'up to middling'],
                ['4', 'up to hard'],
                ['5', 'any, hard ones too'],
              ]}
              onChange={(v) => {
                const rest = without(source, 'hardest');
                change('Pictures', (b) => ({ ...b, source: v === '5' ? rest : { ...rest, hardest: Number(v) } }));
              }}
            />
            <Select
              label="How much of the body"
              value={source.extent ?? ''}
              options={[
                ['', 'whole or part'],
                ['whole', 'whole figures'],
                ['cropped', 'cropped ones'],

                ['part', 'parts only'],
              ]}
              onChange={(v) => {
                const rest = without(source, 'extent');
                change('Pictures', (b) => ({ ...b, source: v === '' ? rest : { ...rest, extent: v } }));
              }}
            />
            <FigureWishFields
              wishes={source}
              className={`${SELECT_LINE} text-[14px]`}
              onChange={(wish) => change('Pictures', (b) => ({ ...b, source: { ...wish(b.source), pins: [] } }))}
            />
            <Tick
              label="the first one gentle"
              checked={source.gentleFirst}
              onChange={(gentleFirst) => set({ gentleFirst })}
            />
            {source.kind === 'pictures' && (
              <Tick
                label="each for two poses running"
                checked={source.pairs === true}
                onChange={(on) =>
                  change('Pictures', (b) => ({
                    ...b,
                    source: { ...without(b.source, 'pairs'), ...(on && { pairs: true }), pins: [] },
                  }))
                }
              />
            )}
            {source.kind === 'pictures' && (
              <Tick label="an odd one out at the end" checked={source.odd} onChange={(odd) => set({ odd })} />
            )}
            <LeftOut ids={leftOut} />
          </Row>
          <Row label="Pinned">
            {shown.length === 0 && <span className="text-[14px] text-quiet">Nothing is chosen yet.</span>}
            <PinnedPictures
              shown={shown}
              pins={source.pins}
              pool={pool}
              slotName={source.pairs ? 'pair' : 'pose'}
              onPins={(pins) => set({ pins })}
            />
          </Row>
        </>
      ) : (
        <>
          {source.kind === 'live model' && (
            <Row label="Held">
              <Select
                label="Longest hold"
                value={String(block.settings.holdLimitMs ?? USUAL_HOLD_LIMIT_MS)}
                options={HOLD_LIMITS_MS.map((ms): [string, string] => [String(ms), `${durationWords(ms)} at most`])}
                onChange={(ms) =>
                  change('Longest hold', (b) => ({ ...b, settings: { ...b.settings, holdLimitMs: Number(ms) } }))
                }
              />
              <Tick
                label="somebody of the family sits"
                checked={block.settings.familySits === true}
                onChange={(on) => change('Family', (b) => withFamily(b, on))}
              />
              <Tick
                label="holds of one pose, one drawing"
                checked={block.settings.oneDrawing !== undefined}
                onChange={(one) =>
                  change('Holds', (b) => ({
                    ...b,
                    settings: one ? { ...b.settings, oneDrawing: b.id } : without(b.settings, 'oneDrawing'),
                  }))
                }
              />
            </Row>
          )}
          {source.kind === 'imagination' && (
            <Row label="Calls">
              <Select
                label="What is called for each pose"
                value={block.settings.calls === undefined ? 'list' : block.settings.calls.length > 0 ? 'own' : 'none'}
                options={[
                  ['list', 'an action with a weight, a view or a prop'],
                  ['none', 'nothing'],
                  ['own', 'my own words'],
                ]}
                onChange={(chosen) =>
                  change('Calls', (b) => ({
                    ...b,
                    settings:
                      chosen === 'list'
                        ? without(b.settings, 'calls')
                        : { ...b.settings, calls: chosen === 'none' ? [] : ['walking into the wind'] },
                  }))
                }
              />
              {(block.settings.calls?.length ?? 0) > 0 && (
                <textarea
                  className="textarea w-full textarea-sm"
                  rows={4}
                  aria-label="Your own calls, one a line"
                  defaultValue={block.settings.calls?.join('\n')}
                  onChange={({ target }) => {
                    const calls = target.value
                      .split('\n')
                      .map((line) => line.trim().slice(0, 200))
                      .filter(Boolean)
                      .slice(0, 60);
                    if (calls.length > 0) change('Calls', (b) => ({ ...b, settings: { ...b.settings, calls } }));
                  }}
                />
              )}
            </Row>
          )}
          <Row label="Prompt">
            <Typed
              label="Prompt"
              shown={block.settings.prompt ?? ''}
              width="100%"
              read={(typed) => (typed.length > 200 ? { problem: 'At most 200 letters.' } : { value: typed.trim() })}
              onChange={(prompt) => change('Prompt', (b) => ({ ...b, settings: { ...b.settings, prompt } }))}
            />
            <span className="text-[14px] text-quiet">Shown in place of a picture. It may be empty.</span>
          </Row>
        </>
      )}
    </>
  );
}
