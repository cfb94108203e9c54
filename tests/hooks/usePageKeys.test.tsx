// @vitest-environment jsdom
import { cleanup, fireEvent, renderHook } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { usePageKeys } from '@/ui/input/usePageKeys';

afterEach(() => {
  cleanup();
  document.body.innerHTML = '';
});

/** A page that knows some keys. @returns What it heard, and pressing one: whether the browser was left to do with it what it does. */
function page(...known: string[]) {
  const heard: string[] = [];
  const hook = renderHook(
    ({ keys }) =>
      usePageKeys((key) => {
        heard.push(key);
        return keys.includes(key);
      }),
    { initialProps: { keys: known } },
  );
  const press = (key: string, more: KeyboardEventInit = {}, on: Element | Document = document.body): boolean =>
    fireEvent.keyDown(on, { key, ...more });
  return { heard, press, hook };
}

describe('the keys of a page', () => {
  it('are taken from the browser where they mean something, and left to it where they do not', () => {
    const { heard, press } = page('n', 'ArrowLeft');
    expect([press('N'), press('ArrowLeft'), press('j')]).toEqual([false, false, true]);
    expect(heard).toEqual(['n', 'ArrowLeft', 'j']);
  });
  it('with Control, Command or Alt are the browser’s, but for undoing and doing again', () => {
    const { heard, press } = page('undo', 'redo', 'n');
    expect(press('n', { ctrlKey: true })).toBe(true);
    expect(press('n', { altKey: true })).toBe(true);
    expect([press('z', { ctrlKey: true }), press('z', { metaKey: true })]).toEqual([false, false]);
    expect([press('Z', { ctrlKey: true, shiftKey: true }), press('y', { ctrlKey: true })]).toEqual([false, false]);
    expect(heard).toEqual(['undo', 'undo', 'redo', 'redo']);
  });
  it.each([
    ['<textarea id="at"></textarea>', false],
    ['<input id="at" type="text">', false],
    ['<input id="at">', false],
    ['<select id="at"></select>', false],
    ['<dialog open><input id="at" type="checkbox"></dialog>', false],
    ['<input id="at" type="checkbox">', true],
    ['<input id="at" type="range">', true],
    ['<button id="at"></button>', true],
  ])('on %s are heard: %s', (markup, hears) => {
    document.body.innerHTML = markup;
    const { heard, press } = page('n');
    press('n', {}, document.getElementById('at') as Element);
    press('z', { ctrlKey: true }, document.getElementById('at') as Element);
    expect(heard).toEqual(hears ? ['n', 'undo'] : []);
  });
  it('mean what they mean now, and nothing when the page is left', () => {
    const { press, hook, heard } = page('a');
    hook.rerender({ keys: ['b'] });
    expect([press('a'), press('b')]).toEqual([true, false]);
    expect(press('b', {}, document)).toBe(false);
    hook.unmount();
    const before = heard.length;
    expect(press('b')).toBe(true);
    expect(heard.length).toBe(before);
  });
  it('are listened to once, however often the page is drawn', () => {
    const added = vi.spyOn(window, 'addEventListener');
    const { hook } = page('a');
    hook.rerender({ keys: ['b'] });
    hook.rerender({ keys: ['c'] });
    expect(added.mock.calls.filter(([type]) => type === 'keydown')).toHaveLength(1);
    added.mockRestore();
  });
});
