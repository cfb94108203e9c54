// npm run demo: on a fresh clone install, build and serve, and say where. The first visit is seeded with the demo learner.
import { spawn } from 'node:child_process';
import { createServer } from 'node:net';
import { ensurePackages, fail } from './setup.mjs';

const FIRST_PORT = 3100;

function isFree(port) {
  return new Promise((resolve) => {
    const probe = createServer()
      .once('error', () => resolve(false))
      .once('listening', () => probe.close(() => resolve(true)))
      .listen(port, '127.0.0.1');
  });
}

/** What runs now: the build, then the server. A signal ends it and then this. */
let child;
let ending = false;
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'])
  process.on(signal, () => {
    ending = true;
    child?.kill('SIGTERM');
  });

/** Start a command; resolves with how it ended. */
function start(args, stdio) {
  const env = { ...process.env, NEXT_TELEMETRY_DISABLED: '1' };
  child = spawn(process.execPath, args, { env, stdio });
  return new Promise((resolve) => child.on('exit', (code) => resolve(ending ? 0 : (code ?? 1))));
}

ensurePackages();
console.log('Building, about a minute.');
for (const step of [
  ['scripts/landmarks.mjs'],
  ['node_modules/next/dist/bin/next', 'build'],
  ['scripts/csp-hashes.mjs'],
  ['scripts/build-sw.mjs'],
]) {
  const code = await start(step, ['ignore', 'ignore', 'inherit']);
  if (ending) process.exit(0);
  if (code !== 0) fail('The build failed; what it says above tells why.');
}
let port = Number(process.env.PORT ?? FIRST_PORT);
while (!(await isFree(port))) port++;
const ended = start(
  ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(port)],
  ['ignore', 'ignore', 'inherit'],
);
void ended.then((code) => process.exit(code));
for (;;) {
  try {
    await fetch(`http://127.0.0.1:${port}/icon.svg`);
    break;
  } catch {
    await new Promise((r) => setTimeout(r, 100));
  }
}
console.log(`\nFox Minute is at http://127.0.0.1:${port}/  (Ctrl+C stops it)\n`);
