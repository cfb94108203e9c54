import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type BrowserContext, chromium, type Page } from '@playwright/test';
import { CHROMIUM } from '../../scripts/chromium.mjs';

export interface OwnBrowser {
  page: Page;
  context: BrowserContext;
  /** Send a signal to the browser's processes: all of them, or only those that run pages. */
  signal: (name: 'KILL' | 'STOP' | 'CONT', which: 'all' | 'renderers') => void;
}

/** Processes below one, and it, with their command lines. */
function family(root: number): { pid: number; args: string }[] {
  const all = execFileSync('ps', ['-e', '-o', 'pid=,ppid=,args='], { encoding: 'utf8' })
    .split('\n')
    .map((line) => /^\s*(\d+)\s+(\d+)\s+(.*)$/.exec(line))
    .filter((m) => m !== null)
    .map(([, pid, ppid, args]) => ({ pid: Number(pid), ppid: Number(ppid), args }));
  const inside = new Set([root]);
  for (let grown = true; grown;) {
    grown = false;
    for (const { pid, ppid } of all)
      if (inside.has(ppid) && !inside.has(pid)) {
        inside.add(pid);
        grown = true;
      }
  }
  return all.filter(({ pid }) => inside.has(pid));
}

/** Browsers with a profile of their own, to be killed, stopped and opened again. */
export function createProfile(baseURL: string): { open: () => Promise<OwnBrowser>; remove: () => void } {
  const profile = mkdtempSync(join(tmpdir(), 'fox-'));
  return {
    open: async () => {
      const context = await chromium.launchPersistentContext(profile, {
        ...CHROMIUM,
        baseURL,
      });
      const main = Number(
        execFileSync('pgrep', ['-o', '-f', '--', `--user-data-dir=${profile}`], { encoding: 'utf8' }).trim(),
      );
      return {
        context,
        page: context.pages()[0],
        signal: (name, which) => {
          for (const { pid, args } of family(main))
            if (which === 'all' || args.includes('--type=renderer')) process.kill(pid, `SIG${name}`);
        },
      };
    },
    remove: () => rmSync(profile, { recursive: true, force: true, maxRetries: 5, retryDelay: 200 }),
  };
}
