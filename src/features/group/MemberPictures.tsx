'use client';
import { useEffect, useMemo } from 'react';
import { uprightAspect } from '@/core/desk/sheet';
import type { DrawnKey } from '@/core/figure/facts/answerKey';
import type { Shape } from '@/core/group/placeMembers';
import { type SeenDrawing, seenOnPages } from '@/core/journal/onPages';
import type { Page } from '@/core/journal/session';
import { apart } from '@/core/plane';
import { useCutDrawing } from '@/storage/hooks/useCutDrawing';
import { useDrawnKey } from '@/storage/hooks/useDrawnKey';
import { useReferenceImage } from '@/storage/hooks/useReferenceImage';
import { useTraits } from '@/storage/hooks/useTraits';

/** Of a drawing's straightened sheet, its height in the units its shape is told in. */
const SHEET_UNITS = 1000;
/** A drawing whose head is not known stands so many heads high. */
const UNKNOWN_HEADS = 7.5;

/** A member's picture, and what is known of the figure in it. */
export interface MemberPicture {
  url: string | undefined;
  shape: Shape | undefined;
  /** The part of the picture that is the member; all of it where that is missing. */
  window: { x: number; y: number; width: number; height: number } | undefined;
  /** The side the light comes from on it. */
  light: 'left' | 'right' | undefined;
}

/** A figure by its answer key. */
function shapeOf(key: DrawnKey): Shape {
  const rings = key.outline.filter(({ closed }) => closed).map(({ points }) => points);
  const marks = new Map(key.marks.map(({ name, at }) => [name, at]));
  const hidden = new Set(key.marks.filter(({ visible }) => !visible).map(({ name }): string => name));
  const xs = [...rings.flat(), ...marks.values()].map(([x]) => x);
  const { width, height, top, bottom, heads } = key;
  return { width, height, top, bottom, heads, rings, marks, hidden, left: Math.min(...xs), right: Math.max(...xs) };
}

/** A drawing by its points on the Desk. */
function shapeOfDrawing({ sheet, box }: SeenDrawing): Pick<MemberPicture, 'shape' | 'window'> {
  const [w, h] = [SHEET_UNITS * uprightAspect(sheet), SHEET_UNITS];
  const marks = new Map((box.points ?? []).map(({ name, x, y }) => [name as string, [x * w, y * h] as const]));
  const window = { x: box.x * w, y: box.y * h, width: box.width * w, height: box.height * h };
  const [crown, chin] = [marks.get('crown'), marks.get('chin')];
  const head = crown && chin ? apart(crown, chin) : window.height / UNKNOWN_HEADS;
  return {
    window,
    shape: {
      width: w,
      height: h,
      top: window.y,
      bottom: window.y + window.height,
      left: window.x,
      right: window.x + window.width,
      heads: window.height / Math.max(1, head),
      rings: [],
      marks,
      hidden: new Set(),
    },
  };
}

type Known = (id: string, picture: MemberPicture) => void;

/** Tells what is known of a member that is a figure or a picture, as soon as it is. */
export function ReferenceMember({ id, referenceId, onKnown }: { id: string; referenceId: string; onKnown: Known }) {
  const url = useReferenceImage(referenceId);
  const key = useDrawnKey(referenceId, true);
  const { lightFrom: from = '' } = useTraits(referenceId, false);
  useEffect(() => {
    const light = from.includes('left') ? 'left' : from.includes('right') ? 'right' : undefined;
    onKnown(id, { url: url ?? undefined, shape: key && shapeOf(key), window: undefined, light });
  }, [id, url, key, from, onKnown]);
  return null;
}

/** The same of a drawing of the learner's; nothing where it is no longer on its page. */
export function DrawingMember({
  id,
  page,
  drawing,
  onKnown,
}: {
  id: string;
  page: Page;
  drawing: string;
  onKnown: Known;
}) {
  // The same as long as page and drawing are: what is told anew at every rendering would have all of it rendered again, for ever.
  const seen = useMemo(() => seenOnPages([page], drawing), [page, drawing]);
  return seen ? <SeenMember id={id} seen={seen} onKnown={onKnown} /> : null;
}

function SeenMember({ id, seen, onKnown }: { id: string; seen: SeenDrawing; onKnown: Known }) {
  const { url } = useCutDrawing(seen);
  useEffect(() => onKnown(id, { url, light: undefined, ...shapeOfDrawing(seen) }), [id, url, seen, onKnown]);
  return null;
}
