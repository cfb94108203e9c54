import type { Exercise } from '../exercises/exercise';

const LONGEST_ASKED_MS = 180_000;
const SHORTEST_ASKED_MS = 5000;

/** Whether "whole figure down?" is asked after a drawing: quick ones of the whole figure, up to three minutes. */
export const asksWhole = ({ family, form }: Exercise, spentMs: number): boolean =>
  family === 'quick' && !form?.notWhole && spentMs >= SHORTEST_ASKED_MS && spentMs <= LONGEST_ASKED_MS;
