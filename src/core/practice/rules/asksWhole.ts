import type { Exercise } from '../exercises/exercise';

/** One part, or only the outermost: there is no whole figure to ask for. */
const PARTS: readonly string[] = ['quick-head', 'hands-and-feet', 'envelope', 'action-line'];
const LONGEST_ASKED_MS = 120_000;
const SHORTEST_ASKED_MS = 5000;

/** Whether "whole figure down?" is asked after a drawing: quick ones of the whole figure, up to two minutes. */
export const asksWhole = ({ family, id }: Exercise, spentMs: number): boolean =>
  family === 'quick' && !PARTS.includes(id) && spentMs >= SHORTEST_ASKED_MS && spentMs <= LONGEST_ASKED_MS;
