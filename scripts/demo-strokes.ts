// The demo learner's evenings on the screen: npm run demo-pages. Two of them have a figure in common, so that versions can be looked at.
import { writeFileSync } from 'node:fs';
import { differenceInCalendarDays } from 'date-fns';
import { demoErrors } from '@/core/demoPages';
import { demoSessions } from '@/core/demo';
import { parseFigureReference } from '@/core/figure/catalogue/reference';
import { referenceKey } from '@/core/figure/catalogue/referenceKey';
import { drawByHand } from '@/core/hand/draw';
import { mannerOf } from '@/core/hand/manners';
import { posesDrawn } from '@/core/journal/drawings';
import { replayOf } from '@/core/journal/replay';
import { mostMarks } from '@/core/practice/rules/marks';
import { shippedReferences } from '@/core/references/referenceFacts';
import { BUILT_IN_SET_ID } from '@/core/references/picture';
import { strokesByHand } from '@/core/strokes/byHand';
import type { InkStroke } from '@/core/strokes/inkStroke';
import { sheetNumber, sheetSizeMm } from '@/core/strokes/sheetOf';
import { KIT } from './figures/kit';

const SESSIONS = ['demo-13', 'demo-28'];
/** Any day: dates move with the day on which the demo is looked at. */
const NOW_MS = Date.UTC(2026, 0, 15, 20);
/** A place of the hand each so often is enough for what is to be seen, milliseconds. */
const EVERY_MS = 24;

const all: InkStroke[] = [];
const sessions = demoSessions(shippedReferences(BUILT_IN_SET_ID) ?? [], NOW_MS);
for (const id of SESSIONS) {
  const session = sessions.find((one) => one.id === id);
  if (!session) throw new Error(id);
  const { segments } = replayOf(session).timeline;
  const errors = demoErrors(differenceInCalendarDays(NOW_MS, session.startedAtMs));
  let n = 0;
  for (const [k, { drawing, exercise, referenceId, spentMs, segmentIndex }] of posesDrawn(session).entries()) {
    const reference = referenceId === null ? undefined : parseFigureReference(referenceId);
    if (!reference) continue;
    const most = mostMarks(exercise.rule);
    const drawn = drawByHand({
      key: referenceKey(KIT, reference),
      manner: mannerOf(exercise),
      drawMs: spentMs,
      // On glass nobody scratches as on paper: a line is laid again.
      errors: { ...errors, slow: 0.92 },
      seed: 40 + k,
      ...(most !== undefined && { mostMarks: most }),
    });
    const thinned = {
      strokes: drawn.strokes.map((stroke) => ({
        ...stroke,
        points: stroke.points.filter(
          ([, , at], i, points) =>
            i === 0 || i === points.length - 1 || Math.floor(at / EVERY_MS) !== Math.floor(points[i - 1][2] / EVERY_MS),
        ),
      })),
    };
    const where = {
      sessionId: id,
      sheet: sheetNumber(session.plan, segments, segmentIndex),
      drawing,
      tool: k % 3 === 2 ? ('charcoal' as const) : ('graphite' as const),
    };
    const { strokes } = strokesByHand(thinned, sheetSizeMm(session.plan), where, n);
    n += strokes.length;
    all.push(...strokes);
  }
}
writeFileSync('public/demo/strokes.json', JSON.stringify(all));
console.log(`${String(all.length)} strokes, ${String(Math.round(JSON.stringify(all).length / 1000))} kB`);
