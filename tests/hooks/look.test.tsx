// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { useState } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { pairWindows, UPRIGHT } from '@/core/desk/pair';
import type { SheetDrawing } from '@/core/desk/sheet';
import { drawByHand } from '@/core/hand/draw';
import { placesSeen } from '@/core/measure/drawn';
import { type LaidLine, type Look, PLAIN, shownSide, withLine } from '@/features/desk/look/look';
import { LookBar } from '@/features/desk/look/LookBar';
import { Measured } from '@/features/desk/look/Measured';
import { Plate } from '@/features/desk/look/Plate';
import { useBoxSteps } from '@/features/desk/useBoxSteps';
import { PointsOnDrawing } from '@/features/desk/look/PointsOnDrawing';
import type { FittedDrawing } from '@/workers/sheet.worker';
import { keyOf } from '../core/keys';

const FLAT = { url: 'blob:sheet', image: new Blob(), width: 1000, height: 1400 };
const BOX: SheetDrawing = { x: 0.1, y: 0.1, width: 0.5, height: 0.8, drawing: '0:0' };
const key = keyOf(40);
const seen = placesSeen(key, false);
/** Where a drawing in the box has its places, as a worker would find them. */
function fittedBy(head: number): FittedDrawing {
  const { places } = drawByHand({ key, manner: 'contour', drawMs: 1000, seed: 1, errors: { head } });
  // As wide as it is high: a step across the sheet is as long as a step down.
  const k = (BOX.height * FLAT.height) / (key.bottom - key.top);
  const shares = ([x, y]: readonly [number, number]): [number, number] => [
    (x * k) / FLAT.width,
    BOX.y + ((y - key.top) * k) / FLAT.height,
  ];
  return {
    points: [...seen].map(([name]) => {
      const [x, y] = shares(places.get(name)!);
      return { name, x, y, sigma: 0.001, by: 'fit' };
    }),
    outline: key.outline.map(({ points }) => points.map(shares)),
    between: key.negatives.map(({ shape }) => shape.points.map(shares)),
    inkMet: 0.9,
    outlineMet: 0.9,
  };
}

/** jsdom lays nothing out: everything is a hundred by two hundred. */
beforeEach(() => {
  vi.spyOn(Element.prototype, 'getBoundingClientRect').mockReturnValue({
    left: 0,
    top: 0,
    width: 100,
    height: 200,
    right: 100,
    bottom: 200,
    x: 0,
    y: 0,
    toJSON: () => '',
  });
  Object.assign(Element.prototype, { setPointerCapture: () => undefined });
});
afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
});

/** Presses as jsdom knows them: without a place of their own. */
const press = (
  type: 'pointerdown' | 'pointerup' | 'pointermove',
  element: Element,
  clientX: number,
  clientY: number,
): void => {
  fireEvent(
    element,
    Object.assign(new Event(type, { bubbles: true, cancelable: true }), { clientX, clientY, pointerId: 1 }),
  );
};

describe('a plate', () => {
  const pictured = { width: 400, height: 800, left: 100, top: 100, right: 300, bottom: 700 };
  const { a: window } = pairWindows(pictured, pictured);
  const shown = (turned = UPRIGHT, lines: LaidLine[] = []) => {
    const drawn: [number, number][][] = [];
    const { container } = render(
      <Plate
        url="blob:x"
        alt="picture"
        pictured={pictured}
        window={window}
        turned={turned}
        filter={undefined}
        small={1}
        lines={lines}
        onDraw={(from, to) => drawn.push([from, to])}
      />,
    );
    return { plate: container.firstElementChild!, drawn, container };
  };
  it('tells a press as shares of the figure, whichever way it is turned', () => {
    const { plate, drawn } = shown();
    press('pointerdown', plate, 50, 100);
    press('pointerup', plate, 50, 100);
    expect(drawn[0][1][0]).toBeCloseTo(0.5, 6);
    expect(drawn[0][1][1]).toBeCloseTo(0.5, 6);
    cleanup();
    const mirrored = shown({ mirrored: true, quarters: 0 });
    press('pointerdown', mirrored.plate, 10, 20);
    press('pointerup', mirrored.plate, 10, 20);
    cleanup();
    const plain = shown();
    press('pointerdown', plain.plate, 90, 20);
    press('pointerup', plain.plate, 90, 20);
    expect(mirrored.drawn[0][1][0]).toBeCloseTo(plain.drawn[0][1][0], 9);
    expect(mirrored.drawn[0][1][1]).toBeCloseTo(plain.drawn[0][1][1], 9);
  });
  it('draws plumb lines upright, levels level, and any line from end to end', () => {
    const { container } = shown(UPRIGHT, [
      { kind: 'plumb', u: 0.5 },
      { kind: 'level', v: 0 },
      { kind: 'any', from: [0, 0], to: [1, 1] },
    ]);
    const [plumb, level, any] = [...container.querySelectorAll('line')].map((line) =>
      ['x1', 'y1', 'x2', 'y2'].map((name) => Number(line.getAttribute(name))),
    );
    expect(plumb[0]).toBeCloseTo(0.5, 6);
    expect(plumb).toEqual([plumb[0], 0, plumb[0], 1]);
    expect(level[1]).toBe(level[3]);
    expect(level[1]).toBeCloseTo((pictured.top - window.top) / window.height, 6);
    expect(any[2]).toBeGreaterThan(any[0]);
  });
});

describe('the bar of a pair', () => {
  function Bar() {
    const [look, setLook] = useState(PLAIN);
    return (
      <>
        <LookBar look={look} onLook={setLook} offers={[{ id: 'between', words: 'Shapes between' }]} />
        <output>{JSON.stringify(look)}</output>
      </>
    );
  }
  const state = (): Record<string, unknown> =>
    JSON.parse(screen.getByRole('status').textContent) as Record<string, unknown>;
  const click = (name: string): boolean => fireEvent.click(screen.getByRole('button', { name }));
  it('lays, turns and takes up what it says, and all of it again', () => {
    render(<Bar />);
    expect(screen.queryByLabelText('Reference seen through')).toBeNull();
    click('Over each other');
    expect(screen.getByLabelText('Reference seen through')).toBeTruthy();
    click('Upside down');
    expect(state()['turned']).toEqual({ mirrored: false, quarters: 2 });
    click('Mirrored');
    click('A quarter turn');
    expect(state()['turned']).toEqual({ mirrored: true, quarters: 3 });
    click('As it is');
    expect(state()['turned']).toEqual(UPRIGHT);
    click('Any line');
    expect(screen.getByText('Draw it on either picture: it appears on both.')).toBeTruthy();
    click('Any line');
    expect(state()['tool']).toBeUndefined();
    fireEvent.change(screen.getByLabelText('on'), { target: { value: 'drawing' } });
    click('Step back');
    expect(state()).toMatchObject({ which: 'drawing', back: true });
  });
});

describe('the look of a pair', () => {
  it('is applied to the side it is meant for, and to both where none is chosen', () => {
    const look: Look = { ...PLAIN, seenAs: 'grey', back: true, turned: { mirrored: true, quarters: 1 } };
    for (const side of ['reference', 'drawing'] as const)
      expect(shownSide(look, side)).toEqual({ turned: look.turned, filter: 'url(#seen-grey)', small: 0.1 });
    const one: Look = { ...look, which: 'drawing' };
    expect(shownSide(one, 'drawing').small).toBe(0.1);
    expect(shownSide(one, 'reference')).toEqual({ turned: UPRIGHT, filter: undefined, small: 1 });
  });
  it('takes a line by the tool that is taken up, the oldest of too many going', () => {
    expect(withLine(PLAIN, [0, 0], [1, 1])).toBe(PLAIN);
    const any = withLine({ ...PLAIN, tool: 'any' }, [0.1, 0.2], [0.3, 0.4]);
    expect(any.lines).toEqual([{ kind: 'any', from: [0.1, 0.2], to: [0.3, 0.4] }]);
    expect(withLine({ ...any, tool: 'plumb' }, [0, 0], [0.7, 0.9]).lines[1]).toEqual({ kind: 'plumb', u: 0.7 });
    let many: Look = { ...PLAIN, tool: 'level' };
    for (let i = 0; i < 20; i++) many = withLine(many, [0, 0], [0, i / 20]);
    expect(many.lines).toHaveLength(12);
    expect(many.lines[0]).toEqual({ kind: 'level', v: 8 / 20 });
  });
});

describe('points on a drawing', () => {
  it('are put where it is tapped, and moved by keys no farther than the sheet', () => {
    const moved: unknown[][] = [];
    const put: (readonly [number, number])[] = [];
    render(
      <PointsOnDrawing
        flat={FLAT}
        box={BOX}
        points={[{ name: 'crown', x: 0.35, y: 0.0005, sigma: 0.01, by: 'fit' }]}
        names={['crown', 'chin']}
        chosen="chin"
        outline={[]}
        reference={undefined}
        answers={key}
        onChoose={(name) => moved.push([name])}
        onPut={(at) => put.push(at)}
        onMove={(name, at) => moved.push([name, at])}
      />,
    );
    press('pointerdown', screen.getByAltText('The drawing: tap where the asked point is'), 50, 100);
    expect(put[0][0]).toBeCloseTo(BOX.x + BOX.width / 2, 6);
    expect(put[0][1]).toBeCloseTo(BOX.y + BOX.height / 2, 6);
    const crown = screen.getByRole('button', { name: /^crown, proposed/ });
    fireEvent.keyDown(crown, { key: 'ArrowUp', shiftKey: true });
    expect(moved).toEqual([['crown', [0.35, 0]]]);
    expect(screen.getByRole('option', { name: 'chin (not yet)' })).toBeTruthy();
    press('pointerdown', crown, 10, 10);
    press('pointermove', crown, 20, 20);
    expect(moved.at(-1)?.[0]).toBe('crown');
    press('pointerup', crown, 20, 20);
    const before = moved.length;
    press('pointermove', crown, 30, 30);
    expect(moved).toHaveLength(before);
  });
});

describe('a drawing that is measured', () => {
  const remembered = vi.fn();
  function Shown({ fit, held = true }: { fit: () => Promise<FittedDrawing | undefined>; held?: boolean }) {
    const [box, setBox] = useState<SheetDrawing>(BOX);
    const [fitted, setFitted] = useState<FittedDrawing>();
    const steps = useBoxSteps([box], ([next]) => setBox(next));
    return (
      <Measured
        flat={FLAT}
        box={box}
        answers={key}
        found={false}
        mmPerPx={0.2}
        reference={undefined}
        held={held}
        fit={fit}
        fitted={fitted}
        onFitted={setFitted}
        steps={steps}
        onPoints={(points, words, met) => steps.change([{ ...box, points, ...(met !== undefined && { met }) }], words)}
        onMeasured={remembered}
        onClose={() => undefined}
      />
    );
  }
  it('is told first as one sentence, then number by number', async () => {
    render(<Shown fit={() => Promise.resolve(fittedBy(0.3))} />);
    expect(screen.getByRole('status').textContent).toBe('Looking for the figure in the drawing.');
    await waitFor(() => expect(screen.getByRole('status').textContent).toMatch(/^The head is 2\d % ± /));
    expect(screen.getByText(/points, none of them put by you/)).toBeTruthy();
    expect(screen.getByText(/^On the paper it is about \d+\.\d cm/)).toBeTruthy();
    expect(screen.queryByText(/not held to likeness/)).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: 'Take all points off' }));
    expect(screen.getByRole('status').textContent).toBe(
      'Tap the crown in the drawing: five points give a first answer.',
    );
    // What was done to the points is undone here.
    fireEvent.click(screen.getByRole('button', { name: /^Undo taking all points off/ }));
    expect(screen.getByRole('status').textContent).toMatch(/^The head is 2\d %/);
    fireEvent.keyDown(window, { key: 'y', ctrlKey: true });
    expect(screen.getByRole('status').textContent).toMatch(/^Tap the crown/);
  });
  it('where nothing is found, points are asked for one after another', async () => {
    render(<Shown fit={() => Promise.resolve(undefined)} held={false} />);
    await screen.findByText(/The figure was not found in this drawing/);
    expect(screen.getByText(/only numbers/)).toBeTruthy();
    const plate = screen.getByAltText('The drawing: tap where the asked point is');
    press('pointerdown', plate, 50, 10);
    await waitFor(() => expect(screen.getByRole('button', { name: /^crown, put by you/ })).toBeTruthy());
    expect(screen.getByLabelText<HTMLSelectElement>('The point that is asked for').value).not.toBe('crown');
    expect(screen.getByText('1 of the first 5 points.')).toBeTruthy();
  });
  it('a worker that fails is said, and a poor fit is not to be trusted', async () => {
    render(<Shown fit={() => Promise.reject(new Error('gone'))} />);
    await screen.findByText(/The figure was not found in this drawing/);
    cleanup();
    render(<Shown fit={() => Promise.resolve({ ...fittedBy(0), outlineMet: 0.3 })} />);
    await screen.findByText(/do not meet well/);
    expect(screen.getByText(/nothing of them is remembered/)).toBeTruthy();
    expect(remembered).toHaveBeenLastCalledWith(undefined);
  });
});
