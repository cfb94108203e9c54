import { recordCause } from './causes';

/** The database could not be opened as this version needs it; it was left as it was. */
export class UpgradeError extends Error {
  override name = 'UpgradeError';
}

/** Another tab or window is running a session, so this one must not start or stop one. */
export class RunningElsewhereError extends Error {
  override name = 'RunningElsewhereError';
  constructor() {
    super('another tab is running a session');
  }
}

/** The record of a running session is gone: this browser's storage was cleared. */
export class SessionGoneError extends Error {
  override name = 'SessionGoneError';
}

/** After this long without an answer, milliseconds, storage counts as stuck. */
export const SILENT_MS = 10_000;

/** Storage is stuck: the browser hasn't answered for `SILENT_MS`. */
export class StorageSilentError extends Error {
  override name = 'StorageSilentError';
}

/** This page is older than the database it finds: another tab has loaded a newer version. */
export class OldCodeError extends Error {
  override name = 'OldCodeError';
}

/** What went wrong with storage and what is safe, in a sentence. */
export function storageProblem(error: unknown): string {
  recordCause(error);
  if (isQuotaError(error))
    return 'This browser has no room left for Fox Minute. Everything kept so far is safe; free some space on this machine, or take pictures out of a set, and try again.';
  if (error instanceof RunningElsewhereError)
    return 'A session is running in another tab or window, and nothing was changed there. Finish it first, or open it here from Today.';
  if (error instanceof StorageSilentError)
    return 'This browser isn’t answering when Fox Minute asks for its storage. Nothing is lost. Close other tabs of Fox Minute and load this page again, or restart the browser.';
  if (error instanceof OldCodeError)
    return 'A newer version of Fox Minute has opened your records, and this page is still the old one. Nothing is lost: load this page again.';
  if (error instanceof UpgradeError)
    return 'What is kept in this browser could not be brought up to date, so it was left exactly as it was. Load the page again; if it says so once more, close every other tab of Fox Minute first.';
  return 'This browser could not save that. Everything kept so far is safe; try again, and if it happens once more, take your data out on the Data page.';
}

export function isQuotaError(error: unknown): boolean {
  return error instanceof Error && (error.name === 'QuotaExceededError' || isQuotaError(error.cause));
}
