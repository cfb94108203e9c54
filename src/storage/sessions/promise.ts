import { NO_PROMISE, type WeekPromise } from '@/core/growing/promise';
import { loadSetting } from '@/storage/settings';

/** What the learner means to do in a week, as it was said last. */
export async function loadPromise(): Promise<WeekPromise> {
  const [days, minutes] = await Promise.all([loadSetting('promisedDays'), loadSetting('promisedMinutes')]);
  return { days: days ?? NO_PROMISE.days, minutes: minutes ?? NO_PROMISE.minutes };
}
