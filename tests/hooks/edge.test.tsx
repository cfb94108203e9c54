// @vitest-environment jsdom
import { act, cleanup, render, renderHook } from '@testing-library/react';
import { useRef } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { expandPlan } from '@/core/practice/time/timeline';
import { plannedRibbon } from '@/core/practice/time/ribbon';
import { useSize } from '@/ui/useSize';
import { EdgeClock, type TimeLeft } from '@/ui/EdgeClock';
import { Ribbon } from '@/ui/ribbon/Ribbon';
import { useNow } from '@/ui/useNow';
import { useTheme } from '@/ui/useTheme';
import { useWidth } from '@/ui/useWidth';
import { planOf, poses } from '../core/plans';

/** Elements that are observed, and telling them a size. */
const observers = new Set<(entries: unknown[]) => void>();
const resize = (width: number, height: number): void =>
  act(() => observers.forEach((tell) => tell([{ contentRect: { width, height } }])));
beforeEach(() => {
  observers.clear();
  vi.stubGlobal(
    'ResizeObserver',
    class {
      constructor(private readonly tell: (entries: unknown[]) => void) {}
      observe = (): void => void observers.add(this.tell);
      disconnect = (): void => void observers.delete(this.tell);
    },
  );
});
afterEach(() => {
  cleanup();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('the clock at the edge', () => {
  /** A clock of which the time left is told by hand. */
  function clock(more: Partial<Parameters<typeof EdgeClock>[0]> = {}) {
    const moves = new Set<(left: TimeLeft) => void>();
    const follow = (move: (left: TimeLeft) => void) => {
      moves.add(move);
      return () => void moves.delete(move);
    };
    const { container, rerender } = render(<EdgeClock follow={follow} tone="drawing" urgent={false} {...more} />);
    const strips = () => [...container.querySelectorAll<HTMLElement>('[data-strip]')];
    return {
      container,
      moves,
      strips,
      seen: () => strips().map((strip) => strip.style.visibility !== 'hidden'),
      fills: () => strips().map((strip) => strip.style.fill),
      at: (share: number, ms = share * 60_000) => act(() => moves.forEach((move) => move({ share, ms }))),
      again: (next: Partial<Parameters<typeof EdgeClock>[0]>) =>
        rerender(<EdgeClock follow={follow} tone="drawing" urgent={false} {...more} {...next} />),
    };
  }
  it('is whole at first, half gone at half time, and gone at the end', () => {
    const { seen, at } = clock();
    resize(1000, 600);
    at(1);
    expect(seen()).toEqual([true, true, true, true, true]);
    at(0.4);
    expect(seen().filter(Boolean)).toHaveLength(3);
    at(0);
    expect(seen()).toEqual([false, false, false, false, false]);
  });
  it('moves by transforms only: nothing of it is made anew', () => {
    const { container, at, strips } = clock();
    resize(1000, 600);
    at(0.9);
    const before = container.innerHTML.replace(/ style="[^"]*"/g, '');
    const moved = strips()[0].style.transform;
    at(0.85);
    expect(strips()[0].style.transform).not.toBe(moved);
    expect(container.innerHTML.replace(/ style="[^"]*"/g, '')).toBe(before);
  });
  it('turns russet for the last five seconds where that is wanted, and is charcoal before', () => {
    const { fills, at } = clock({ urgent: true });
    resize(1000, 600);
    at(0.5);
    expect(new Set(fills())).toEqual(new Set(['var(--charcoal)']));
    at(0.05, 4900);
    expect(new Set(fills())).toEqual(new Set(['var(--russet)']));
    cleanup();
    const calm = clock();
    resize(1000, 600);
    calm.at(0.05, 4900);
    expect(new Set(calm.fills())).toEqual(new Set(['var(--charcoal)']));
  });
  it('is moss in a rest, and follows nothing while it is put away or has no border to burn along', () => {
    const { fills, at, again, moves } = clock({ tone: 'rest' });
    resize(100, 60);
    expect(moves.size).toBe(0);
    resize(1000, 600);
    at(0.5);
    expect(new Set(fills())).toEqual(new Set(['var(--moss)']));
    again({ tone: 'rest', hidden: true });
    expect(moves.size).toBe(0);
  });
  it('marks where stages begin, each once', () => {
    const { container } = clock({ ticks: [0.2, 0.5, 0.9] });
    resize(1000, 600);
    expect(container.querySelectorAll('[data-stage-tick]')).toHaveLength(3);
  });
});

describe('the playhead of a ribbon', () => {
  it('moves over what is spent as it is told, without the ribbon being made anew', () => {
    const plan = planOf(poses(4, 60_000));
    const { totalMs } = expandPlan(plan);
    let move: (ms: number) => void = () => undefined;
    const { container } = render(
      <Ribbon
        blocks={plannedRibbon(plan)}
        size="run"
        label="ribbon"
        playheadMs={0}
        followPlayhead={(next) => {
          move = next;
          return () => undefined;
        }}
      />,
    );
    resize(800, 60);
    const xOf = (element: Element | null | undefined): number =>
      Number(/translate\((-?[\d.]+)px/.exec((element as HTMLElement).style.transform)?.[1]);
    const spent = container.querySelector('.overflow-hidden');
    act(() => move(totalMs / 2));
    const half = xOf(spent);
    const before = container.innerHTML.replace(/ style="[^"]*"/g, '');
    act(() => move(totalMs));
    expect(half).toBeLessThan(0);
    expect(xOf(spent)).toBeCloseTo(0, -0.5);
    // The ribbon within the window stays where it is.
    expect(xOf(spent) + xOf(spent?.firstElementChild)).toBe(0);
    expect(container.innerHTML.replace(/ style="[^"]*"/g, '')).toBe(before);
  });
});

describe('sizes, the time and the theme', () => {
  it('of an element are known once it is measured', () => {
    const { result } = renderHook(() => {
      const element = useRef(document.body);
      return useSize(element);
    });
    expect(result.current).toBeUndefined();
    resize(320, 200);
    expect(result.current).toEqual({ width: 320, height: 200 });
    function Measured() {
      const [ref, width] = useWidth<HTMLDivElement>();
      return <div ref={ref}>{width}</div>;
    }
    const { container } = render(<Measured />);
    expect(container.textContent).toBe('0');
    resize(320.9, 10);
    expect(container.textContent).toBe('320');
  });
  it('goes on by itself', () => {
    vi.useFakeTimers({ now: 1_700_000_000_500 });
    const { result } = renderHook(() => useNow(1000));
    expect(result.current).toBe(1_700_000_000_000);
    act(() => void vi.advanceTimersByTime(3000));
    expect(result.current).toBe(1_700_000_003_000);
  });
  it('is the system’s until one is chosen, which lasts', () => {
    let dark = true;
    const listeners = new Set<() => void>();
    vi.stubGlobal('matchMedia', () => ({
      get matches() {
        return dark;
      },
      addEventListener: (_: string, listener: () => void) => listeners.add(listener),
      removeEventListener: (_: string, listener: () => void) => listeners.delete(listener),
    }));
    delete document.documentElement.dataset.theme;
    const { result } = renderHook(() => useTheme());
    expect(result.current.theme).toBe('night');
    dark = false;
    act(() => listeners.forEach((tell) => tell()));
    expect(result.current.theme).toBe('paper');
    act(() => result.current.setTheme('night'));
    expect([result.current.theme, document.documentElement.dataset.theme]).toEqual(['night', 'night']);
    expect(localStorage.getItem(localStorage.key(0) ?? '')).toBe('night');
    delete document.documentElement.dataset.theme;
    localStorage.clear();
  });
});
