import * as z from 'zod/mini';

/** What went wrong lately and why, for whoever helps: the sentences on screen say what to do, not what happened inside. */
const causeSchema = z.object({ atMs: z.number(), words: z.string() });
type Cause = z.infer<typeof causeSchema>;

const KEY = 'fox-minute-causes';
const MOST = 50;
const LONGEST = 600;

/** Kept here where the browser keeps nothing. */
let inMemory: readonly Cause[] = [];

function readKept(): readonly Cause[] {
  try {
    return z.array(causeSchema).parse(JSON.parse(localStorage.getItem(KEY) ?? '[]'));
  } catch {
    return inMemory;
  }
}

/** An error and the errors behind it, outermost first. */
function chainWords(error: unknown): string {
  if (!(error instanceof Error)) return String(error);
  const words = `${error.name}: ${error.message}`;
  return error.cause === undefined ? words : `${words} <- ${chainWords(error.cause)}`;
}

/** Notes why something failed: on the console, and among the last fifty causes on the Data page. */
export function recordCause(error: unknown): void {
  console.error(error);
  const cause = { atMs: Date.now(), words: chainWords(error).slice(0, LONGEST) };
  inMemory = [...readKept(), cause].slice(-MOST);
  try {
    localStorage.setItem(KEY, JSON.stringify(inMemory));
  } catch {
    // It stays in memory as long as the page does.
  }
}

/** The last causes as text to be copied, newest first; empty where there are none. */
export const causesText = (): string =>
  readKept()
    .toReversed()
    .map(({ atMs, words }) => `${new Date(atMs).toISOString()} ${words}`)
    .join('\n');
