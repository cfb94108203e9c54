import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it, vi } from 'vitest';
import type { Body } from '@/core/body/body';
import { templateBody } from '@/core/body/lift';
import { POINT_NAMES } from '@/core/body/points';
import { HandleLayer } from '@/features/figure/HandleLayer';
import { LightAndLook } from '@/features/figure/LightAndLook';
import { MoveBar } from '@/features/figure/MoveBar';
import { FRESH } from '@/features/figure/pageState';
import type { Holding } from '@/features/figure/useHolding';
import { FigureOfPicture } from '@/features/poses/picture/FigureOfPicture';
import { AnswerKeyPanel } from '@/ui/answerKey/AnswerKeyPanel';

vi.mock('next/navigation', () => ({ useRouter: () => ({ push: () => undefined }) }));

const nothing = (): void => undefined;
const HOLDING: Holding = {
  handles: [
    { id: 'head', x: 100, y: 20 },
    { id: 'hand.L', x: 160, y: 140 },
  ],
  told: undefined,
  failed: false,
  drag: nothing,
  letGo: nothing,
  nudge: nothing,
  settle: nothing,
};
const bar = (more: Partial<Parameters<typeof MoveBar>[0]> = {}, holding: Partial<Holding> = {}): string =>
  renderToStaticMarkup(
    <MoveBar
      holding={{ ...HOLDING, ...holding }}
      balanced
      onBalanced={nothing}
      undo={undefined}
      redo={undefined}
      name="Archer turning, moved"
      onKeep={undefined}
      onDone={nothing}
      {...more}
    />,
  );

describe('moving the joints of a figure', () => {
  it('has a ring for each joint that is seen, by its name', () => {
    const markup = renderToStaticMarkup(<HandleLayer holding={HOLDING} />);
    expect([...markup.matchAll(/aria-label="([^"]+)"/g)].map((m) => m[1])).toEqual([
      'Move the head',
      'Move the left hand',
    ]);
    expect(markup).toContain('left:100px;top:20px');
  });
  it('says how it goes, then what came of it, and what went wrong', () => {
    expect(bar()).toContain('Drag a ring, or choose one with Tab');
    expect(bar({}, { told: 'The left hip goes no farther.' })).toContain('The left hip goes no farther.');
    expect(bar({}, { failed: true, told: 'x' })).toContain('Nothing is lost');
  });
  it('is kept only once something was moved, and undone only where there is something', () => {
    expect(bar()).not.toContain('Keep it among your own poses');
    expect(bar({ onKeep: nothing })).toContain('placeholder="Archer turning, moved"');
    const buttons = (markup: string): number => (markup.match(/disabled=""/g) ?? []).length;
    expect(buttons(bar())).toBe(2);
    expect(buttons(bar({ undo: nothing, redo: nothing }))).toBe(0);
  });
});

describe('how a figure is shown', () => {
  it('tells which material, how much of the bones, and whether it wears a suit', () => {
    const markup = renderToStaticMarkup(
      <LightAndLook state={{ ...FRESH, look: 'planes', bones: 1.5, suit: true }} onChange={nothing} />,
    );
    expect(/aria-checked="true"[^>]*>Planes</.test(markup)).toBe(true);
    expect(markup).toContain('value="1.5"');
    expect(/type="checkbox"[^>]*checked=""/.test(markup)).toBe(true);
  });
  it('lists the layers of the answer key by their keys, the digits first', () => {
    const markup = renderToStaticMarkup(<AnswerKeyPanel shown={new Set()} onToggle={nothing} onClear={nothing} />);
    expect([...markup.matchAll(/<kbd[^>]*>(.)</g)].map((m) => m[1]).join('')).toBe('1234567890SP');
  });
});

describe('a picture as a figure', () => {
  const { points, space } = templateBody(0.7);
  const body = (more: Partial<Body> = {}): Body => ({ id: 'a', points, space, score: 1, by: 'hand', ...more });
  const shown = (of: Body): string => renderToStaticMarkup(<FigureOfPicture body={of} aspect={0.7} flip={nothing} />);
  it('asks nothing of limbs that lie across the view', () => {
    expect(shown(body())).toContain('All its limbs lie across the view.');
  });
  it('offers to turn the others, and names what was not seen', () => {
    const deep = space.map((p, i): [number, number, number] =>
      POINT_NAMES[i] === 'left wrist' ? [p[0], p[1], p[2] - 0.5] : p,
    );
    const hidden = points.map((p, i) => (POINT_NAMES[i] === 'right ankle' ? { ...p, seen: 0.1 } : p));
    const markup = shown(body({ space: deep, points: hidden }));
    expect(markup).toContain('left forearm: toward you');
    expect(markup).toContain('Not seen, so guessed: right lower leg.');
  });
});
