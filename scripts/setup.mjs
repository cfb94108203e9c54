// What a fresh machine lacks: the packages, and for the tests Debian's Chromium. Needs nothing but Node.
import { spawnSync } from 'node:child_process';
import { existsSync, statSync } from 'node:fs';

export const run = (command, args, options = {}) =>
  spawnSync(command, args, { stdio: 'inherit', ...options }).status ?? 1;

const age = (file) => statSync(file).mtimeMs;

/** Install the packages of the lock file when they are missing or older than it. */
export function ensurePackages() {
  const installed = 'node_modules/.package-lock.json';
  if (existsSync(installed) && age(installed) >= age('package-lock.json')) return;
  console.log('Installing packages.');
  if (run('npm', ['ci', '--include=dev', '--no-audit', '--no-fund']) !== 0)
    fail('The packages could not be installed.');
}

/** Install Chromium from Debian when it is missing and this user may. */
export function ensureChromium() {
  if (process.env.CHROMIUM ?? existsSync('/usr/bin/chromium')) return;
  if (process.getuid?.() !== 0)
    fail('The tests need Chromium: install the Debian package "chromium" (apt-get install chromium).');
  console.log('Installing Chromium.');
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  run('apt-get', ['update', '-q'], { env });
  if (run('apt-get', ['install', '-y', '-q', 'chromium'], { env }) !== 0)
    fail('Chromium could not be installed from Debian’s packages.');
}

export function fail(sentence) {
  console.error(sentence);
  process.exit(1);
}
