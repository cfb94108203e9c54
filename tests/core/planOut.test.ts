import { describe, expect, it } from 'vitest';
import { calendarOf, firstTime } from '@/core/interchange/calendar';
import { planFileWords, readPlanFile, recipeFromFile, writePlanFile } from '@/core/interchange/planFile';
import { accountSession } from '@/core/journal/sessionAccount';
import { logByHand, timedSegments } from '@/core/journal/handEntry';
import { usualLength, usualTimes } from '@/core/journal/usualTimes';
import { chooseReferences } from '@/core/practice/start/chooseReferences';
import { layOutRecipe } from '@/core/practice/plan/layOut';
import { linesBlock, posesBlock, restBlock } from '@/core/practice/edit/newBlock';
import { printPages, rowHeight } from '@/core/practice/paper/printPages';
import { printRequestSchema, printSheet } from '@/core/practice/paper/printSheet';
import { USUAL_SHEET } from '@/core/practice/paper/sheet';
import { sessionSheetPdf } from '@/app/print/plan/pdf';
import { level, recipeWith } from './recipes';

const own = { ...posesBlock('x', 'flowing-gesture', 1), exercise: 'own-1' };
const exercise = {
  id: 'own-1',
  name: 'Märchen 童',
  family: 'quick' as const,
  purpose: '',
  cues: ['Only this.'],
  rule: {
    reference: 'shown',
    gaze: 'free',
    lifts: 'none',
    erasing: 'none',
    marks: 12,
    hand: 'usual',
    grip: 'free',
    view: 'gray',
    repeat: 'new picture',
    pace: 'slow',
    review: 'kind',
  } as const,
  shortestMs: 30_000,
  usualMs: 60_000,
  longestMs: 120_000,
  lookMs: 0,
  lookAgainMs: 0,
  school: 'none' as const,
  closingQuestion: 'Well?',
  lookAt: [],
};
const recipe = recipeWith(
  [linesBlock('l', 1), level('a', 3, 60_000, { leadInMs: 5000, changeMs: 5000 }), restBlock('r', 60_000), own],
  { exercises: [exercise] },
);

describe('a plan file', () => {
  const chosen = { a: ['picture/1', 'picture/2~m', 'figure/f'], x: ['figure/g'] };
  const pictures = [
    { reference: 'picture/1', name: 'one.jpg', sha256: 'aa' },
    { reference: 'picture/2~m', name: 'two.jpg', sha256: 'bb' },
  ];
  const text = writePlanFile(recipe, chosen, pictures);
  it('replays exactly: pictures, seed, order, exercises with their cues', () => {
    const read = readPlanFile(text);
    if ('problem' in read) throw new Error(read.problem);
    const { recipe: back, missing } = recipeFromFile(read.file, (p) => p.reference);
    expect(missing).toEqual([]);
    expect(back.seed).toBe(recipe.seed);
    expect(back.exercises.map((e) => e.id).sort()).toEqual(['flowing-gesture', 'own-1']);
    const again = chooseReferences(back, { bySet: new Map([['s', [{ id: 'figure/z' }]]]), timesDrawn: new Map() });
    expect(again).toEqual(chosen);
    const timeline = (r: typeof recipe) => JSON.stringify(layOutRecipe(r, chosen).plan.blocks);
    expect(timeline(back)).toBe(timeline(recipe));
  });
  it('finds pictures under other addresses, and names those that are missing', () => {
    const read = readPlanFile(text);
    if ('problem' in read) throw new Error(read.problem);
    const { recipe: back, missing } = recipeFromFile(read.file, (p) => (p.sha256 === 'aa' ? 'picture/9' : undefined));
    expect(missing).toEqual(['two.jpg']);
    expect(back.blocks[1].kind === 'poses' && back.blocks[1].source.pins).toEqual(['picture/9', null, 'figure/f']);
  });
  it('says which of the learner’s own pictures are only named in it', () => {
    const named = (...names: string[]) =>
      planFileWords(
        names.map((name, i) => ({ reference: `picture/${String(i)}`, name, sha256: '' })),
        new Map([['a.jpg', 'for practice only']]),
      );
    expect(named()).toMatch(/Its figures are in every Fox Minute/);
    expect(named('a.jpg', 'a.jpg')).toMatch(/only named: “a.jpg” \(for practice only\). Where that picture is missing/);
    expect(named('a', 'b', 'c', 'd', 'e', 'f')).toMatch(/“a”, “b”, “c”, “d” and 2 more pictures. Where those/);
  });
  it('is refused in words when it is something else, later, or broken', () => {
    const problem = (t: string) => {
      const read = readPlanFile(t);
      return 'problem' in read ? read.problem : '';
    };
    expect(problem('{')).toMatch(/does not hold a plan.*Nothing here was changed/);
    expect(problem('{"format":"else","version":1}')).toMatch(/not a Fox Minute plan/);
    expect(problem(text.replace('"version": 1', '"version": 2'))).toMatch(/newer Fox Minute/);
    expect(problem(text.replace('"count": 3', '"count": 0'))).toMatch(/not as it should be \(.*count/);
  });
});

describe('the calendar file', () => {
  const schedule = { days: [1, 4], minute: 19 * 60 + 30, times: 8 };
  const monday = new Date(2026, 10, 23, 20, 0);
  it('begins on the next day named, repeats weekly, in local time', () => {
    expect(firstTime(schedule, monday)).toEqual(new Date(2026, 10, 26, 19, 30));
    expect(firstTime({ ...schedule, minute: 21 * 60 }, monday)).toEqual(new Date(2026, 10, 23, 21, 0));
    const text = calendarOf({ id: 'p', recipe, schedule, savedAtMs: 0, binnedAtMs: null }, monday);
    expect(text).toMatch(/BEGIN:VCALENDAR[\s\S]*RRULE:FREQ=WEEKLY;COUNT=8;BYDAY=MO,TH/);
    expect(text).toContain('DTSTART:20261126T193000\r\n');
    expect(text).toContain('DTEND:20261126T193610\r\n');
  });
});

describe('a session timed by hand', () => {
  const { plan } = layOutRecipe(recipe, { a: ['p', 'q', 'r'], x: ['s'] });
  it('has a box for every drawing and page', () => {
    expect(timedSegments(plan).map((b) => b.plannedMs)).toEqual([40_000, 60_000, 60_000, 60_000, 60_000]);
  });
  it('is an entry like one that was run: shorter, longer, left out, as planned', () => {
    const { log, endMs } = logByHand(plan, [90_000, 45_000, 200_000, 0, undefined]);
    const account = accountSession({ id: 'h', plan, log, startedAtMs: 0, lastSeenMs: endMs, status: 'kept', note: '' });
    expect(account).toMatchObject({
      linesMs: 90_000,
      drawingMs: 90_000 + 45_000 + 200_000 + 60_000,
      heldMs: 0,
      drawings: 3,
      restingMs: 60_000,
    });
    expect(account.wallMs).toBe(endMs);
  });
});

describe('usual times', () => {
  it('are the median, rounded up to a quarter of a minute, from four drawings on', () => {
    expect(usualLength([180_000, 230_000, 270_000, 130_000])).toBe(210_000);
    expect(usualLength([180_000, 230_000, 270_000])).toBeUndefined();
  });
  it('leave out sessions drawn while explaining', () => {
    const session = (audience: boolean) => {
      const { plan } = layOutRecipe({ ...recipe, audience }, {});
      const { log, endMs } = logByHand(plan, [40_000, 60_000, 70_000, 80_000, 90_000]);
      return { id: 'h', plan, log, startedAtMs: 0, lastSeenMs: endMs, status: 'kept' as const, note: '' };
    };
    expect(usualTimes([session(false), session(false)]).get('flowing-gesture')).toBe(75_000);
    expect(usualTimes([session(true)]).size).toBe(0);
  });
});

describe('the printed sheet', () => {
  const request = printRequestSchema.parse({
    plan: layOutRecipe(recipe, {}).plan,
    startsAtMinute: 19 * 60,
    sheet: USUAL_SHEET,
  });
  it('has a row for every block, with clock times and boxes', () => {
    const { rows } = printSheet(request);
    expect(rows.map((r) => [r.time, r.name, r.boxes.length])).toEqual([
      ['19:00', 'Lines', 1],
      ['19:00', 'Flowing gesture', 3],
      ['19:04', 'Rest', 0],
      ['19:05', 'Märchen 童', 1],
    ]);
    expect(printSheet({ ...request, startsAtMinute: null }).rows[1].time).toBe('+0:40');
  });
  const evening = (count: number, rests: number) =>
    printSheet({
      ...request,
      plan: layOutRecipe(
        recipeWith([
          level('a', count, 30_000),
          ...Array.from({ length: rests }, (_, i) => restBlock(`r${String(i)}`, 60_000)),
        ]),
        {},
      ).plan,
    });
  it('is one page of PDF as long as its words can be read, and several after that', async () => {
    for (const [count, rests, pages] of [
      [3, 20, 1],
      [90, 20, 1],
      [500, 20, 1],
      [3, 80, 3],
      [1500, 60, 6],
    ] as const) {
      const text = Buffer.from(await sessionSheetPdf(evening(count, rests))).toString('latin1');
      expect(text.startsWith('%PDF-')).toBe(true);
      expect(text.match(/\/Type \/Page\b/g)).toHaveLength(pages);
    }
  });
  it('keeps every row and every box over its pages, and none below the room there is', () => {
    for (const [count, rests] of [
      [3, 20],
      [1500, 60],
      [1999, 0],
    ] as const) {
      const { rows } = evening(count, rests);
      const laid = printPages(rows, 500);
      const all = laid.pages.flat();
      expect(all.flatMap((r) => r.boxes)).toEqual(rows.flatMap((r) => r.boxes));
      expect(all.filter((r) => !r.name.endsWith(', on')).map((r) => r.name)).toEqual(rows.map((r) => r.name));
      for (const page of laid.pages) expect(page.reduce((sum, r) => sum + rowHeight(r, laid), 0)).toBeLessThan(500.001);
      expect(laid.boxHeight).toBeGreaterThanOrEqual(12);
    }
  });
});
