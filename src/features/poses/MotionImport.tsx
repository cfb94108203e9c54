'use client';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { BuildName } from '@/core/figure/skeleton/builds';
import {
  BODY_PLACES,
  type BodyPlace,
  type JointTable,
  missingPlaces,
  NEEDED_PLACES,
} from '@/core/figure/motion/jointNames';
import { counted } from '@/core/words';
import { figureReferenceId } from '@/core/figure/catalogue/referenceId';
import type { PictureSet } from '@/core/references/picture';
import { setFigures } from '@/storage/references/describeFigures';
import { saveSet } from '@/storage/pictures/pictures';
import { storageProblem } from '@/storage/problems';
import { Notice } from '@/ui/Notice';
import { type Client, startMotionWorker } from '@/workers/clients';
import { wrapDegrees } from '@/core/figure/skeleton/jointAngles';
import { UP_AXES, type UpAxis } from '@/core/figure/motion/upright';
import type { MotionApi, MotionMoment, MotionReading, MotionSummary } from '@/workers/motion.worker';
import { FigureGrid } from './FigureCell';
import { MotionPreview } from './MotionPreview';

const MAX_BYTES = 200_000_000;
const AZIMUTHS = [30, -50, 80, -15];
const BUILD: BuildName = 'masc';

const seenFrom = ({ poseId }: MotionMoment, azimuthDeg: number): string =>
  figureReferenceId({
    poseId,
    build: BUILD,
    view: { azimuthDeg: Math.round(wrapDegrees(azimuthDeg)), elevationDeg: 6, lensDeg: 26 },
  });
/** Each from another side of it, whichever way it faces in the file. */
const idOf = (moment: MotionMoment, i: number): string =>
  seenFrom(moment, moment.headingDeg + AZIMUTHS[i % AZIMUTHS.length]);
/** "6 moments worth drawing, mutually different, and 1 of your own." */
function foundWords(moments: readonly MotionMoment[]): string {
  const own = moments.filter(({ kind }) => kind === 'chosen').length;
  return `${counted(moments.length - own, 'moment')} worth drawing, mutually different${own > 0 ? `, and ${String(own)} of your own` : ''}.`;
}

/** A figure of a moment, from any side. */
const nameOf = (clip: string, { atSeconds, kind }: MotionMoment): string =>
  `${clip}, ${kind} at ${atSeconds.toFixed(1)} s`.slice(0, 120);

/** Poses from a file: a motion file (BVH), of which the still and the extreme moments are kept, or a set of poses (JSON). */
export function MotionImport({ onKept, onCancel }: { onKept: (setId: string) => void; onCancel: () => void }) {
  const client = useRef<Client<MotionApi>>(undefined);
  const [clip, setClip] = useState<{ name: string; summary: MotionSummary }>();
  const [table, setTable] = useState<JointTable>({});
  const [reading, setReading] = useState<MotionReading>();
  const [up, setUp] = useState<UpAxis>('y');
  const [moments, setMoments] = useState<MotionMoment[]>();
  const [tableOpen, setTableOpen] = useState(false);
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
  /** @param chosenUp Said by the learner; else it is found. */
  const find = async (wanted: JointTable, chosenUp?: UpAxis): Promise<void> => {
    setMoments(undefined);
    const found = await client.current?.api.reading(wanted);
    setReading(found);
    if (!found) {
      setTableOpen(true);
      return;
    }
    const axis = chosenUp ?? found.up;
    setUp(axis);
    setMoments(await client.current?.api.moments(wanted, axis));
  };
  const poseAt = useCallback(
    async (atSeconds: number): Promise<MotionMoment | undefined> => client.current?.api.poseAt(table, up, atSeconds),
    [table, up],
  );
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
    setTableOpen(false);
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
        {moments && (reading?.moves === false ? 'Nothing moves in this clip: it is one pose.' : foundWords(moments))}
      </p>
      {clip && reading && (
        <p className="flex flex-wrap items-baseline gap-x-2">
          {reading.unit
            ? `Somebody of ${reading.unit.tallM.toFixed(2)} m, in ${reading.unit.name}.`
            : 'Its size makes no adult in any usual unit; only the pose is taken, so that does not matter.'}{' '}
          <label className="flex items-baseline gap-2">
            Up is
            <select
              className="select w-auto select-sm"
              value={up}
              onChange={(event) => run(find(table, event.target.value as UpAxis))}
            >
              {UP_AXES.map((axis) => (
                <option key={axis} value={axis}>
                  {axis}
                  {axis === reading.up ? ', as found' : ''}
                </option>
              ))}
            </select>
          </label>
        </p>
      )}
      {clip && reading && (
        <MotionPreview
          key={`${clip.name} ${String(clip.summary.frames)}`}
          seconds={clip.summary.seconds}
          frameSeconds={clip.summary.seconds / clip.summary.frames}
          poseAt={poseAt}
          idOf={seenFrom}
          onPick={(moment) =>
            setMoments((before = []) => [...before, moment].sort((a, b) => a.atSeconds - b.atSeconds))
          }
        />
      )}
      {problem && (
        <Notice>
          {problem} Nothing was added; what you have is untouched. Choose another file, or mend this one there.
        </Notice>
      )}
      {clip && (
        <details open={tableOpen} className="mt-2" onToggle={({ currentTarget }) => setTableOpen(currentTarget.open)}>
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
                  run(find(next, reading ? up : undefined));
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
