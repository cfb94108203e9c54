// @vitest-environment jsdom
import { act, cleanup, fireEvent, render, renderHook, screen, waitFor, within } from '@testing-library/react';
import { IDBFactory } from 'fake-indexeddb';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Again } from '@/features/again/Again';
import { Courses } from '@/features/course/Courses';
import { Habits } from '@/features/habits/Habits';
import { MonthSheet } from '@/features/months/MonthSheet';
import { PlannedDays } from '@/features/months/PlannedDays';
import { TryingField } from '@/features/today/TryingField';
import { Wall } from '@/features/wall/Wall';
import type { KeptDrawing } from '@/core/journal/keptDrawing';
import { localDay } from '@/core/moment';
import { closeDb } from '@/storage/db';
import { addCourse, listCourses } from '@/storage/sessions/courses';
import { changeKeptDrawing } from '@/storage/sessions/keptDrawings';
import { addPage } from '@/storage/sessions/pages';
import { listSavedPlans, savePlan } from '@/storage/sessions/savedPlans';
import { listSessions, saveSession } from '@/storage/sessions/sessions';
import { loadSetting, saveSetting } from '@/storage/settings';
import { CutDrawing } from '@/ui/CutDrawing';
import * as download from '@/ui/download';
import { useLingered } from '@/ui/useLingered';
import { level, recipeWith } from '../core/recipes';
import { pageOf } from '../core/pages';
import { planOf, poses } from '../core/plans';
import { sessionOf } from '../core/sessions';

const push = vi.fn();
const params = new URLSearchParams();
vi.mock('next/navigation', () => ({
  useRouter: () => ({ push }),
  useSearchParams: () => params,
  usePathname: () => '/',
}));
vi.mock('@/ui/sound/cuePlayer', () => ({ unlockSound: () => undefined }));
// Sheets are straightened by a worker, which a stand-in page has none of.
vi.mock('@/storage/hooks/useCutDrawing', () => ({
  useCutDrawing: ({ box }: { box: unknown }) => ({ url: 'blob:cut', aspect: 1, box }),
}));
vi.mock('@/storage/hooks/useReferenceImage', () => ({ useReferenceImage: () => 'blob:reference' }));
vi.mock('@/storage/hooks/useThumbnail', () => ({ useReferenceThumbnail: () => 'blob:small' }));

const DAY_MS = 86_400_000;
const ago = (days: number): number => Date.now() - days * DAY_MS;
const drawn = (id: string, days: number, more: Parameters<typeof sessionOf>[2] = {}) =>
  saveSession(
    sessionOf(planOf(poses(2, 60_000, { exercise: 'structural-gesture' })), [], {
      id,
      startedAtMs: ago(days),
      ...more,
    }),
  );
const onSheet = (sessionId: string) => addPage(pageOf(sessionId, '0:0'), new Blob(['a']), new Blob(['b']));

/** Nothing changes its size in a stand-in page. */
class NoObserver {
  observe = vi.fn();
  unobserve = vi.fn();
  disconnect = vi.fn();
}

beforeEach(async () => {
  await closeDb();
  globalThis.indexedDB = new IDBFactory();
  Element.prototype.scrollTo = vi.fn();
  HTMLDialogElement.prototype.showModal = vi.fn();
  HTMLDialogElement.prototype.close = vi.fn();
  vi.stubGlobal('ResizeObserver', NoObserver);
  await saveSetting('seeded', true);
  push.mockClear();
  window.history.replaceState(null, '', '/');
});
afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
  vi.unstubAllGlobals();
});

/** A drawing measured with a head that is too large. */
const measure = (sessionId: string, drawing: string, days: number) =>
  changeKeptDrawing(sessionId, drawing, (before): KeptDrawing => ({
    ...before,
    measured: { atMs: ago(days), of: [{ id: 'head', seen: 0.13, off: 0.15 + (days % 3) / 100, sigma: 0.02 }] },
  }));

describe('habits', () => {
  it('say where they come from while nothing was measured', async () => {
    render(<Habits />);
    await screen.findByText('Nothing was measured yet.');
    expect(screen.getByText('Nothing was marked on a page or said to be missing yet.')).toBeTruthy();
    expect(screen.queryByRole('button', { name: /Do something about it/ })).toBeNull();
  });
  it('name the largest bias in one sentence, with a remedy that starts in one tap', async () => {
    for (let i = 0; i < 6; i++) {
      await drawn(`s${String(i)}`, 20 - i);
      for (const drawing of ['0:0', '0:1']) await measure(`s${String(i)}`, drawing, 20 - i);
    }
    const given = vi.spyOn(download, 'download').mockImplementation(() => undefined);
    render(<Habits />);
    await waitFor(() =>
      expect(screen.getByRole('status').textContent).toMatch(
        /^Heads are 1\d % too large \(1\d to 1\d %\) in the last 12/,
      ),
    );
    const table = within(screen.getByRole('heading', { name: 'Heads' }).closest('li') as HTMLElement);
    const behind = table.getByText('As a table').closest('details') as HTMLDetailsElement;
    behind.open = true;
    fireEvent(behind, new Event('toggle'));
    expect(table.getAllByRole('row')).toHaveLength(13);
    fireEvent.click(screen.getByRole('button', { name: /Take it out as a table/ }));
    expect((await given.mock.calls[0][0].text()).split('\n')).toHaveLength(13);
    fireEvent.click(await screen.findByRole('button', { name: /^Do something about it/ }));
    await waitFor(() => expect(push).toHaveBeenCalledWith('/run'));
    const running = (await listSessions()).find(({ status }) => status === 'running');
    expect(running?.plan.cause?.remedy).toBe('heads');
    expect(running?.plan.blocks.every((b) => b.kind !== 'poses' || b.poses.every((p) => p.referenceId !== null))).toBe(
      true,
    );
  });
});

describe('the wall', () => {
  it('is empty before anything was drawn', async () => {
    render(<Wall />);
    await screen.findByRole('heading', { name: 'An empty wall' });
  });
  it('is narrowed, lined up from the oldest, and left in the address', async () => {
    await drawn('a', 40);
    await drawn('b', 2);
    await onSheet('a');
    render(<Wall />);
    await screen.findByText(/^4 drawings in 4:00 of drawing, newest first\./);
    fireEvent.change(screen.getByRole('combobox', { name: 'State' }), { target: { value: 'on a sheet here' } });
    await screen.findByText(/^1 drawing of 4 in 1:00 of drawing, newest first\./);
    fireEvent.click(screen.getByRole('button', { name: 'Line them up from the oldest' }));
    await screen.findByText(/^1 drawing of 4 in 1:00 of drawing, oldest first\./);
    await waitFor(() => expect(window.location.search).toBe('?state=on+a+sheet+here&order=oldest'));
    cleanup();
    render(<Wall />);
    await screen.findByText(/^1 drawing of 4 in 1:00 of drawing, oldest first\./);
    fireEvent.click(screen.getByRole('button', { name: 'Show all' }));
    await screen.findByText(/^4 drawings in 4:00 of drawing, oldest first\./);
  });
});

describe('a drawing cut out of its sheet', () => {
  it('keeps its shape and its place on the sheet however narrow it becomes', () => {
    const box = { x: 0.25, y: 0.5, width: 0.5, height: 0.25 };
    render(<CutDrawing url="blob:sheet" aspect={0.7} box={box} tall={100} widest={120} alt="cut" />);
    const { style, parentElement } = screen.getByRole('img', { name: 'cut' });
    expect([style.width, style.height, style.left, style.top]).toEqual(['200%', '400%', '-50%', '-200%']);
    expect(parentElement?.style.width).toBe('120px');
    expect(parseFloat(parentElement?.style.aspectRatio ?? '')).toBeCloseTo(1.4);
  });
});

describe('what is scrolled past', () => {
  it('begins no work before it has lingered', () => {
    vi.useFakeTimers();
    const { result, unmount } = renderHook(() => useLingered(200));
    act(() => void vi.advanceTimersByTime(199));
    expect(result.current).toBe(false);
    act(() => void vi.advanceTimersByTime(1));
    expect(result.current).toBe(true);
    unmount();
    expect(vi.getTimerCount()).toBe(0);
    vi.useRealTimers();
  });
});

describe('then and now', () => {
  it('asks for nothing before its time', async () => {
    await drawn('a', 3);
    await onSheet('a');
    render(<Again />);
    await screen.findByText(/^No picture is due today/);
    expect(screen.getByText(/^Nothing to lay side by side yet/)).toBeTruthy();
  });
  it('brings a picture back under the same rule, and keeps other waits', async () => {
    await drawn('a', 8);
    await onSheet('a');
    render(<Again />);
    await screen.findByText(/^1 picture is due/);
    const first = screen.getByRole('spinbutton', { name: 'Days until it comes back, first time' });
    fireEvent.change(first, { target: { value: '90' } });
    expect((await screen.findByRole('alert')).textContent).toContain('What was set before still holds.');
    fireEvent.change(first, { target: { value: '5' } });
    expect(screen.queryByRole('alert')).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: 'Draw it again' }));
    await waitFor(() => expect(push).toHaveBeenCalledWith('/run'));
    const running = (await listSessions()).find(({ status }) => status === 'running');
    expect(running?.plan.cause?.again).toBe('a/0:0');
    expect(running?.plan.blocks).toMatchObject([{ exercise: 'structural-gesture', poses: [{ drawMs: 60_000 }] }]);
    cleanup();
    await waitFor(async () => expect(await loadSetting('againWaits')).toBe('[5,60,365]'));
  });
  it('asks blind which is the newer, tells it, and keeps only the counts', async () => {
    await drawn('a', 30);
    await drawn('b', 1);
    await onSheet('a');
    await onSheet('b');
    render(<Again />);
    await screen.findByText(/^Then: /);
    fireEvent.click(screen.getByRole('button', { name: 'Which is newer?' }));
    expect(screen.queryByText(/^Then: /)).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: 'The left one' }));
    const said = await screen.findByText(/^(Yes, that is the newer one|It is the other one)\.$/);
    const right = said.textContent?.startsWith('Yes') ? 1 : 0;
    expect(screen.getByText(/^Newer: /)).toBeTruthy();
    await screen.findByText(`You knew the newer one ${String(right)} of 1 times. Only you see this.`);
    expect(JSON.parse((await loadSetting('blindPairs')) ?? '')).toEqual({ asked: 1, right });
  });
  it('waits while judging is shut', async () => {
    await drawn('a', 8, { reflection: { noJudgingUntilMs: ago(-3) } });
    await onSheet('a');
    render(<Again />);
    await screen.findByText(/^No picture is due today/);
  });
});

describe('courses', () => {
  it('begin today, and go to Today', async () => {
    render(<Courses />);
    fireEvent.change(await screen.findByRole('combobox', { name: 'I want to practice' }), {
      target: { value: 'light' },
    });
    const minutes = screen.getByRole('spinbutton');
    fireEvent.change(minutes, { target: { value: '0' } });
    expect(screen.getByRole('alert').textContent).toContain('A day has from');
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Begin today' }).disabled).toBe(true);
    fireEvent.change(minutes, { target: { value: '15' } });
    fireEvent.click(screen.getByRole('radio', { name: 'A missed day stays missed' }));
    fireEvent.click(screen.getByRole('button', { name: 'Begin today' }));
    await waitFor(() => expect(push).toHaveBeenCalledWith('/'));
    expect(await listCourses()).toMatchObject([{ aim: 'light', days: 10, minutes: 15, moves: false }]);
  });
  it('are shown as far as they went, ended, and taken once more', async () => {
    const startedDay = localDay(ago(3));
    await addCourse({ id: 'c', aim: 'speed', days: 10, minutes: 10, startedDay, moves: true });
    await saveSession(
      sessionOf({ ...planOf(poses(1)), cause: { course: { id: 'c', day: 1 } } }, [], {
        id: 'one',
        startedAtMs: ago(3),
      }),
    );
    render(<Courses />);
    await screen.findByText(/^1 of 10 days, begun on /);
    fireEvent.click(screen.getByRole('button', { name: 'End it here' }));
    fireEvent.click(await screen.findByRole('button', { name: 'Take it once more' }));
    await waitFor(async () => expect(await listCourses()).toHaveLength(2));
    await screen.findByText(/^0 of 10 days, begun on /);
  });
});

describe('a weekly class', () => {
  const plan = (id: string, title: string, savedAtMs: number, days?: number[]) =>
    savePlan({
      id,
      recipe: recipeWith([level('b', 2, 60_000)], { title }),
      savedAtMs,
      schedule: days ? { days, minute: 1140, times: null } : null,
      binnedAtMs: null,
    });
  const weekday = new Date(ago(0)).getDay();

  it('has its shape, how often it was held, when it is next, and rests when it is let', async () => {
    await plan('p', 'Evening', ago(15), [weekday]);
    const missed = sessionOf({ ...planOf(poses(1)), cause: { scheduled: { planId: 'p', day: localDay(ago(7)) } } });
    await saveSession({ ...missed, id: 'held', startedAtMs: ago(7) });
    render(<Courses />);
    await screen.findByText(/Held 1 of 2 times, last on .*\. It is today\./);
    expect(screen.getByText(/at 19:00, .*: Flowing gesture 2 × 1 min\./)).toBeTruthy();
    fireEvent.click(screen.getByRole('checkbox', { name: 'a missed one is made up for' }));
    await waitFor(async () => expect((await listSavedPlans())[0].schedule?.moves).toBe(true));
    fireEvent.click(screen.getByRole('button', { name: 'Let it rest' }));
    await waitFor(async () => expect((await listSavedPlans())[0].schedule).toBeNull());
    await screen.findByRole('form', { name: 'A new weekly class' });
  });
  it('is made of a plan that is kept, on a weekday', async () => {
    render(<Courses />);
    await screen.findByText(/None is kept yet/);
    await plan('p', 'Evening', ago(0));
    const form = within(await screen.findByRole('form', { name: 'A new weekly class' }));
    fireEvent.change(form.getByRole('combobox', { name: 'come round every' }), { target: { value: '2' } });
    fireEvent.click(form.getByRole('button', { name: 'Make it a class' }));
    await screen.findByText(/^Tuesdays at 19:00/);
  });
});

describe('a month', () => {
  it('is one page of days with what they went into', async () => {
    await drawn('a', 0, { reflection: { mood: 'light', otherStudyMs: 360_000 } });
    render(<MonthSheet />);
    await screen.findByText('2 drawings in 2 minutes on 1 day.');
    expect(screen.getByText('light')).toBeTruthy();
    expect(screen.getByText('25 % of the day’s study')).toBeTruthy();
    expect(screen.getByRole('row', { name: 'Structural gesture 2 2:00' })).toBeTruthy();
  });
});

describe('plans on weekdays', () => {
  it('are put on days in two taps, and told how many of them were kept', async () => {
    const savedAtMs = ago(0);
    await savePlan({
      id: 'p',
      recipe: recipeWith([level('b', 2, 60_000)], { title: 'Class' }),
      savedAtMs,
      schedule: null,
      binnedAtMs: null,
    });
    const { rerender } = render(<PlannedDays sessions={[]} nowMs={savedAtMs} />);
    const days = within(await screen.findByRole('group', { name: 'Weekdays of “Class”' }));
    for (const day of ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']) {
      fireEvent.click(days.getByRole('button', { name: day }));
      await waitFor(() => expect(days.getByRole('button', { name: day, pressed: true })).toBeTruthy());
    }
    await screen.findByText('This week 0 of 1 planned days so far.');
    fireEvent.click(screen.getByRole('checkbox', { name: 'a missed day is made up for' }));
    await waitFor(async () =>
      expect((await listSavedPlans())[0].schedule).toMatchObject({ moves: true, minute: 1140 }),
    );
    const made = sessionOf({ ...planOf(poses(1)), cause: { scheduled: { planId: 'p', day: localDay(savedAtMs) } } });
    rerender(<PlannedDays sessions={[{ ...made, startedAtMs: savedAtMs }]} nowMs={savedAtMs} />);
    await screen.findByText('This week 1 of 1 planned days so far.');
  });
});

describe('trying something', () => {
  it('is named only by who wants to, and Enter starts nothing', () => {
    const onLesson = vi.fn();
    const started = vi.fn();
    render(
      <div onKeyDown={started}>
        <TryingField lesson="" onLesson={onLesson} />
      </div>,
    );
    fireEvent.click(screen.getByRole('button', { name: 'Trying something?' }));
    const field = screen.getByRole('textbox', { name: 'Trying:' });
    fireEvent.change(field, { target: { value: 'more curves' } });
    expect(onLesson).toHaveBeenCalledWith('more curves');
    fireEvent.keyDown(field, { key: 'Enter' });
    expect(started).not.toHaveBeenCalled();
  });
});
