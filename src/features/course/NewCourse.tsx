'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { COURSE_DAYS } from '@/core/growing/courseRecord';
import { AIMS, isAim } from '@/core/practice/start/aims';
import type { Aim } from '@/core/practice/start/aimIds';
import { LONGEST_SESSION_MINUTES, SHORTEST_SESSION_MINUTES } from '@/core/practice/start/minutes';
import { storageProblem } from '@/storage/problems';
import { addCourse } from '@/storage/sessions/courses';
import { toastProblem } from '@/ui/toast/toast';

const USUAL_MINUTES = 20;

/** A course to begin: what for, how many days, how long each. */
export function NewCourse({ today, replacing }: { today: number; replacing: boolean }) {
  const router = useRouter();
  const [aim, setAim] = useState<Aim>('proportion');
  const [days, setDays] = useState<(typeof COURSE_DAYS)[number]>(10);
  const [minutes, setMinutes] = useState(String(USUAL_MINUTES));
  const [moves, setMoves] = useState(true);
  const typed = Number(minutes);
  const fits = Number.isInteger(typed) && typed >= SHORTEST_SESSION_MINUTES && typed <= LONGEST_SESSION_MINUTES;
  return (
    <form
      aria-labelledby="begin"
      className="mt-6 border-t border-ink pt-4"
      onSubmit={(event) => {
        event.preventDefault();
        if (!fits) return;
        addCourse({ id: crypto.randomUUID(), aim, days, minutes: typed, startedDay: today, moves }).then(
          () => router.push('/'),
          (error: unknown) => toastProblem(storageProblem(error)),
        );
      }}
    >
      <h2 id="begin" className="text-[20px]">
        Begin one
      </h2>
      <div className="mt-2 flex flex-wrap items-center gap-x-3 gap-y-3 font-serif text-[19px]">
        <label className="flex items-center gap-3">
          I want to practice
          <select
            className="cursor-pointer border-b-2 border-charcoal bg-transparent py-1"
            value={aim}
            onChange={({ target }) => {
              if (isAim(target.value)) setAim(target.value);
            }}
          >
            {Object.entries(AIMS).map(([id, { name }]) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <label className="flex items-center gap-3">
          on
          <select
            className="cursor-pointer border-b-2 border-charcoal bg-transparent py-1"
            value={days}
            onChange={({ target }) => setDays(COURSE_DAYS.find((one) => String(one) === target.value) ?? 10)}
          >
            {COURSE_DAYS.map((one) => (
              <option key={one} value={one}>
                {one} days
              </option>
            ))}
          </select>
        </label>
        <label className="flex items-center gap-3">
          of
          <input
            type="number"
            inputMode="numeric"
            className="input w-[84px] font-sans"
            min={SHORTEST_SESSION_MINUTES}
            max={LONGEST_SESSION_MINUTES}
            value={minutes}
            onChange={({ target }) => setMinutes(target.value)}
          />
          minutes
        </label>
      </div>
      {!fits && (
        <p role="alert" className="mt-1 text-russet-text">
          A day has from {SHORTEST_SESSION_MINUTES} to {LONGEST_SESSION_MINUTES} minutes.
        </p>
      )}
      <div className="mt-3 flex flex-wrap gap-x-6 gap-y-1" role="radiogroup" aria-label="A missed day">
        {(
          [
            [true, 'A missed day moves the ones after it'],
            [false, 'A missed day stays missed'],
          ] as const
        ).map(([value, words]) => (
          <label key={words} className="flex min-h-10 items-center gap-2">
            <input
              type="radio"
              name="moves"
              className="radio radio-sm"
              checked={moves === value}
              onChange={() => setMoves(value)}
            />
            {words}
          </label>
        ))}
      </div>
      <button type="submit" className="btn mt-3 max-sm:h-14" disabled={!fits}>
        Begin today
      </button>
      {replacing && (
        <p className="mt-2 text-quiet">
          The course you are taking stays; of two, Today begins with the one begun last.
        </p>
      )}
    </form>
  );
}
