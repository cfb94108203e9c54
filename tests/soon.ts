import { vi } from 'vitest';

/** Wait until what is asked holds: ten seconds at most, for a machine that has other work. */
export const soon = (holds: () => unknown): Promise<unknown> => vi.waitFor(holds, { timeout: 60_000 });
