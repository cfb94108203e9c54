import type { SubjectKind } from '../../references/subjectKind';
import type { Exercise } from '../exercises/exercise';

import { isWhole } from './suits';

const LONGEST_ASKED_MS = 180_000;
const SHORTEST_ASKED_MS = 5000;

/** Whether "whole figure down?" is asked after a drawing: quick ones of the whole figure, up to three minutes. */
export const asksWhole = ({ family, form }: Exercise, spentMs: number, shows?: SubjectKind): boolean =>
  family === 'quick' &&
  !form?.notWhole &&
  isWhole(shows) &&
  spentMs >= SHORTEST_ASKED_MS &&
  spentMs <= LONGEST_ASKED_MS;
