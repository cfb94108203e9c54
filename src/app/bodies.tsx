'use client';
import { body } from './body';

// What each page shows once the records in the browser are read; until then nothing of it could be shown.
const WAITING = <div className="h-60" aria-busy />;
const PLATE = <div className="mt-4 h-[70dvh] skeleton" aria-busy />;

export const After = body(() => import('@/features/journal/After').then((m) => m.After), '/after', WAITING);
export const Again = body(() => import('@/features/again/Again').then((m) => m.Again), '/journal/again', WAITING);
export const Courses = body(() => import('@/features/course/Courses').then((m) => m.Courses), '/course', WAITING);
export const Data = body(() => import('@/features/data/Data').then((m) => m.Data), '/data', WAITING);
/** Beside the places, once it is known whose sessions these are. */
export const DemoMark = body(() => import('@/features/data/DemoMark').then((m) => m.DemoMark), '');
export const DeskPage = body(() => import('@/features/desk/DeskPage').then((m) => m.DeskPage), '/desk', PLATE);
export const FigurePage = body(
  () => import('@/features/figure/FigurePage').then((m) => m.FigurePage),
  '/poses/figure',
  PLATE,
);
export const FigureVersions = body(
  () => import('@/features/journal/Versions').then((m) => m.FigureVersions),
  '/poses/figure',
);
export const GroupPage = body(
  () => import('@/features/group/GroupPage').then((m) => m.GroupPage),
  '/poses/group',
  PLATE,
);
export const Habits = body(() => import('@/features/habits/Habits').then((m) => m.Habits), '/journal/habits', WAITING);
export const Journal = body(() => import('@/features/journal/Journal').then((m) => m.Journal), '/journal', WAITING);
export const MonthSheet = body(
  () => import('@/features/months/MonthSheet').then((m) => m.MonthSheet),
  '/journal/month',
  WAITING,
);
export const Months = body(() => import('@/features/months/Months').then((m) => m.Months), '/journal/months', WAITING);
export const PicturePage = body(
  () => import('@/features/poses/picture/PicturePage').then((m) => m.PicturePage),
  '/poses/picture',
  PLATE,
);
export const PictureVersions = body(
  () => import('@/features/journal/Versions').then((m) => m.PictureVersions),
  '/poses/picture',
);
export const Plan = body(
  () => import('@/features/plan/Plan').then((m) => m.Plan),
  '/plan',
  <main className="px-4 pt-5 sm:px-10" aria-busy>
    <h1 className="sr-only">Plan</h1>
    <div className="h-[320px] skeleton" aria-label="Opening" />
  </main>,
);
export const Poses = body(() => import('@/features/poses/Poses').then((m) => m.Poses), '/poses', PLATE);
export const RoomPage = body(() => import('@/features/room/RoomPage').then((m) => m.RoomPage), '/room', WAITING);
export const SecondWindow = body(
  () => import('@/features/run/SecondWindow').then((m) => m.SecondWindow),
  '/run/window',
  WAITING,
);
export const StrokesPage = body(
  () => import('@/features/strokes/StrokesPage').then((m) => m.StrokesPage),
  '/desk/strokes',
  PLATE,
);
export const Today = body(
  () => import('@/features/today/Today').then((m) => m.Today),
  '/',
  <main className="px-4 pt-4 pb-5 sm:px-10" aria-busy>
    <h1 className="sr-only">Today</h1>
    <p className="text-quiet">Putting a session together.</p>
  </main>,
);
export const Wall = body(() => import('@/features/wall/Wall').then((m) => m.Wall), '/journal/wall', WAITING);
