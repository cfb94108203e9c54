import { localDay } from './moment';
import { counted } from './words';

/** How long something in the bin can still be taken out. */
export const BIN_DAYS = 30;

/** "3 days left": calendar days until what was put into the bin is deleted. */
export const daysLeft = (binnedAtMs: number | null, nowMs: number): string =>
  `${counted(Math.max(0, BIN_DAYS - (localDay(nowMs) - localDay(binnedAtMs ?? nowMs))), 'day')} left`;
