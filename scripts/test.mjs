// npm test: set-up and every check, from a fresh clone. Ends with a line "N passed, N failed".
import { spawn } from 'node:child_process';
import path from 'node:path';
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { freePort } from './serve.mjs';
import { ensureChromium, ensurePackages } from './setup.mjs';

rmSync('test-results', { recursive: true, force: true });
mkdirSync('test-results', { recursive: true });
ensurePackages();
ensureChromium();

let passed = 0;
let failed = 0;
const failures = [];
const count = (name, ok) => {
  if (ok) passed++;
  else {
    failed++;
    failures.push(name);
  }
};
const readReport = (file) => {
  try {
    return JSON.parse(readFileSync(file, 'utf8'));
  } catch {
    return undefined;
  }
};

/** Run checks one after another; what each says is printed when it ends. @returns Whether all went well. */
async function steps(checks) {
  let allOk = true;
  for (const [name, script] of checks) {
    const { ok, said } = await quietly('npm', ['run', '--silent', script]);
    console.log(`\n== ${name}${said && `\n${said}`}`);
    count(name, ok);
    allOk &&= ok;
  }
  return allOk;
}
/** Run a command and let it speak. @returns Whether it went well. */
const aloud = (command, args, env) =>
  new Promise((resolve) => {
    spawn(command, args, { stdio: 'inherit', env: { ...process.env, ...env } }).on('close', (code) =>
      resolve(code === 0),
    );
  });
/** Run a command and keep what it says. */
const quietly = (command, args, env = {}) =>
  new Promise((resolve) => {
    const child = spawn(command, args, { stdio: ['ignore', 'pipe', 'pipe'], env: { ...process.env, ...env } });
    let said = '';
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (said += String(chunk)));
    child.on('close', (code) => resolve({ ok: code === 0, said: said.trim() }));
  });

// Linting reads the types of routes, which the check of types and the build make. It takes one core for minutes, so all else goes beside it.
const besides = steps([
  ['format', 'check:format'],
  ['imports', 'check:imports'],
  ['dead code', 'check:dead'],
]);
await steps([['types', 'check:types']]);
const built = await steps([['build', 'build']]);
const lint = besides.then(() => steps([['lint', 'check:lint']]));
console.log('\n== unit tests');
const reporters = ['--reporter=default', '--reporter=json', '--outputFile=test-results/unit.json'];
const unitOk = await aloud('npx', ['vitest', 'run', ...reporters]);

/** What failed and how it said so in a few lines: the end of the output is what one sees first. */
const told = (name, message = '') => failures.push(`${name}\n    ${message.split('\n').slice(0, 6).join('\n    ')}`);
const specsOf = ({ suites = [], specs = [] }) => [...specs, ...suites.flatMap(specsOf)];

const unit = readReport('test-results/unit.json');
for (const { name, assertionResults } of unit?.testResults ?? [])
  for (const { status, fullName, failureMessages } of assertionResults)
    if (status === 'failed') told(`${path.relative('.', name)} > ${fullName}`, failureMessages[0]);
passed += unit?.numPassedTests ?? 0;
failed += unit?.numFailedTests ?? 0;
if (!unitOk) failures.push('unit tests');
if (!unitOk && !(unit?.numFailedTests > 0)) failed++;

if (built) {
  console.log('\n== browser tests');
  const realtime = quietly('npx', ['playwright', 'test'], { E2E_PART: 'realtime', PORT: await freePort() });
  const rest = await aloud('npx', ['playwright', 'test'], { E2E_PART: 'rest', PORT: await freePort() });
  const { ok, said } = await realtime;
  console.log(`\n== browser test in real time\n${said}`);
  for (const [name, passes, report] of [
    ['browser tests', rest, 'e2e'],
    ['browser test in real time', ok, 'e2e-realtime'],
  ]) {
    const read = readReport(`test-results/${report}.json`) ?? {};
    const { expected = 0, unexpected = 0, flaky = 0 } = read.stats ?? {};
    for (const { file, title, tests } of specsOf(read).filter((spec) => !spec.ok))
      told(`${file} > ${title}`, tests[0]?.results[0]?.error?.message);
    passed += expected;
    failed += unexpected + flaky;
    if (!passes) failures.push(name);
    if (!passes && unexpected + flaky === 0) failed++;
  }
}

await lint;
if (failures.length > 0) console.log(`\nFailed:\n  ${failures.join('\n  ')}`);
const summary = `${passed} passed, ${failed} failed`;
writeFileSync('test-results/summary.txt', `${summary}\n`);
console.log(`\n${summary}`);
process.exit(failed === 0 ? 0 : 1);
