// npm run demo: on a fresh clone install, build and serve, and say where. The first visit is seeded with the demo learner.
import { spawn } from 'node:child_process';
import { createServer } from 'node:net';
import { ensurePackages, fail, run } from './setup.mjs';

const FIRST_PORT = 3100;

function isFree(port) {
  return new Promise((resolve) => {
    const probe = createServer()
      .once('error', () => resolve(false))
      .once('listening', () => probe.close(() => resolve(true)))
      .listen(port, '127.0.0.1');
  });
}

ensurePackages();
console.log('Building.');
if (run('npm', ['run', '--silent', 'build']) !== 0) fail('The build failed; what it says above tells why.');
let port = Number(process.env.PORT ?? FIRST_PORT);
while (!(await isFree(port))) port++;
const server = spawn(
  process.execPath,
  ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(port)],
  {
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1' },
    stdio: ['ignore', 'ignore', 'inherit'],
  },
);
server.on('exit', (code) => process.exit(code ?? 0));
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
for (;;) {
  try {
    await fetch(`http://127.0.0.1:${port}/icon.svg`);
    break;
  } catch {
    await new Promise((r) => setTimeout(r, 100));
  }
}
console.log(`\nFox Minute is at http://127.0.0.1:${port}/  (Ctrl+C stops it)\n`);
