'use client';
import { group } from 'd3-array';
import type { SheetDrawing } from '@/core/desk/sheet';
import { type Drawing, posesDrawn } from '@/core/journal/drawings';
import type { Session } from '@/core/journal/session';
import type { PlaceName } from '@/core/measure/places';
import type { InkStroke } from '@/core/strokes/inkStroke';
import { isLying, sheetSizeMm } from '@/core/strokes/sheetOf';
import { sheetOfPage } from '@/core/strokes/sheetsDrawn';
import { useStored } from '@/storage/hooks/useStored';
import { listPages } from '@/storage/sessions/pages';
import { loadSession } from '@/storage/sessions/sessions';
import { sessionsWithStrokes, strokesOf } from '@/storage/sessions/strokes';

/** A drawing made on the screen, with its strokes as they are seen. */
export interface DrawnOnScreen {
  session: Session;
  pose: Drawing;
  /** Every time it was begun, in words. */
  beginnings: string[];
  /** The one that is seen. */
  beginning: number;
  /** Of that one. */
  strokes: InkStroke[];
  size: { widthMm: number; heightMm: number };
  /** Where the Desk found its places, millimeters on the sheet; undefined before it was measured. */
  places: ReadonlyMap<PlaceName, { at: readonly [number, number] }> | undefined;
  pageId: string | undefined;
}

/** @param wanted Which beginning; undefined for the last before it was drawn once more from memory. */
async function load(sessionId: string, drawing: string, wanted: number | undefined): Promise<DrawnOnScreen | null> {
  const session = await loadSession(sessionId);
  const pose = session && posesDrawn(session).find((d) => d.drawing === drawing);
  if (!session || !pose) return null;
  const all = (await strokesOf(sessionId)).filter((s) => s.drawing === drawing && !s.undone);
  if (all.length === 0) return null;
  const begun = group(all, (s) => `${s.drawing} ${String(s.attempt)}`);
  const keys = [...begun.keys()];
  const again = (key: string): boolean => !key.startsWith(`${drawing} `);
  const beginning =
    wanted ??
    Math.max(
      0,
      keys.findLastIndex((key) => !again(key)),
    );
  const strokes = begun.get(keys[beginning]) ?? [];
  const beginnings = keys.map((key, i) => (again(key) ? 'once more, from memory' : `beginning ${String(i + 1)}`));
  const size = sheetSizeMm(session.plan, isLying(strokes));
  const pages = await listPages(sessionId);
  const page = pages.find(
    ({ id, sheet }) => sheetOfPage(id) !== undefined && sheet?.drawings.some((box) => box.drawing === drawing),
  );
  const box = page?.sheet?.drawings.find((one) => one.drawing === drawing);
  return { session, pose, beginnings, beginning, strokes, size, places: placesOf(box, size), pageId: page?.id };
}

function placesOf(
  box: SheetDrawing | undefined,
  { widthMm, heightMm }: DrawnOnScreen['size'],
): DrawnOnScreen['places'] {
  if (!box?.points || box.points.length === 0) return undefined;
  return new Map(box.points.map(({ name, x, y }) => [name, { at: [x * widthMm, y * heightMm] as const }]));
}

export const useDrawn = (
  sessionId: string,
  drawing: string,
  wanted: number | undefined,
): ReturnType<typeof useStored<DrawnOnScreen | null>> =>
  useStored(() => load(sessionId, drawing, wanted), ['strokes', 'pages', 'sessions'], [sessionId, drawing, wanted]);

/** Another drawing of the same reference that was made on the screen. */
export interface Version {
  sessionId: string;
  drawing: string;
  startedAtMs: number;
  spentMs: number;
}

async function versions(referenceId: string | null, but: { sessionId: string; drawing: string }): Promise<Version[]> {
  if (referenceId === null) return [];
  const found: Version[] = [];
  for (const [sessionId, keys] of await sessionsWithStrokes()) {
    const session = await loadSession(sessionId);
    if (!session || session.status !== 'kept') continue;
    for (const { drawing, referenceId: of, spentMs } of posesDrawn(session))
      if (of === referenceId && keys.has(drawing) && (sessionId !== but.sessionId || drawing !== but.drawing))
        found.push({ sessionId, drawing, startedAtMs: session.startedAtMs, spentMs });
  }
  return found.sort((a, b) => b.startedAtMs - a.startedAtMs);
}

/** Other versions of what a drawing was made from, the newest first. */
export const useVersions = (referenceId: string | null, sessionId: string, drawing: string): Version[] =>
  useStored(
    () => versions(referenceId, { sessionId, drawing }),
    ['strokes', 'sessions'],
    [referenceId, sessionId, drawing],
  ).value ?? [];
