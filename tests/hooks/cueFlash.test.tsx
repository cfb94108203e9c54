// @vitest-environment jsdom
import { act, cleanup, render } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Cue, CueKind } from '@/core/clock/cues';
import { CueFlash } from '@/features/run/CueFlash';
import type { Run } from '@/features/run/session/controller';

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

/** A run of which only cues are heard, and the flashes it gave. */
function flashing(vibrate = false, reduced = false) {
  let tell: (cue: Cue) => void = () => undefined;
  const run = { onCue: (listener: (cue: Cue) => void) => ((tell = listener), () => undefined) } as unknown as Run;
  const flashes: { easing: unknown; onfinish: () => void }[] = [];
  Element.prototype.animate = (_, options) => {
    const flash = { easing: (options as KeyframeAnimationOptions).easing, onfinish: () => undefined };
    flashes.push(flash);
    return flash as unknown as Animation;
  };
  const buzzed: unknown[] = [];
  vi.stubGlobal('matchMedia', () => ({ matches: reduced }));
  Object.defineProperty(navigator, 'vibrate', {
    configurable: true,
    value: (pattern: unknown) => buzzed.push(pattern),
  });
  const { container } = render(<CueFlash run={run} vibrate={vibrate} />);
  const ring = (kind: CueKind) => act(() => tell({ key: kind, kind, calm: false, atMs: 0 }));
  return { element: container.firstElementChild as HTMLElement, ring, flashes, buzzed };
}

describe('the flash of a cue', () => {
  it('is there while it lasts and no longer, so that nothing lies over the picture', () => {
    const { element, ring, flashes } = flashing();
    expect(element.hidden).toBe(true);
    ring('start');
    expect(element.hidden).toBe(false);
    expect(element.className).toContain('border-russet');
    ring('end');
    // The first is over while the second still lasts.
    flashes[0].onfinish();
    expect(element.hidden).toBe(false);
    expect(element.className).toContain('border-moss');
    expect(element.className).not.toContain('border-russet');
    flashes[1].onfinish();
    expect(element.hidden).toBe(true);
  });
  it('does not fade where motion is reduced', () => {
    const { ring, flashes } = flashing(false, true);
    ring('warning');
    expect(flashes[0].easing).toBe('steps(1, end)');
  });
  it('is felt only where that is wanted', () => {
    const silent = flashing(false);
    silent.ring('start');
    expect(silent.buzzed).toEqual([]);
    cleanup();
    const felt = flashing(true);
    felt.ring('start');
    felt.ring('beat');
    expect(felt.buzzed).toEqual([[180]]);
  });
});
