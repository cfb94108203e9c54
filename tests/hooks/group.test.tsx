// @vitest-environment jsdom
import { act, cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { useState } from 'react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { findingsOf } from '@/core/group/findings';
import { freshGroup, type Group, type Member } from '@/core/group/group';
import { heightsOf } from '@/core/group/heights';
import type { Page } from '@/core/journal/session';
import { type Placed, placeMember, type Shape } from '@/core/group/placeMembers';
import { Drafts } from '@/features/group/Drafts';
import { GroupSheet } from '@/features/group/GroupSheet';
import { DrawingMember, type MemberPicture } from '@/features/group/MemberPictures';
import { MemberRows } from '@/features/group/MemberRows';
import { WhatWasFound } from '@/features/group/WhatWasFound';

afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
});

const member = (id: string, more: Partial<Member> = {}): Member => ({
  id,
  source: { kind: 'reference', referenceId: 'figure/x' },
  x: 0.5,
  foot: 0.9,
  standsCm: 170,
  ...more,
});
/** Somebody as a box of seven heads, with a joint in the middle. */
const BOX: Shape = {
  width: 100,
  height: 700,
  top: 0,
  bottom: 700,
  left: 0,
  right: 100,
  heads: 7,
  rings: [
    [
      [0, 0],
      [100, 0],
      [100, 700],
      [0, 700],
    ],
  ],
  marks: new Map([['left elbow', [50, 300] as const]]),
  hidden: new Set(),
};
const placedOf = (group: Group): Placed[] => group.members.map((one) => placeMember(group, one, BOX));
const groupOf = (members: Member[], more: Partial<Group> = {}): Group => ({ ...freshGroup('g', 1), members, ...more });

describe('who stands in a group', () => {
  function Rows({ start }: { start: Group }) {
    const [group, setGroup] = useState(start);
    return (
      <MemberRows
        group={group}
        heights={heightsOf(placedOf(group))}
        chosen={undefined}
        onChoose={() => undefined}
        nameOf={(id) => `name of ${id}`}
        label={(id) => id}
        onChange={setGroup}
      />
    );
  }
  const rows = (): string[] => screen.getAllByRole('listitem').map((row) => row.textContent ?? '');
  it('is told with height on the sheet, and against the one in front', () => {
    render(<Rows start={groupOf([member('a'), member('b', { foot: 0.62 })])} />);
    expect(rows()[0]).toMatch(/^1name of a\d+\.\d cm, 100 %/);
    expect(rows()[1]).toMatch(/, 50 %/);
  });
  it('comes to the front and goes to the back by one, the first no farther', () => {
    render(<Rows start={groupOf([member('a'), member('b'), member('c')])} />);
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'a, one step to the front' }).disabled).toBe(true);
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'c, one step to the back' }).disabled).toBe(true);
    fireEvent.click(screen.getByRole('button', { name: 'c, one step to the front' }));
    expect(rows().map((words) => words.slice(1, 10))).toEqual(['name of a', 'name of c', 'name of b']);
  });
  it('is a giant on purpose, mirrored, as tall as is said, and taken off', () => {
    render(<Rows start={groupOf([member('a'), member('b')])} />);
    fireEvent.click(screen.getAllByRole('checkbox')[1]);
    fireEvent.change(screen.getByLabelText('Times as large, number 2'), { target: { value: '2.5' } });
    expect(rows()[1]).toMatch(/, 250 %/);
    fireEvent.change(screen.getByLabelText(/^Stands upright, cm, number 1/), { target: { value: '85' } });
    expect(rows()[1]).toMatch(/, 500 %/);
    // What is no height leaves it as it was.
    fireEvent.change(screen.getByLabelText(/^Stands upright, cm, number 1/), { target: { value: '' } });
    expect(rows()[1]).toMatch(/, 500 %/);
    const mirror = screen.getByRole('button', { name: 'Mirror 1' });
    fireEvent.click(mirror);
    expect(mirror.getAttribute('aria-pressed')).toBe('true');
    fireEvent.click(screen.getByRole('button', { name: 'Take 1 off' }));
    expect(rows()).toHaveLength(1);
  });
});

describe('the group on its sheet', () => {
  const moved: [string, { x: number; foot: number }, boolean][] = [];
  const shown = (group: Group): void => {
    const placed = placedOf(group);
    moved.length = 0;
    vi.spyOn(Element.prototype, 'getBoundingClientRect').mockReturnValue({
      left: 0,
      top: 0,
      width: 420,
      height: 297,
    } as DOMRect);
    Object.assign(Element.prototype, { setPointerCapture: () => undefined });
    render(
      <GroupSheet
        group={group}
        placed={placed}
        pictures={
          new Map(
            group.members.map(({ id }) => [id, { url: undefined, shape: BOX, window: undefined, light: undefined }]),
          )
        }
        findings={findingsOf(group, placed, new Map())}
        chosen="a"
        onChoose={() => undefined}
        onMove={(...move) => moved.push(move)}
        label={(id) => `member ${id}`}
      />,
    );
  };
  it('is moved by arrows, by more with Shift, and never off the sheet', () => {
    shown(groupOf([member('a', { x: 0.5, foot: 0.99 })]));
    const one = screen.getByRole('button', { name: 'member a' });
    fireEvent.keyDown(one, { key: 'ArrowLeft' });
    fireEvent.keyDown(one, { key: 'ArrowDown', shiftKey: true });
    fireEvent.keyDown(one, { key: 'x' });
    expect(moved).toHaveLength(2);
    expect(moved[0][1].x).toBeCloseTo(0.49, 9);
    expect(moved[1][1]).toEqual({ x: 0.5, foot: 1 });
    expect(moved.every(([, , done]) => done)).toBe(true);
  });
  it('is dragged by where it was taken hold of, and done when it is let go', () => {
    shown(groupOf([member('a', { x: 0.5, foot: 0.9 })]));
    const one = screen.getByRole('button', { name: 'member a' });
    const pointer = (type: string, clientX: number, clientY: number): void => {
      act(() => {
        one.dispatchEvent(Object.assign(new Event(type, { bubbles: true }), { clientX, clientY, pointerId: 1 }));
      });
    };
    pointer('pointermove', 50, 50);
    expect(moved).toHaveLength(0);
    pointer('pointerdown', 200, 150);
    pointer('pointermove', 242, 150);
    pointer('pointerup', 284, 150);
    expect(moved.map(([, { x }, done]) => [Number(x.toFixed(3)), done])).toEqual([
      [0.6, false],
      [0.7, true],
    ]);
  });
});

describe('what was found', () => {
  it('is told in sentences, then pair by pair, or that there is nothing', () => {
    const over = groupOf([member('a'), member('b', { foot: 0.89 })]);
    const { rerender } = render(<WhatWasFound findings={findingsOf(over, placedOf(over), new Map())} />);
    expect(screen.getByRole('status').textContent).toContain('1 pair of 1 loses a joint or a hand.');
    expect(screen.getByText('1 before 2: the left elbow is covered.')).toBeTruthy();
    const apart = groupOf([member('a', { x: 0.2 }), member('b', { x: 0.8 })], { eyeLevel: 0.05 });
    rerender(<WhatWasFound findings={findingsOf(apart, placedOf(apart), new Map())} />);
    expect(screen.getByText('1 before 2: nothing is lost.')).toBeTruthy();
  });
});

describe('drafts', () => {
  it('are all there, or only those to show, and open by a press', () => {
    const opened: string[] = [];
    const drafts = ['a', 'b', 'c'].map((id, i) => ({
      ...freshGroup(id, 86_400_000 * (i + 1)),
      name: id.toUpperCase(),
      ...(i === 1 && { shown: true }),
    }));
    render(<Drafts groups={drafts} openId="a" onOpen={(id) => opened.push(id)} />);
    const region = screen.getByRole('region', { name: 'Drafts' });
    expect(within(region).getAllByRole('listitem')).toHaveLength(3);
    expect(screen.getByRole('heading').textContent).toBe('3 drafts');
    fireEvent.click(screen.getByRole('button', { name: 'Only those to show' }));
    expect(within(region).getAllByRole('listitem')).toHaveLength(1);
    expect(screen.getByRole('heading').textContent).toBe('1 to show');
    fireEvent.click(within(region).getByRole('button', { name: /, B$/ }));
    expect(opened).toEqual(['b']);
    fireEvent.click(screen.getByRole('button', { name: 'All drafts' }));
    expect(within(region).getAllByRole('listitem')).toHaveLength(3);
  });
  it('are not spoken of before there is one', () => {
    const { container } = render(<Drafts groups={[]} openId={undefined} onOpen={() => undefined} />);
    expect(container.innerHTML).toBe('');
  });
});

describe('a drawing in a group', () => {
  it('is told once, however often what is around it is rendered', () => {
    const page: Page = {
      id: 'p',
      sessionId: 's',
      widthPx: 100,
      heightPx: 140,
      addedAtMs: 1,
      binnedAtMs: null,
      sheet: {
        corners: [
          [0, 0],
          [1, 0],
          [1, 1],
          [0, 1],
        ],
        quarters: 0,
        aspect: 0.7,
        drawings: [
          {
            x: 0.1,
            y: 0.1,
            width: 0.5,
            height: 0.8,
            drawing: '0:0',
            points: [
              { name: 'crown', x: 0.3, y: 0.1, sigma: 0.01, by: 'hand' },
              { name: 'chin', x: 0.3, y: 0.2, sigma: 0.01, by: 'hand' },
            ],
          },
        ],
      },
    };
    const told: MemberPicture[] = [];
    const onKnown = (_: string, picture: MemberPicture): void => void told.push(picture);
    const { rerender } = render(<DrawingMember id="a" page={page} drawing="0:0" onKnown={onKnown} />);
    for (let i = 0; i < 5; i++) rerender(<DrawingMember id="a" page={page} drawing="0:0" onKnown={onKnown} />);
    expect(told).toHaveLength(1);
    // As tall as its box, in heads of its own.
    expect(told[0].shape?.heads).toBeCloseTo(8, 6);
    cleanup();
    render(<DrawingMember id="a" page={page} drawing="9:9" onKnown={onKnown} />);
    expect(told).toHaveLength(1);
  });
});
