import type { RunEvent } from '@/core/clock/log';
import type { Session } from '@/core/journal/session';
import { SessionGoneError, SILENT_MS, StorageSilentError, storageProblem } from '@/storage/problems';
import { appendEvents, finishSession, heartbeat, saveSession } from '@/storage/sessions/sessions';

/** A write that takes longer than this is shown as not saved yet. */
const SHOWN_AFTER_MS = 100;
/** A failed write is tried again this often. */
const RETRY_MS = 1000;
const RESTORED =
  'This browser cleared its storage during the session. This session was saved again from memory; check your other records afterward.';

export interface RunWriter {
  /** Saves events, with any that failed before. */
  add: (events: readonly RunEvent[]) => void;
  /** Saves the end of a session that ran through. */
  finish: (endMs: number) => void;
  /** Saves a sign of life, with any events that failed before. */
  heartbeat: (atMs: number) => void;
  /** Retries what failed, and reports storage that stopped answering. Call it with every tick. */
  retry: () => void;
  /** Something on screen is not on disk yet. */
  unsaved: () => boolean;
  /** What is wrong with saving, in a sentence. */
  problem: () => string | undefined;
  /** Resolves when every write asked for so far has succeeded or failed. */
  settled: () => Promise<void>;
}

/**
 * Writes a running session to disk, one write after another. What failed stays in memory and is tried again until it succeeds; a
 * session whose record is gone is written again whole.
 * @param onChange Called when `problem` or `unsaved` changes.
 */
export function createRunWriter(session: Session, onChange: () => void): RunWriter {
  let log: readonly RunEvent[] = session.log;
  let unwritten: readonly RunEvent[] = [];
  let endMs: number | undefined;
  let ended = false;
  let lastSeenMs = session.lastSeenMs;
  let queue = Promise.resolve();
  let writing = 0;
  let failed: string | undefined;
  let restored = false;
  let shownUnsaved = false;
  let slow: ReturnType<typeof setTimeout> | undefined;
  let triedAtMs = 0;
  /** When storage last answered, or the first request since then. */
  let answeredAtMs = 0;

  const waiting = (): boolean => unwritten.length > 0 || (endMs !== undefined && !ended);
  const show = (unsaved: boolean, problem: string | undefined): void => {
    if (unsaved === shownUnsaved && problem === failed) return;
    shownUnsaved = unsaved;
    failed = problem;
    onChange();
  };
  const flush = async (): Promise<void> => {
    // More may be added while some are written: the end is written after all of them, or it would be taken back.
    while (unwritten.length > 0) {
      const batch = unwritten;
      const isOver = ended || batch.some((e) => e.type === 'stop');
      await appendEvents(session.id, batch, isOver ? 'kept' : 'running');
      unwritten = unwritten.slice(batch.length);
    }
    if (endMs !== undefined && !ended) {
      await finishSession(session.id, endMs);
      ended = true;
    }
  };
  /** The record is gone: everything known of the session is in memory. */
  const saveAgain = async (): Promise<void> => {
    const whole = log;
    const stopped = endMs !== undefined || whole.some((e) => e.type === 'stop');
    await saveSession({
      ...session,
      log: [...whole],
      lastSeenMs: endMs ?? Math.max(lastSeenMs, whole.at(-1)?.atMs ?? 0),
      status: stopped ? 'kept' : 'running',
    });
    unwritten = unwritten.filter((event) => !whole.includes(event));
    ended = endMs !== undefined;
    restored = true;
  };
  const answered = (): void => {
    writing--;
    answeredAtMs = performance.now();
  };
  const write = (job: () => Promise<void>): void => {
    triedAtMs = performance.now();
    if (writing === 0) answeredAtMs = triedAtMs;
    writing++;
    queue = queue
      .then(job)
      .catch((error: unknown) => {
        if (error instanceof SessionGoneError) return saveAgain();
        throw error;
      })
      .then(
        () => {
          answered();
          if (waiting()) return;
          clearTimeout(slow);
          show(false, restored ? RESTORED : undefined);
        },
        (error: unknown) => {
          answered();
          clearTimeout(slow);
          show(waiting(), storageProblem(error));
        },
      );
  };
  const begin = (): void => {
    clearTimeout(slow);
    slow = setTimeout(() => {
      if (waiting()) show(true, failed);
    }, SHOWN_AFTER_MS);
    write(flush);
  };
  return {
    add: (events) => {
      log = [...log, ...events];
      unwritten = [...unwritten, ...events];
      begin();
    },
    finish: (atMs) => {
      endMs = atMs;
      begin();
    },
    heartbeat: (atMs) => {
      lastSeenMs = atMs;
      write(async () => {
        await flush();
        await heartbeat(session.id, atMs);
      });
    },
    retry: () => {
      if (!waiting()) return;
      if (writing === 0) {
        if (performance.now() - triedAtMs >= RETRY_MS) write(flush);
      } else if (!failed && performance.now() - answeredAtMs >= SILENT_MS)
        show(true, storageProblem(new StorageSilentError('a write of the session did not end')));
    },
    unsaved: () => shownUnsaved,
    problem: () => failed,
    settled: () => queue,
  };
}
