// Makes the demo learner's pages: npm run demo-pages. public/demo: photographs of sheets drawn by the hand, with the errors she has at
// the time, and pages.json with what lies on them, as the Desk finds it.
import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { differenceInCalendarDays } from 'date-fns';
import sharp from 'sharp';
import { DEMO_PAGES, demoErrors, demoPageId } from '@/core/demoPages';
import { demoSessions } from '@/core/demo';
import { proposeDrawings } from '@/core/desk/drawings';
import { findSheet } from '@/core/desk/findSheet';
import { flatSheet } from '@/core/desk/flatSheet';
import { inkOf } from '@/core/desk/ink';
import { envelopeOf, inkEnvelope, matched } from '@/core/desk/matching';
import { SHEETS } from '@/core/desk/quad';
import { cornersInShares, type Sheet, sheetShape } from '@/core/desk/sheet';
import { parseFigureReference } from '@/core/figure/catalogue/reference';
import { referenceKey } from '@/core/figure/catalogue/referenceKey';
import type { HandTask } from '@/core/hand/draw';
import { mannerOf } from '@/core/hand/manners';
import { pageByHand } from '@/core/hand/page';
import { photographOf } from '@/core/hand/photograph';
import { posesDrawn } from '@/core/journal/drawings';
import { shippedReferences } from '@/core/references/referenceFacts';
import { BUILT_IN_SET_ID } from '@/core/references/picture';
import { KIT } from './figures/kit';

const LONG_PX = 1700;
/** Any day: dates move with the day on which the demo is looked at. */
const NOW_MS = Date.UTC(2026, 0, 15, 20);

const sessions = demoSessions(shippedReferences(BUILT_IN_SET_ID) ?? [], NOW_MS);
rmSync('public/demo', { recursive: true, force: true });
mkdirSync('public/demo', { recursive: true });
const pages = [];
for (const [i, spec] of DEMO_PAGES.entries()) {
  const session = sessions.find(({ id }) => id === spec.sessionId);
  if (!session) throw new Error(spec.sessionId);
  const errors = demoErrors(differenceInCalendarDays(NOW_MS, session.startedAtMs));
  const drawn = posesDrawn(session).flatMap((drawing, k) => {
    const reference = drawing.referenceId === null ? undefined : parseFigureReference(drawing.referenceId);
    if (!reference) return [];
    const key = referenceKey(KIT, reference);
    const manner = mannerOf(drawing.exercise);
    const { marks } = drawing.exercise.rule;
    const task: HandTask = {
      key,
      manner,
      drawMs: drawing.spentMs,
      errors,
      seed: 100 * i + k,
      ...(typeof marks === 'number' && { mostMarks: marks }),
    };
    return [{ drawing: drawing.drawing, task }];
  });
  const some = drawn.slice(0, spec.most);
  const [widthMm, heightMm] = spec.paper;
  const page = pageByHand({
    widthMm,
    heightMm,
    perMm: 5,
    material: spec.material,
    drawings: some.map(({ task }) => task),
    seed: i + 1,
  });
  const lying = widthMm > heightMm;
  const [width, height] = lying ? [LONG_PX, LONG_PX * 0.75] : [LONG_PX * 0.75, LONG_PX];
  const { photo } = photographOf({
    page,
    tone: spec.tone,
    desk: spec.desk,
    width,
    height,
    seed: i + 3,
    curl: spec.curl,
    grains: 2.5,
  });
  const file = `page-${String(i + 1)}.jpg`;
  const image = sharp(photo.data, { raw: { width, height, channels: 4 } });
  await image.clone().jpeg({ quality: 78, mozjpeg: true }).toFile(`public/demo/${file}`);
  await image
    .resize({ width: 320, height: 320, fit: 'inside' })
    .jpeg({ quality: 74 })
    .toFile(`public/demo/small-${file}`);
  const { candidates } = findSheet(photo);
  const corners = candidates.at(0)?.corners;
  if (!corners) throw new Error(`no sheet on ${file}`);
  const { aspect } = sheetShape(corners, width, height);
  const paper = SHEETS.find(
    (one) => one.widthMm === Math.min(widthMm, heightMm) && one.heightMm === Math.max(widthMm, heightMm),
  );
  const flat = flatSheet(photo, corners, aspect);
  const { width: w, height: h } = flat.picture;
  const ink = inkOf(flat);
  const { boxes } = proposeDrawings(ink, w, h, some.length);
  const named = matched(
    boxes.map((box) => ({ box, envelope: inkEnvelope(ink, w, h, box) })),
    some.map(({ drawing, task }) => ({ key: drawing, envelope: envelopeOf(task.key.envelope) })),
  ).boxes;
  // Her pages are in order: each box is the drawing that lies there.
  for (const { box, key } of named) {
    const middle = [box.x + box.width / 2, box.y + box.height / 2];
    const k = page.drawings.findIndex(
      ({ box: b }) => middle[0] > b.x && middle[1] > b.y && middle[0] < b.x + b.width && middle[1] < b.y + b.height,
    );
    if (some[k]?.drawing !== key)
      throw new Error(`${file}: ${key ?? 'none'} lies where ${some[k]?.drawing ?? 'none'} was drawn`);
  }
  const sheet: Sheet = {
    corners: cornersInShares(corners, width, height),
    quarters: 0,
    aspect,
    ...(paper && { paper: paper.name }),
    drawings: named.map(({ box, key }) => ({ ...box, drawing: key })),
  };
  console.log(
    file,
    session.id,
    some.length,
    'drawings,',
    boxes.length,
    'boxes,',
    paper?.name,
    some.map(({ task }) => task.manner).join(', '),
  );
  pages.push({
    id: demoPageId(i),
    file,
    sessionId: session.id,
    widthPx: width,
    heightPx: height,
    ...(!spec.uncut && { sheet }),
  });
}
writeFileSync('public/demo/pages.json', JSON.stringify(pages));
