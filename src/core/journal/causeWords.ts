import { capital } from '../words';
import type { Plan } from '../practice/plan/schema';

/** What a session came of, in a sentence; undefined where there is nothing to say. */
export function causeWords({ cause }: Pick<Plan, 'cause'>): string | undefined {
  const { lesson, course, again, scheduled } = cause ?? {};
  const parts = [
    course && `day ${String(course.day)} of a course`,
    scheduled && 'a plan of its weekday',
    again && 'a picture drawn again',
    lesson && `trying “${lesson}”`,
  ].filter((one) => one !== undefined);
  if (parts.length === 0) return undefined;
  const words = parts.join(', ');
  return `${capital(words)}.`;
}
