// Memory of a browser's pages, as the machine tells it.
import { readdirSync, readFileSync } from 'node:fs';

/** Memory that belongs to a process alone, bytes. */
function ownMemory(pid) {
  try {
    const rollup = readFileSync(`/proc/${pid}/smaps_rollup`, 'utf8');
    const rows = /** @type {string[]} */ (rollup.match(/^Private_(Clean|Dirty): +\d+/gm) ?? []);
    return rows.reduce((sum, row) => sum + Number(row.split(/ +/)[1]), 0) * 1024;
  } catch {
    return 0;
  }
}

/** The largest of the processes that show pages now, bytes. */
const largestPage = () =>
  Math.max(
    0,
    ...readdirSync('/proc')
      .filter((name) => /^\d+$/.test(name))
      .map((name) => {
        try {
          return readFileSync(`/proc/${name}/cmdline`, 'utf8').includes('--type=renderer') ? ownMemory(name) : 0;
        } catch {
          return 0;
        }
      }),
  );

/** What a task gives, how long it takes, and what the largest page takes meanwhile beyond what it had. */
export async function measured(task) {
  const before = largestPage();
  let peak = before;
  const watch = setInterval(() => (peak = Math.max(peak, largestPage())), 250);
  const from = Date.now();
  const result = await task();
  clearInterval(watch);
  return { result, seconds: (Date.now() - from) / 1000, grewMB: (peak - before) / 1e6 };
}
