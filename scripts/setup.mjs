// What a fresh machine lacks: the packages, and for the tests Debian's Chromium. Needs nothing but Node.
import { spawnSync } from 'node:child_process';
import { existsSync, statSync } from 'node:fs';
import { HEADLESS_SHELL, WHOLE_CHROMIUM } from './chromium.mjs';

export const run = (command, args, options = {}) =>
  spawnSync(command, args, { stdio: 'inherit', ...options }).status ?? 1;

const age = (file) => statSync(file).mtimeMs;

/** One line a step: what it is, and what it printed only if it fails. */
function quietly(words, command, args, options = {}) {
  process.stdout.write(`${words} … `);
  const beganMs = Date.now();
  const { status, stdout, stderr } = spawnSync(command, args, {
    encoding: 'utf8',
    maxBuffer: 64 * 1024 ** 2,
    ...options,
  });
  const ok = status === 0;
  console.log(ok ? `done in ${Math.round((Date.now() - beganMs) / 1000)} s` : 'failed');
  if (!ok) console.error(`${stdout ?? ''}${stderr ?? ''}`);
  return ok;
}

/** Install the packages of the lock file when they are missing or older than it. */
export function ensurePackages() {
  const installed = 'node_modules/.package-lock.json';
  if (existsSync(installed) && age(installed) >= age('package-lock.json')) return;
  if (!quietly('Installing packages', 'npm', ['ci', '--include=dev', '--no-audit', '--no-fund']))
    fail('The packages could not be installed.');
}

/**
 * Install Chromium from Debian when it is missing and this user may, and nothing beside what it needs to run: whole, for the session whose
 * tabs are really hidden, and its shell without windows for all else. Where the shell cannot be had the whole one does its work, more slowly.
 */
export function ensureChromium() {
  const there = existsSync(WHOLE_CHROMIUM);
  if (process.env.CHROMIUM || (there && existsSync(HEADLESS_SHELL))) return;
  if (process.getuid?.() !== 0) {
    if (there) return;
    fail('The tests need Chromium: install the Debian package "chromium" (apt-get install chromium).');
  }
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  quietly('Reading Debian’s package lists', 'apt-get', ['update', '-q'], { env });
  const install = ['install', '-y', '-q', '--no-install-recommends', '--no-upgrade', 'chromium'];
  if (quietly('Installing Chromium', 'apt-get', [...install, 'chromium-headless-shell'], { env }) || there) return;
  if (!quietly('Installing Chromium without its shell', 'apt-get', install, { env }))
    fail('Chromium could not be installed from Debian’s packages.');
}

export function fail(sentence) {
  console.error(sentence);
  process.exit(1);
}
