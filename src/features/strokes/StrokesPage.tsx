'use client';
import { ArrowLeft, Pause, Play } from 'lucide-react';
import { Link } from '@/ui/Link';
import { useSearchParams } from 'next/navigation';
import { useMemo, useState } from 'react';
import { fullDate } from '@/core/dateWords';
import { drawByHand } from '@/core/hand/draw';
import { mannerOf } from '@/core/hand/manners';
import { judgingShut } from '@/core/journal/reflect';
import { clockDigits, durationWords } from '@/core/practice/time/duration';
import { marksOf } from '@/core/strokes/inkStroke';
import { lightVector } from '@/core/strokes/lightVector';
import { sheetInkMl, sheetSvg } from '@/core/strokes/takeOut';
import { strokesTold, toldSentences } from '@/core/strokes/told/told';
import { useDrawnKey } from '@/storage/hooks/useDrawnKey';
import { useReferenceImage } from '@/storage/hooks/useReferenceImage';
import { useReferenceName } from '@/storage/hooks/useReferenceName';
import { useTraits } from '@/storage/hooks/useTraits';
import { download } from '@/ui/download';
import { HandDrawn } from '@/ui/hand/HandDrawn';
import { Notice } from '@/ui/Notice';
import { deskPage } from '@/ui/referencePage';
import { useNow } from '@/ui/useNow';
import { ReplayLane } from './ReplayLane';
import { type DrawnOnScreen, useDrawn, useVersions, type Version } from './useDrawn';
import { SPEEDS, useReplay } from './useReplay';

const HEIGHT = 460;
const THE_HAND = 'hand';
/** Moments at which a line ran that are offered at most. */
const MOST_RUNS = 6;

/** A drawing made on the screen, stroke by stroke: what its strokes tell, and how it came about. */
export function StrokesPage() {
  const search = useSearchParams();
  const sessionId = search.get('session') ?? '';
  const drawing = search.get('drawing') ?? '';
  const [wanted, setWanted] = useState<number>();
  const drawn = useDrawn(sessionId, drawing, wanted);
  const nowMs = useNow(60_000);
  if (drawn.problem) return <Notice>{drawn.problem}</Notice>;
  if (drawn.value === undefined) return <div className="mt-4 h-[70dvh] skeleton" />;
  if (drawn.value === null)
    return (
      <div className="max-w-[60ch] py-8">
        <Notice tone="plain">
          No strokes are kept of this drawing: it was made on paper, or is gone.{' '}
          <Link href="/journal" className="link-quiet">
            To the journal
          </Link>
          .
        </Notice>
      </div>
    );
  if (judgingShut(drawn.value.session, nowMs))
    return (
      <div className="max-w-[60ch] py-8">
        <Notice tone="plain">Judging is shut for this session until its date. The strokes are kept.</Notice>
      </div>
    );
  return <Drawn key={`${sessionId} ${drawing} ${String(wanted)}`} drawn={drawn.value} onBeginning={setWanted} />;
}

function Drawn({ drawn, onBeginning }: { drawn: DrawnOnScreen; onBeginning: (beginning: number) => void }) {
  const { session, pose, strokes, size, places, beginnings, beginning, pageId } = drawn;
  const { exercise, referenceId } = pose;
  const marks = useMemo(() => marksOf(strokes), [strokes]);
  const lastMs = Math.max(0, ...marks.map(({ points }) => points[points.length - 1][2]));
  const spentMs = Math.max(pose.spentMs, lastMs);
  const { lightFrom } = useTraits(referenceId, false);
  const [besideId, setBeside] = useState('');
  const versions = useVersions(referenceId, session.id, pose.drawing);
  const other = versions.find((v) => versionKey(v) === besideId);
  const replay = useReplay(Math.max(1, lastMs));
  const name = useReferenceName(referenceId);
  const url = useReferenceImage(referenceId);
  const { sentences, ran } = useMemo(() => {
    const known = {
      exercise,
      spentMs,
      movedMm: strokes.find((s) => s.movedMm)?.movedMm,
      places,
      lightFrom: lightVector(lightFrom),
    };
    const told = strokesTold(marks, known);
    const slow = exercise.rule.pace === 'slow';
    return { sentences: toldSentences(told, known), ran: slow ? (told.pace?.runs ?? []).slice(0, MOST_RUNS) : [] };
  }, [marks, exercise, spentMs, strokes, places, lightFrom]);
  const [first, ...rest] = sentences;
  const fileName = `strokes-${new Date(session.startedAtMs).toISOString().slice(0, 10)}-${pose.drawing.replace(/\W+/g, '-')}`;
  const save = (text: string, type: string, ending: string): void =>
    download(new Blob([text], { type }), `${fileName}.${ending}`);
  return (
    <div>
      <Link
        href={pageId ? deskPage(session.id, pageId) : `/journal?session=${session.id}`}
        className="mb-2 inline-flex items-center gap-1 py-1 text-quiet hover:text-ink"
      >
        <ArrowLeft size={15} aria-hidden /> {pageId ? 'Back to its sheet' : 'Back to the journal'}
      </Link>
      <h1 className="text-[26px] leading-tight">{exercise.name}, stroke by stroke</h1>
      <p className="text-quiet">
        {[name, fullDate(new Date(session.startedAtMs)), durationWords(Math.round(pose.spentMs / 1000) * 1000)]
          .filter(Boolean)
          .join(', ')}
      </p>
      <div className="mt-3 grid grid-cols-[minmax(0,1fr)] gap-x-8 gap-y-5 lg:grid-cols-[minmax(0,1fr)_380px]">
        <div>
          <div className="grid grid-cols-[repeat(auto-fit,minmax(min(200px,46%),1fr))] place-items-center gap-4 bg-plate p-3">
            {url && (
              <img
                src={url}
                alt="What it was drawn from"
                style={{ maxHeight: HEIGHT }}
                className="max-w-full object-contain"
              />
            )}
            {url === undefined && referenceId !== null && (
              <div
                className="w-full skeleton"
                style={{ height: HEIGHT / 2 }}
                role="status"
                aria-label="Getting the picture ready"
              />
            )}
            <ReplayLane
              strokes={strokes}
              size={size}
              paper={session.plan.sheet?.paper}
              follow={replay.follow}
              height={HEIGHT}
              label={`The drawing at ${clockDigits(replay.atMs)}`}
            />
            {other && <OtherLane version={other} follow={replay.follow} />}
            {besideId === THE_HAND && <HandLane drawn={drawn} atMs={replay.atMs} />}
          </div>
          <div className="mt-3 flex flex-wrap items-center gap-3">
            <button type="button" className="btn max-sm:h-14" onClick={replay.playing ? replay.stop : replay.play}>
              {replay.playing ? <Pause size={18} aria-hidden /> : <Play size={18} aria-hidden />}
              {replay.playing ? 'Stop' : 'Replay'}
            </button>
            <label className="flex min-w-[200px] flex-1 items-center gap-3">
              <span className="sr-only">Moment of the drawing</span>
              <input
                type="range"
                className="range w-full"
                min={0}
                max={Math.max(1, lastMs)}
                step={100}
                value={replay.atMs}
                aria-valuetext={clockDigits(replay.atMs)}
                onChange={(event) => replay.goTo(Number(event.target.value))}
              />
              <span className="whitespace-nowrap tabular-nums">
                {clockDigits(Math.floor(replay.atMs / 1000) * 1000)} of {clockDigits(Math.floor(spentMs / 1000) * 1000)}
              </span>
            </label>
            <label className="flex items-center gap-2">
              <span className="text-quiet">as fast as it was, times</span>
              <select
                className="select w-auto max-sm:h-14"
                value={replay.speed}
                onChange={(event) => replay.setSpeed(Number(event.target.value))}
              >
                {SPEEDS.map((speed) => (
                  <option key={speed}>{speed}</option>
                ))}
              </select>
            </label>
            <label className="flex items-center gap-2">
              <span className="text-quiet">Beside it</span>
              <select
                className="select w-auto max-sm:h-14"
                value={besideId}
                onChange={(event) => setBeside(event.target.value)}
              >
                <option value="">nothing more</option>
                {versions.map((version) => (
                  <option key={versionKey(version)} value={versionKey(version)}>
                    yours of {fullDate(new Date(version.startedAtMs))},{' '}
                    {durationWords(Math.round(version.spentMs / 1000) * 1000)}
                  </option>
                ))}
                {referenceId !== null && <option value={THE_HAND}>the program’s own hand</option>}
              </select>
            </label>
            {beginnings.length > 1 && (
              <label className="flex items-center gap-2">
                <span className="text-quiet">Seen is</span>
                <select
                  className="select w-auto max-sm:h-14"
                  value={beginning}
                  onChange={(event) => onBeginning(Number(event.target.value))}
                >
                  {beginnings.map((words, i) => (
                    <option key={words} value={i}>
                      {words}
                    </option>
                  ))}
                </select>
              </label>
            )}
          </div>
        </div>
        <div>
          <p className="font-serif text-[20px] leading-snug">{first?.words ?? 'Nothing was drawn here.'}</p>
          {rest.length > 0 && (
            <details className="mt-3">
              <summary className="cursor-pointer font-semibold">The rest of what the strokes tell</summary>
              <ul aria-label="What the strokes tell" className="mt-2 flex flex-col gap-2">
                {rest.map(({ name: key, words }) => (
                  <li key={key}>{words}</li>
                ))}
              </ul>
              {ran.length > 0 && (
                <p className="mt-3 flex flex-wrap items-center gap-2">
                  <span className="text-quiet">Look at where it ran:</span>
                  {ran.map(({ fromMs, times }) => (
                    <button
                      key={fromMs}
                      type="button"
                      className="btn-quiet btn min-h-11 btn-sm"
                      onClick={() => replay.goTo(fromMs)}
                    >
                      {clockDigits(Math.floor(fromMs / 1000) * 1000)}, {times.toFixed(1)} times
                    </button>
                  ))}
                </p>
              )}
              {!places && (
                <p className="mt-3 text-[14px] text-quiet">
                  In which order the parts came is told once their places are known: measure it on the Desk.
                </p>
              )}
            </details>
          )}
          <p className="mt-3 text-[14px] text-quiet">
            <Link href="/handbook/sheet" className="link-quiet">
              What is measured, and what is not
            </Link>
          </p>
          <h2 className="mt-5 border-t border-hairline pt-4 text-[17px]">For yourself, as a file</h2>
          <div className="mt-2 flex flex-wrap gap-2">
            <button
              type="button"
              className="btn-quiet btn min-h-11"
              onClick={() => save(sheetSvg(strokes, size, exercise.name), 'image/svg+xml', 'svg')}
            >
              Shapes (SVG)
            </button>
            <button
              type="button"
              className="btn-quiet btn min-h-11"
              onClick={() => save(sheetInkMl(strokes, size), 'application/inkml+xml', 'inkml')}
            >
              Strokes with time and pressure (InkML)
            </button>
          </div>
          <p className="mt-2 text-[14px] text-quiet">
            As a picture (PNG), to show it or to sell it: take out its page in the journal, where the rights of what it
            was drawn from are looked at.
          </p>
        </div>
      </div>
    </div>
  );
}

const versionKey = ({ sessionId, drawing }: Version): string => `${sessionId} ${drawing}`;

/** Another version, at the same moment of its own time. */
function OtherLane({ version, follow }: { version: Version; follow: (show: (ms: number) => void) => () => void }) {
  const drawn = useDrawn(version.sessionId, version.drawing, undefined);
  if (!drawn.value) return <div className="skeleton" style={{ height: HEIGHT, width: HEIGHT * 0.6 }} />;
  return (
    <ReplayLane
      strokes={drawn.value.strokes}
      size={drawn.value.size}
      paper={drawn.value.session.plan.sheet?.paper}
      follow={follow}
      height={HEIGHT}
      label={`Yours of ${fullDate(new Date(version.startedAtMs))}, at the same moment`}
    />
  );
}

/** The program's own hand at the same exercise, in the same time. */
function HandLane({ drawn: { pose }, atMs }: { drawn: DrawnOnScreen; atMs: number }) {
  const key = useDrawnKey(pose.referenceId, true);
  const drawing = useMemo(
    () => key && drawByHand({ key, manner: mannerOf(pose.exercise), drawMs: pose.spentMs, seed: 1 }),
    [key, pose],
  );
  if (!drawing) return <div className="skeleton" style={{ height: HEIGHT, width: HEIGHT * 0.6 }} />;
  return (
    <div className="grid max-w-full place-items-center overflow-hidden bg-sheet">
      <HandDrawn
        drawing={drawing}
        fromMs={atMs}
        speed={0}
        onAt={() => undefined}
        height={HEIGHT}
        label="The program’s hand, at the same moment"
      />
    </div>
  );
}
