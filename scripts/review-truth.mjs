// How true the Desk is: npm run review-truth [-- count]. Sheets drawn by the hand with known errors are photographed by the simulated
// camera, found, straightened, cut, fitted and measured, and what comes out is held against what went in. Prints docs/review-truth.md's tables.
import { execFile } from 'node:child_process';
import { availableParallelism } from 'node:os';
import { promisify } from 'node:util';

const run = promisify(execFile);
const count = process.argv[2] ?? '80';
const shares = availableParallelism();
const outputs = await Promise.all(
  Array.from({ length: shares }, (_, i) =>
    run('npx', ['tsx', 'scripts/review/photographs.ts', String(i), String(shares), count], { maxBuffer: 1 << 28 }),
  ),
);
const all = outputs.flatMap(({ stdout }) =>
  stdout
    .split('\n')
    .filter(Boolean)
    .map((line) => JSON.parse(line)),
);
const quantile = (values, q) =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * q))];
const percent = (share, digits = 0) => `${(share * 100).toFixed(digits)} %`;

console.log(
  '| photographs | of | corners within 1 % | of them flagged all the same | further off, and flagged | further off, not flagged | median worst corner |',
);
console.log('| --- | --- | --- | --- | --- | --- | --- |');
/** @type {[string, (r: any) => boolean][]} */
const kinds = [
  ['dark desk', (r) => r.desk === 'dark'],
  ['wooden desk', (r) => r.desk === 'wood'],
  ['pale desk', (r) => r.desk === 'pale'],
  ['curled', (r) => r.trouble === 'curled'],
  ['hard shadow', (r) => r.trouble === 'hard shadow'],
  ['all', () => true],
];
for (const [name, is] of kinds) {
  const some = all.filter(is);
  const far = some.filter((r) => r.off > 0.01);
  const flagged = far.filter((r) => r.doubts > 0).length;
  const needless = some.filter((r) => r.off <= 0.01 && r.doubts > 0).length;
  console.log(
    `| ${name} | ${some.length} | ${some.length - far.length} | ${needless} | ${flagged} | ${far.length - flagged} | ${percent(
      quantile(
        some.map((r) => r.off),
        0.5,
      ),
      2,
    )} |`,
  );
}
const large = all.filter((r) => r.megapixels > 10 && r.ms);
console.log(
  `\nProcessor time of finding, straightening and cutting one of 12 megapixels: ${quantile(
    large.map((r) => r.ms),
    0.5,
  ).toFixed(0)} ms in the middle of ${large.length}, at most ${Math.max(...large.map((r) => r.ms)).toFixed(0)} ms.`,
);
const found = all.filter((r) => r.boxes !== undefined);
const cuts = found.flatMap((r) => r.drawings);
console.log(
  `Cut with the number known: ${found.filter((r) => r.boxes === r.of).length} of ${found.length} sheets into as many as there are; ${cuts.filter((d) => d.cut > 0.6).length} of ${cuts.length} boxes share more than 60 % with the truth (mean ${percent(cuts.reduce((s, d) => s + d.cut, 0) / cuts.length)}).\n`,
);

const values = cuts.flatMap((d) => d.values.map((v) => ({ ...v, manner: d.manner })));
const groups = new Map([
  ['head', /^head$/],
  ['legs', /^legs/],
  ['waist', /^waist$/],
  ['widths of shoulders and hips', /^(shoulders|hips)$/],
  ['limbs', /^(left|right) /],
  ['heads in the figure', /^heads$/],
  ['where the middle lies', /^half$/],
  ['tilts', /^tilt/],
  ['directions of limbs', /^direction/],
]);
/**
 * @param {string} title
 * @param {'error' | 'handError'} error
 * @param {'sigma' | 'handSigma'} sigma
 */
function table(title, error, sigma) {
  console.log(`| ${title} | of | off by, median | 90 times in 100 | within 2 % or 1° | stated interval holds |`);
  console.log('| --- | --- | --- | --- | --- | --- |');
  const held = (some) => some.filter((v) => Math.abs(v[error]) <= 1.96 * v[sigma]).length / some.length;
  for (const [name, ids] of groups) {
    const some = values.filter((v) => ids.test(v.id));
    if (some.length === 0) continue;
    const deg = some[0].unit === 'deg';
    const off = some.map((v) => Math.abs(v[error]));
    const say = (v) => (deg ? `${v.toFixed(1)}°` : percent(v, 1));
    const near = off.filter((v) => v <= (deg ? 1 : 0.02)).length / off.length;
    console.log(
      `| ${name} | ${some.length} | ${say(quantile(off, 0.5))} | ${say(quantile(off, 0.9))} | ${percent(near)} | ${percent(held(some))} |`,
    );
  }
  console.log(`| all | ${values.length} | | | | ${percent(held(values), 1)} |\n`);
}
table('points found by itself', 'error', 'sigma');
table('points tapped with a magnifier', 'handError', 'handSigma');
for (const manner of new Set(values.map((v) => v.manner))) {
  const heads = values.filter((v) => v.manner === manner && v.id === 'head').map((v) => Math.abs(v.error));
  if (heads.length > 0)
    console.log(`Head, ${manner}: ${percent(quantile(heads, 0.5), 1)} in the middle of ${heads.length}.`);
}
