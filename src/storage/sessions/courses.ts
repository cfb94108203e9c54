import type { Course } from '@/core/growing/courseRecord';
import { announce } from '@/storage/changes';
import { atomically, changeRecord, db, put } from '@/storage/db';

/** Every course that was begun, the latest first. */
export async function listCourses(): Promise<Course[]> {
  return (await (await db()).getAll('courses')).sort((a, b) => b.startedDay - a.startedDay);
}

/** Begin a course. */
export async function addCourse(course: Course): Promise<void> {
  await atomically(['courses'], (tx) => put(tx, 'courses', course));
  announce('courses');
}

/** Change a course; one that is not there any more stays away. */
export async function changeCourse(id: string, change: (before: Course) => Course): Promise<void> {
  await changeRecord('courses', id, (before) => before && change(before));
  announce('courses');
}
