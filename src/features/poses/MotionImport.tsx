'use client';
import { useEffect, useRef, useState } from 'react';
import type { BuildName } from '@/core/figure/skeleton/builds';
import {
  BODY_PLACES,
  type BodyPlace,
  type JointTable,
  missingPlaces,
  NEEDED_PLACES,
} from '@/core/figure/motion/jointNames';
import { figureReferenceId } from '@/core/figure/catalogue/referenceId';
import type { PictureSet } from '@/core/references/picture';
import { setFigures } from '@/storage/references/describeFigures';
import { saveSet } from '@/storage/pictures/pictures';
import { storageProblem } from '@/storage/problems';
import { Notice } from '@/ui/Notice';
import { type Client, startMotionWorker } from '@/workers/clients';
import type { MotionApi, MotionMoment, MotionSummary } from '@/workers/motion.worker';
import { FigureGrid } from './FigureCell';

const MAX_BYTES = 200_000_000;
const AZIMUTHS = [30, -50, 80, -15];
const BUILD: BuildName = 'masc';

const idOf = (moment: MotionMoment, i: number): string =>
  figureReferenceId({
    poseId: moment.poseId,
    build: BUILD,
    view: { azimuthDeg: AZIMUTHS[i % AZIMUTHS.length], elevationDeg: 6, lensDeg: 26 },
  });
const nameOf = (clip: string, { atSeconds, kind }: MotionMoment): string =>
  `${clip}, ${kind} at ${atSeconds.toFixed(1)} s`.slice(0, 120);

/** Poses from a file: a motion file (BVH), of which the still and the extreme moments are kept, or a set of poses (JSON). */
export function MotionImport({ onKept, onCancel }: { onKept: (setId: string) => void; onCancel: () => void }) {
  const client = useRef<Client<MotionApi>>(undefined);
  const [clip, setClip] = useState<{ name: string; summary: MotionSummary }>();
  const [table, setTable] = useState<JointTable>({});
  const [moments, setMoments] = useState<MotionMoment[]>();
  const [problem, setProblem] = useState<string>();
  const [busy, setBusy] = useState(false);
  useEffect(() => () => client.current?.stop(), []);

  const fail = (error: unknown): void => setProblem(error instanceof Error ? error.message : String(error));
  const keepSet = async (name: string, ids: string[], names: string[]): Promise<void> => {
    const figures = await setFigures(ids, names);
    const set: PictureSet = {
      id: crypto.randomUUID(),
      name: name.slice(0, 80),
      createdAtMs: Date.now(),
      binnedAtMs: null,
      figures,
    };
    await saveSet(set).catch((error: unknown) => Promise.reject(new Error(storageProblem(error))));
    onKept(set.id);
  };
  const find = async (wanted: JointTable): Promise<void> => {
    setMoments(undefined);
    if (missingPlaces(wanted).length > 0) return;
    setMoments(await client.current?.api.moments(wanted));
  };
  const choose = async (file: File): Promise<void> => {
    setProblem(undefined);
    setClip(undefined);
    setMoments(undefined);
    if (file.size > MAX_BYTES) throw new Error(`“${file.name}” is larger than 200 MB. Cut the clip and try again.`);
    const text = await file.text();
    if (/\.json$/i.test(file.name)) {
      const { parsePoseSet } = await import('@/core/interchange/poseSet');
      const { name, figures } = parsePoseSet(text);
      await keepSet(
        name,
        figures.map((f) => f.reference),
        figures.map((f) => f.name),
      );
      return;
    }
    client.current?.stop();
    client.current = startMotionWorker();
    const summary = await client.current.api.read(text);
    setClip({ name: file.name.replace(/\.bvh$/i, ''), summary });
    setTable(summary.table);
    await find(summary.table);
  };
  const run = (work: Promise<void>): void => {
    setBusy(true);
    work.catch(fail).finally(() => setBusy(false));
  };
  const missing = clip ? missingPlaces(table) : [];
  return (
    <section aria-label="Poses from a file" className="mt-4 border border-rule bg-sheet p-4">
      <div className="flex flex-wrap items-end gap-3">
        <label>
          <span className="block font-semibold">A motion file (BVH) or a set of poses (JSON)</span>
          <input
            type="file"
            accept=".bvh,.json"
            className="file-input mt-1"
            disabled={busy}
            onChange={(event) => {
              const [file] = event.currentTarget.files ?? [];
              if (file) run(choose(file));
            }}
          />
        </label>
        <button type="button" className="btn-quiet btn" onClick={onCancel}>
          Cancel
        </button>
      </div>
      <p role="status" className="mt-2 min-h-[22px]">
        {busy && 'Reading the motion.'}
        {clip && !busy && `${String(clip.summary.frames)} frames, ${clip.summary.seconds.toFixed(1)} s.`}{' '}
        {moments &&
          `${String(moments.length)} ${moments.length === 1 ? 'moment' : 'moments'} worth drawing, mutually different.`}
      </p>
      {problem && (
        <Notice>
          {problem} Nothing was added; what you have is untouched. Choose another file, or mend this one there.
        </Notice>
      )}
      {clip && (
        <details open={missing.length > 0} className="mt-2">
          <summary className="cursor-pointer font-semibold">
            {missing.length > 0 ? `Say which joints are: ${missing.join(', ')}` : 'Which joint is which'}
          </summary>
          <div className="mt-2 grid gap-x-6 gap-y-2 sm:grid-cols-2 lg:grid-cols-3">
            {BODY_PLACES.map((place) => (
              <JointChoice
                key={place}
                place={place}
                names={clip.summary.jointNames}
                value={table[place]}
                onChange={(index) => {
                  const others = Object.fromEntries(Object.entries(table).filter(([p]) => p !== place)) as JointTable;
                  const next: JointTable = index === undefined ? others : { ...others, [place]: index };
                  setTable(next);
                  run(find(next));
                }}
              />
            ))}
          </div>
        </details>
      )}
      {clip && moments && moments.length > 0 && (
        <>
          <button
            type="button"
            className="btn my-4 max-sm:h-14"
            disabled={busy}
            onClick={() =>
              run(
                keepSet(
                  clip.name,
                  moments.map(idOf),
                  moments.map((m) => nameOf(clip.name, m)),
                ),
              )
            }
          >
            Keep these as the set “{clip.name}”
          </button>
          <FigureGrid
            label="Moments"
            figures={moments.map((m, i) => ({ id: idOf(m, i), name: `${m.kind} at ${m.atSeconds.toFixed(1)} s` }))}
          />
        </>
      )}
    </section>
  );
}

function JointChoice({
  place,
  names,
  value,
  onChange,
}: {
  place: BodyPlace;
  names: readonly string[];
  value: number | undefined;
  onChange: (index: number | undefined) => void;
}) {
  return (
    <label className="flex items-center justify-between gap-2">
      <span>
        {place}
        {NEEDED_PLACES.includes(place) ? '' : ' (may stay empty)'}
      </span>
      <select
        className="select w-[170px] select-sm"
        value={value ?? ''}
        onChange={(event) => onChange(event.target.value === '' ? undefined : Number(event.target.value))}
      >
        <option value="">not in the file</option>
        {names.map((name, i) => (
          <option key={i} value={i}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}
