/** The database could not be opened as this version needs it; it was left as it was. */
export class UpgradeError extends Error {
  override name = 'UpgradeError';
}

/** What went wrong with storage and what is safe, in a sentence. */
export function storageProblem(error: unknown): string {
  if (isQuotaError(error))
    return 'This browser has no room left for Fox Minute. Everything kept so far is safe; free some space on this machine, or take pictures out of a set, and try again.';
  if (error instanceof UpgradeError)
    return 'What is kept in this browser could not be brought up to date, so it was left exactly as it was. Load the page again; if it says so once more, close every other tab of Fox Minute first.';
  return 'This browser could not save that. Everything kept so far is safe; try again, and if it happens once more, take your data out on the Data page.';
}

export function isQuotaError(error: unknown): boolean {
  return error instanceof Error && (error.name === 'QuotaExceededError' || isQuotaError(error.cause));
}
