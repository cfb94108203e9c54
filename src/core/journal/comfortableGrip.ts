import type { Session } from './session';

/** The grip that was said to be comfortable last; undefined where none was. */
export const comfortableGrip = (sessions: readonly Session[]): string | undefined =>
  [...sessions].sort((a, b) => b.startedAtMs - a.startedAtMs).find(({ reflection }) => reflection?.grip)?.reflection
    ?.grip;
