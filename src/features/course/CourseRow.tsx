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
import { brushBand } from '@/ui/brush';
import { toastProblem } from '@/ui/toast/toast';

const BOX = 22;
const GAP = 4;
const ACROSS = 10;
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
  const rows = Math.ceil(days / ACROSS);
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
      <svg
        aria-hidden
        className="mt-2"
        width={ACROSS * (BOX + GAP)}
        height={rows * (BOX + GAP)}
        viewBox={`0 0 ${String(ACROSS * (BOX + GAP))} ${String(rows * (BOX + GAP))}`}
      >
        {Array.from({ length: days }, (_, i) => {
          const [x, y] = [(i % ACROSS) * (BOX + GAP) + 1, Math.floor(i / ACROSS) * (BOX + GAP) + 1];
          const due = state.due === i + 1;
          return (
            <g key={i}>
              <rect
                x={x}
                y={y}
                width={BOX - 2}
                height={BOX - 2}
                fill="none"
                stroke={due && taking ? 'var(--russet)' : 'var(--rule)'}
                strokeWidth={due && taking ? 2 : 1}
              />
              {done.has(i + 1) && (
                <path
                  d={brushBand({ x: x + 2, y: y + 3, width: BOX - 6, height: BOX - 8, seed: i + 3, edge: 1, end: 1 })}
                  fill="var(--charcoal)"
                />
              )}
            </g>
          );
        })}
      </svg>
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
