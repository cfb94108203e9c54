// How often the facts read from pictures agree with the truth: tsx rates.ts DIR
import { existsSync, readFileSync } from 'node:fs';
import sharp from 'sharp';
import { headTurn, readFaceLight } from '@/core/body/readHead';
import { type GrayPicture, readLight } from '@/core/body/readLight';
import { readBody } from '@/core/body/readBody';
import { type BodyPoint, pointOf } from '@/core/body/points';
import { SAID_FROM } from '@/core/references/effectiveFacts';
import type { HardTruth } from './hardScenes';
import type { HeadTruth } from './heads';
import type { Truth } from './pictures';

interface Body {
  points: BodyPoint[];
  space: [number, number, number][];
  score: number;
}
interface Found {
  body?: Body;
  others: Body[];
  ms: number;
}
/** No horizon is said, and no tilt is measured here. */
const AROUND = { aspect: 1, horizon: undefined };
const peopleOf = ({ body, others }: Found): number => (body ? 1 + others.length : 0);
const [dir] = process.argv.slice(2);
/** What a script wrote, of both shares; nothing where it was not asked to. */
const read = <T>(name: string): T[] =>
  ['0', '1'].flatMap((share) => {
    const file = `${dir}/${name}-${share}.json`;
    return existsSync(file) ? (JSON.parse(readFileSync(file, 'utf8')) as T[]) : [];
  });
const bodies = JSON.parse(readFileSync(`${dir}/bodies.json`, 'utf8')) as Record<string, Found>;
const truths = read<Truth>('truth').sort((a, b) => a.file.localeCompare(b.file));

const eyeLevel = (deg: number): string => (deg > 22 ? 'from above' : deg < -3 ? 'from below' : 'at eye level');
interface Rate {
  right: number;
  of: number;
  sure: number;
}
const grayOf = async (file: string): Promise<GrayPicture> => {
  const { data, info } = await sharp(`${dir}/${file}`)
    .resize(360, 360, { fit: 'inside' })
    .grayscale()
    .raw()
    .toBuffer({ resolveWithObject: true });
  return { width: info.width, height: info.height, data: new Uint8Array(data) };
};
const rates = new Map<string, Rate>();
const families = new Map<string, Rate>();
const said = new Map<string, Rate>();
/** What the weight rests on: the families that stand are told apart by arms and intent, which angles hardly show. */
const restsOn = (family = ''): string =>
  ['bending', 'kneeling or crouching', 'seated', 'reclining'].includes(family) ? family : 'on the feet';
const misses: string[] = [];
function count(into: Map<string, Rate>, name: string, right: boolean, sure = 0): void {
  const rate = into.get(name) ?? { right: 0, of: 0, sure: 0 };
  into.set(name, { right: rate.right + (right ? 1 : 0), of: rate.of + 1, sure: rate.sure + sure });
  if (into === rates && WEIGHED.test(name))
    count(bySure, `${String(Math.min(9, Math.floor(sure * 10 + 1e-9)))}0 %`, right, sure);
}
/** What is said with a certainty of its own, by tens of percent of it. */
const bySure = new Map<string, Rate>();
const WEIGHED =
  /^(extent|view|family|eyeLevel|facing, where a side was said|(hard|unseen): extent|head: (view|facing.*))$/;
/** Joints that lie farther apart than this tell which side is which, shares of the picture. */
const APART = 0.05;
const PAIRS = [
  ['shoulder', 'shoulder'],
  ['hip point', 'hip'],
  ['elbow', 'elbow'],
  ['knee', 'knee'],
  ['ankle', 'ankle'],
] as const;
/** Whether shoulders and hips, covered or not, were found on the sides they are on across the picture; undefined where they lie one behind the other. */
function onTheirSides({ marks }: Truth, points: readonly BodyPoint[]): boolean | undefined {
  const votes = PAIRS.slice(0, 2).flatMap(([mark, point]) => {
    const truly = marks[`left ${mark}`][0] - marks[`right ${mark}`][0];
    const found = pointOf(points, `left ${point}`).x - pointOf(points, `right ${point}`).x;
    return Math.abs(truly) > APART ? [Math.sign(truly) === Math.sign(found)] : [];
  });
  return votes.length > 0 ? votes.every(Boolean) : undefined;
}

/**
 * Whether left and right were found where they are: of the pairs that nothing covers and that lie apart, more have each side nearer to its own place than to the
 * other's; undefined where none lies apart. A hip alone that is a few pixels over the middle is no exchange.
 */
function sideInPicture({ marks, uncovered }: Truth, points: readonly BodyPoint[]): boolean | undefined {
  const apart = (a: readonly [number, number], b: { x: number; y: number }): number =>
    Math.hypot(a[0] - b.x, a[1] - b.y);
  const votes = PAIRS.flatMap(([mark, point]) => {
    const [l, r] = [marks[`left ${mark}`], marks[`right ${mark}`]];
    const seen = uncovered.includes(`left ${mark}`) && uncovered.includes(`right ${mark}`);
    if (!seen || Math.hypot(l[0] - r[0], l[1] - r[1]) < APART) return [];
    const [foundL, foundR] = [pointOf(points, `left ${point}`), pointOf(points, `right ${point}`)];
    return [apart(l, foundL) + apart(r, foundR) < apart(l, foundR) + apart(r, foundL)];
  });
  return votes.length > 0 ? 2 * votes.filter(Boolean).length > votes.length : undefined;
}

for (const truth of truths) {
  const found = bodies[truth.file];
  count(rates, 'a body found', found.body !== undefined);
  if (!found.body) {
    misses.push(`${truth.file} ${truth.poseId}: no body found`);
    continue;
  }
  const { facts, sure } = readBody(found.body, peopleOf(found), AROUND);
  count(rates, 'people: one or more', peopleOf(found) > 1 === truth.people > 1, sure.subject);
  if (truth.people > 1) continue;
  const across = onTheirSides(truth, found.body.points);
  if (across !== undefined) count(rates, 'shoulders and hips both on their sides', across);
  const leftmost = sideInPicture(truth, found.body.points);
  if (leftmost !== undefined) count(rates, 'left and right not exchanged', leftmost);
  if (leftmost === false) misses.push(`${truth.file} ${truth.poseId}: left and right exchanged`);
  const check = (name: 'extent' | 'view' | 'family' | 'eyeLevel' | 'foreshortened', truthValue: string): void => {
    if (facts[name] === undefined) return;
    count(rates, name, facts[name] === truthValue, sure[name]);
  };
  check('extent', truth.extent);
  check('view', truth.viewName);
  if (truth.facing === 'left' || truth.facing === 'right') {
    const side = facts.facing === 'left' || facts.facing === 'right';
    count(rates, 'facing, where it faces a side', facts.facing === truth.facing, sure.facing);
    if (side) count(rates, 'facing, where a side was said', facts.facing === truth.facing, sure.facing);
  }
  check('eyeLevel', eyeLevel(truth.elevationDeg));
  count(rates, 'difficulty within 1', Math.abs(Number(facts.difficulty) - truth.difficulty) <= 1, sure.difficulty);
  const light = readLight(await grayOf(truth.file), found.body.points);
  if (light) {
    count(rates, 'light: clear or flat', (light.light === 'flat') === truth.flat, 0.84);
    const from = Math.abs(truth.lightAzimuthDeg);
    if (!truth.flat && from > 30 && from < 120)
      count(rates, 'light from', light.lightFrom === (truth.lightAzimuthDeg < 0 ? 'left' : 'right'), 0.8);
  }
  if (truth.extent !== 'whole') continue;
  check('family', truth.family);
  count(rates, 'what the weight rests on', restsOn(facts.family) === restsOn(truth.family));
  count(said, facts.family ?? 'none', facts.family === truth.family);
  count(families, truth.family, facts.family === truth.family);
  if (facts.family !== truth.family)
    misses.push(`${truth.file} ${truth.poseId}: ${truth.family} read as ${facts.family ?? 'none'}`);
}
for (const [file, found] of Object.entries(bodies).filter(([name]) => name.startsWith('nobody'))) {
  count(rates, 'nobody claimed where nobody is', found.body === undefined);
  if (found.body) misses.push(`${file}: somebody claimed, ${found.body.score.toFixed(2)}`);
}
/** Hard scenes: those looked at while the rules were made, or with `--unseen` those kept for the end. */
const kind = process.argv.includes('--unseen') ? 'unseen' : 'hard';
const scenes = read<HardTruth>('hard').filter((s) => s.file.startsWith(kind));
for (const { file, people, extent, smallest } of scenes) {
  const found = bodies[file];
  const seen = peopleOf(found);
  if (people > 1) count(rates, `${kind}: two or more told as that`, seen > 1);
  else count(rates, `${kind}: one told as one`, seen === 1);
  if (people > 1) count(rates, `${kind}: as many as there are`, seen === people);
  if (people === 1 && smallest < 0.4) count(rates, `${kind}: one that is small, found`, seen > 0);
  if (extent && found.body) {
    const said = readBody(found.body, seen, AROUND);
    count(rates, `${kind}: extent`, said.facts.extent === extent, said.sure.extent);
    if ((said.sure.extent ?? 0) >= SAID_FROM)
      count(rates, `${kind}: extent, where it is said`, said.facts.extent === extent, said.sure.extent);
    if (said.facts.extent !== extent) misses.push(`${file}: ${extent} read as ${said.facts.extent ?? 'none'}`);
  }
  if (seen > 1 !== people > 1 || seen === 0) misses.push(`${file}: ${String(people)} people, ${String(seen)} seen`);
}
/** Heads alone: told as that, and what is read of them. */
const headKind = kind === 'unseen' ? 'headunseen' : 'head-';
for (const { file, viewName, facing, lightAzimuthDeg } of read<HeadTruth>('heads').filter((head) =>
  head.file.startsWith(headKind),
)) {
  const { body } = bodies[file];
  const faces = viewName === 'front' || viewName === 'three-quarter';
  if (faces) count(rates, 'head: one whose face is seen, found', body !== undefined);
  if (!body) continue;
  const { facts, sure } = readBody(body, peopleOf(bodies[file]), AROUND);
  count(rates, 'head: told as a head alone', facts.subject === 'parts/head', sure.subject);
  if (facts.subject !== 'parts/head') continue;
  count(rates, 'head: view', facts.view === viewName, sure.view);
  if (facts.facing === 'left' || facts.facing === 'right')
    count(rates, 'head: facing, where a side was said', facts.facing === facing, sure.facing);
  const light = readFaceLight(await grayOf(file), body.points, headTurn(body.points, body.space, AROUND.aspect));
  if (light && Math.abs(lightAzimuthDeg) > 30)
    count(rates, 'head: light from', light.lightFrom === (lightAzimuthDeg < 0 ? 'left' : 'right'), 0.8);
}
const percent = ({ right, of }: Rate): string => `${String(Math.round((100 * right) / of))} %`;
console.log('| fact | right | of | claimed |\n| --- | --- | --- | --- |');
for (const [name, rate] of rates)
  console.log(
    `| ${name} | ${percent(rate)} | ${String(rate.of)} | ${String(Math.round((100 * rate.sure) / rate.of))} % |`,
  );
console.log('\n| pose | found | of | right where said | of |\n| --- | --- | --- | --- | --- |');
for (const [name, rate] of families) {
  const claims = said.get(name) ?? { right: 0, of: 0, sure: 0 };
  console.log(
    `| ${name} | ${percent(rate)} | ${String(rate.of)} | ${claims.of > 0 ? percent(claims) : ''} | ${String(claims.of)} |`,
  );
}
console.log('\n| said with | right | of |\n| --- | --- | --- |');
for (const [name, rate] of [...bySure].sort(([a], [b]) => a.localeCompare(b)))
  console.log(`| ${name} and more | ${percent(rate)} | ${String(rate.of)} |`);
const times = Object.values(bodies)
  .map((b) => b.ms)
  .sort((a, b) => a - b);
console.log(`\nmedian ${times[Math.floor(times.length / 2)].toFixed(0)} ms a picture`);
if (process.argv.includes('--misses')) console.log(misses.join('\n'));
