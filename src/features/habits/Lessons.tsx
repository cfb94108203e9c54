import { shortDate } from '@/core/dateWords';
import { type Lesson, lessonWords } from '@/core/growing/lessons';

/** What was tried, beside what was drawn without it. */
export function Lessons({ lessons }: { lessons: readonly Lesson[] }) {
  return (
    <section aria-labelledby="lessons" className="mt-6 border-t border-ink pt-4">
      <h2 id="lessons" className="text-[20px]">
        Lessons tried
      </h2>
      {lessons.length === 0 ? (
        <p className="mt-1">None yet. Where a session begins, “Trying something” notes what it is for.</p>
      ) : (
        <ul className="mt-1">
          {lessons.map((lesson) => (
            <li key={lesson.name} className="border-t border-hairline py-1.5">
              {lessonWords(lesson)}{' '}
              <span className="text-quiet">
                {shortDate(lesson.firstMs)}
                {lesson.lastMs > lesson.firstMs && ` to ${shortDate(lesson.lastMs)}`}
              </span>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
