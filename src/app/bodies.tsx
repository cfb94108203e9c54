'use client';
import dynamic from 'next/dynamic';
import type { ReactNode } from 'react';

/*
 * What a page shows once the records in the browser are read: fetched while they are. Until then nothing of it could be shown, so it is
 * neither drawn on the server nor in the first script of its page.
 */
const waiting = (): ReactNode => <div className="h-60" aria-busy />;
const plate = (): ReactNode => <div className="mt-4 h-[70dvh] skeleton" aria-busy />;

export const After = dynamic(() => import('@/features/journal/After').then((m) => m.After), {
  ssr: false,
  loading: waiting,
});
export const Again = dynamic(() => import('@/features/again/Again').then((m) => m.Again), {
  ssr: false,
  loading: waiting,
});
export const Courses = dynamic(() => import('@/features/course/Courses').then((m) => m.Courses), {
  ssr: false,
  loading: waiting,
});
export const DeskPage = dynamic(() => import('@/features/desk/DeskPage').then((m) => m.DeskPage), {
  ssr: false,
  loading: plate,
});
export const FigurePage = dynamic(() => import('@/features/figure/FigurePage').then((m) => m.FigurePage), {
  ssr: false,
  loading: plate,
});
export const FigureVersions = dynamic(() => import('@/features/journal/Versions').then((m) => m.FigureVersions), {
  ssr: false,
});
export const Habits = dynamic(() => import('@/features/habits/Habits').then((m) => m.Habits), {
  ssr: false,
  loading: waiting,
});
export const Journal = dynamic(() => import('@/features/journal/Journal').then((m) => m.Journal), {
  ssr: false,
  loading: waiting,
});
export const Months = dynamic(() => import('@/features/months/Months').then((m) => m.Months), {
  ssr: false,
  loading: waiting,
});
export const MonthSheet = dynamic(() => import('@/features/months/MonthSheet').then((m) => m.MonthSheet), {
  ssr: false,
  loading: waiting,
});
export const SecondWindow = dynamic(() => import('@/features/run/SecondWindow').then((m) => m.SecondWindow), {
  ssr: false,
  loading: waiting,
});
export const Wall = dynamic(() => import('@/features/wall/Wall').then((m) => m.Wall), {
  ssr: false,
  loading: waiting,
});
export const Data = dynamic(() => import('@/features/data/Data').then((m) => m.Data), {
  ssr: false,
  loading: waiting,
});
export const PicturePage = dynamic(() => import('@/features/poses/picture/PicturePage').then((m) => m.PicturePage), {
  ssr: false,
  loading: plate,
});
export const PictureVersions = dynamic(() => import('@/features/journal/Versions').then((m) => m.PictureVersions), {
  ssr: false,
});
export const Poses = dynamic(() => import('@/features/poses/Poses').then((m) => m.Poses), {
  ssr: false,
  loading: plate,
});
export const RoomPage = dynamic(() => import('@/features/room/RoomPage').then((m) => m.RoomPage), {
  ssr: false,
  loading: waiting,
});
export const Today = dynamic(() => import('@/features/today/Today').then((m) => m.Today), {
  ssr: false,
  loading: () => (
    <main className="px-4 pt-4 pb-5 sm:px-10" aria-busy>
      <h1 className="sr-only">Today</h1>
      <p className="text-quiet">Putting a session together.</p>
    </main>
  ),
});
export const Plan = dynamic(() => import('@/features/plan/Plan').then((m) => m.Plan), {
  ssr: false,
  loading: () => (
    <main className="px-4 pt-5 sm:px-10" aria-busy>
      <h1 className="sr-only">Plan</h1>
      <div className="h-[320px] skeleton" aria-label="Opening" />
    </main>
  ),
});
/** Beside the places, once it is known whose sessions these are. */
export const DemoMark = dynamic(() => import('@/features/data/DemoMark').then((m) => m.DemoMark), { ssr: false });
