'use client';
import { Link } from '@/ui/Link';
import { currentCourse } from '@/core/growing/course';
import type { Course } from '@/core/growing/courseRecord';
import { isDemoSession } from '@/core/demoLearner';
import { ownSessions } from '@/core/journal/whose';
import type { Session } from '@/core/journal/session';
import { localDay } from '@/core/moment';
import type { SavedPlan } from '@/core/practice/plan/savedPlan';
import { listCourses } from '@/storage/sessions/courses';
import { listSavedPlans } from '@/storage/sessions/savedPlans';
import { listSessions } from '@/storage/sessions/sessions';
import { useStored } from '@/storage/hooks/useStored';
import { Notice } from '@/ui/Notice';
import { Word } from '@/ui/Word';
import { useNow } from '@/ui/useNow';
import { CourseRow } from './CourseRow';
import { NewCourse } from './NewCourse';
import { WeeklyClasses } from './WeeklyClasses';

const load = async (): Promise<{ courses: Course[]; sessions: Session[]; plans: SavedPlan[] }> => {
  const [courses, sessions, plans] = await Promise.all([listCourses(), listSessions(), listSavedPlans()]);
  return { courses, sessions: sessions.filter(({ status }) => status === 'kept'), plans };
};

/** Ten or thirty days with one aim: begun, as far as they went, and begun again. */
export function Courses() {
  const kept = useStored(load, ['courses', 'sessions', 'plans'], []);
  const nowMs = useNow(60_000);
  const today = localDay(nowMs);
  if (kept.problem) return <Notice>{kept.problem}</Notice>;
  if (!kept.value) return <div className="h-60" aria-busy />;
  const { courses, sessions, plans } = kept.value;
  const own = courses.filter(({ id }) => !isDemoSession(id));
  const current = currentCourse(own, ownSessions(sessions), today);
  return (
    <>
      <h1 className="text-[30px]">Courses and classes</h1>
      <p className="mt-1 max-w-[720px]">
        <Word of="course">Some days with one aim.</Word> Each day is put together when it comes: fitted to its minutes,
        with pictures that were not in it yet, and harder by what came whole. It waits on{' '}
        <Link className="link-quiet" href="/">
          Today
        </Link>
        .
      </p>
      {current && (
        <section aria-label="The course you are taking" className="mt-4 border-t border-ink pt-4">
          <CourseRow course={current} sessions={ownSessions(sessions)} today={today} taking />
        </section>
      )}
      <NewCourse today={today} replacing={current !== undefined} />
      <WeeklyClasses plans={plans} sessions={ownSessions(sessions)} today={today} />
      {courses.some(({ id }) => id !== current?.id) && (
        <section aria-labelledby="before" className="mt-6 border-t border-ink pt-4">
          <h2 id="before" className="text-[20px]">
            {own.length > 0 ? 'Before' : 'One of the demo learner’s'}
          </h2>
          {courses
            .filter(({ id }) => id !== current?.id)
            .map((course) => (
              <CourseRow key={course.id} course={course} sessions={sessions} today={today} />
            ))}
        </section>
      )}
    </>
  );
}
