'use client';
import { fullDate, monthDay } from '@/core/dateWords';
import type { Course } from '@/core/growing/courseRecord';
import { courseDone, courseState, courseWords } from '@/core/growing/course';
import { noonOfDay } from '@/core/moment';
import { isDemoSession } from '@/core/demoLearner';
import type { Session } from '@/core/journal/session';
import { AIMS } from '@/core/practice/start/aims';
import { storageProblem } from '@/storage/problems';
import { addCourse, changeCourse } from '@/storage/sessions/courses';
import { toastProblem } from '@/ui/toast/toast';
import { DayBoxes } from './DayBoxes';

/** A course as its days: a box for each, filled where there was a session. */
export function CourseRow({
  course,
  sessions,
  today,
  taking = false,
}: {
  course: Course;
  sessions: readonly Session[];
  today: number;
  taking?: boolean;
}) {
  const { id, aim, days, minutes, startedDay, moves } = course;
  const state = courseState(course, sessions, today);
  const done = courseDone(course, sessions);
  const say = (error: unknown): void => toastProblem(storageProblem(error));
  return (
    <article className="py-2">
      <h3 className="text-[19px]">
        {AIMS[aim].name.replace(/^./, (first) => first.toUpperCase())}, {days} days of {minutes} minutes
      </h3>
      <p>
        {courseWords(course, state)}, begun on {monthDay(noonOfDay(startedDay))}
        {!state.over && ` and over on ${fullDate(noonOfDay(state.lastDay))} as it stands`}.{' '}
        {moves ? 'A missed day moves the ones after it.' : 'A missed day stays missed.'}
      </p>
      <DayBoxes
        done={Array.from({ length: days }, (_, i) => done.has(i + 1))}
        {...(taking && state.due !== undefined && { next: state.due - 1 })}
      />
      <div className="mt-2 flex flex-wrap gap-3">
        {taking ? (
          <button
            type="button"
            className="btn-quiet btn btn-sm max-sm:h-12"
            onClick={() => void changeCourse(id, (before) => ({ ...before, endedDay: today })).catch(say)}
          >
            End it here
          </button>
        ) : (
          !isDemoSession(id) && (
            <button
              type="button"
              className="btn-quiet btn btn-sm max-sm:h-12"
              onClick={() =>
                void addCourse({ id: crypto.randomUUID(), aim, days, minutes, startedDay: today, moves }).catch(say)
              }
            >
              Take it once more
            </button>
          )
        )}
      </div>
    </article>
  );
}
