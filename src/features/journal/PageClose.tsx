'use client';
import { useEffect, useRef, useState } from 'react';
import { posesDrawn } from '@/core/journal/drawings';
import { FIX_PARTS, MOST_FIXES } from '@/core/journal/fixes';
import { judgingShut } from '@/core/journal/reflect';
import type { Page, Session } from '@/core/journal/session';
import { durationWords } from '@/core/practice/time/duration';
import { EYE_LEVEL } from '@/core/seeing/perspectiveBox';
import { imageKey } from '@/storage/images';
import { changePage } from '@/storage/sessions/pages';
import { storageProblem } from '@/storage/problems';
import { loadSession } from '@/storage/sessions/sessions';
import { useReferenceImage } from '@/storage/hooks/useReferenceImage';
import { useStored } from '@/storage/hooks/useStored';
import { useImageUrl, useReferenceThumbnail } from '@/storage/hooks/useThumbnail';
import { toastProblem } from '@/ui/toast/toast';
import { PerspectiveBox } from '@/ui/PerspectiveBox';
import { useNow } from '@/ui/useNow';
import { LaidOver } from './LaidOver';
import { TakeOutPage } from './TakeOutPage';
import { ARROWS } from '@/ui/input/arrows';

type Fix = NonNullable<Page['fixes']>[number];

/** A page looked at closely: its reference laid over it, what to fix, and the way out of the program. */
export function PageClose({ page, number, onClose }: { page: Page; number: number; onClose: () => void }) {
  const dialog = useRef<HTMLDialogElement>(null);
  const url = useImageUrl(imageKey('page', page.id));
  const session = useStored(async () => (await loadSession(page.sessionId)) ?? null, ['sessions'], [page.sessionId]);
  const nowMs = useNow(60_000);
  const shut = session.value ? judgingShut(session.value, nowMs) : false;
  const [marking, setMarking] = useState(false);
  const [part, setPart] = useState<string>(FIX_PARTS[0]);
  const [over, setOver] = useState<string | null>(null);
  // Shown at once, kept a moment later.
  const [inRoom, setInRoom] = useState(page.horizon !== undefined);
  const fixes = shut ? [] : (page.fixes ?? []);
  const change = (to: (page: Page) => Partial<Page>): void => {
    changePage(page.id, to).catch((error: unknown) => toastProblem(storageProblem(error)));
  };
  const fixTo = (next: readonly Fix[]): void => change(() => ({ fixes: [...next] }));
  useEffect(() => {
    if (dialog.current && !dialog.current.open) dialog.current.showModal();
  }, []);
  return (
    <dialog ref={dialog} className="modal" aria-label={`Page ${String(number)}`} onClose={onClose}>
      <div className="grid max-h-[96vh] w-[min(1180px,96vw)] gap-5 overflow-y-auto bg-sheet p-4 lg:grid-cols-[minmax(0,1fr)_330px]">
        <div className="grid place-items-center">
          <div className="relative touch-none overflow-hidden">
            {url && (
              <img
                src={url}
                alt={`Page ${String(number)}, photographed`}
                className="max-h-[84vh] max-w-full object-contain max-lg:max-h-[56vh]"
              />
            )}
            {over !== null && !shut && <OverPage key={over} page={page} referenceId={over} onChange={change} />}
            {inRoom && !shut && (
              <PageRoom horizon={page.horizon ?? EYE_LEVEL} onKeep={(horizon) => change(() => ({ horizon }))} />
            )}
            {marking && fixes.length < MOST_FIXES && (
              <button
                type="button"
                aria-label="Mark the page here; from the keyboard, in the middle"
                className="absolute inset-0 cursor-crosshair"
                onClick={(event) => {
                  const box = event.currentTarget.getBoundingClientRect();
                  const byKey = event.detail === 0;
                  const x = byKey ? 0.5 : (event.clientX - box.left) / box.width;
                  const y = byKey ? 0.5 : (event.clientY - box.top) / box.height;
                  fixTo([...fixes, { x, y, part }]);
                  setMarking(false);
                }}
              />
            )}
            {fixes.map((fix, i) => (
              <FixMark
                key={`${fix.part} ${String(i)}`}
                fix={fix}
                number={i + 1}
                onMove={(to) => fixTo(fixes.with(i, to))}
              />
            ))}
          </div>
        </div>
        <div className="flex flex-col gap-5">
          <div className="flex items-baseline justify-between">
            <h2 className="text-[20px]">Page {number}</h2>
            <form method="dialog">
              <button className="btn btn-sm">Close</button>
            </form>
          </div>
          {shut && <p>Judging is shut for this session: nothing is laid over it and nothing is marked.</p>}
          {!shut && session.value && <Compare session={session.value} over={over} onOver={setOver} />}
          {!shut && (
            <label className="flex items-center gap-3">
              <input
                type="checkbox"
                className="checkbox"
                checked={inRoom}
                onChange={({ target: { checked } }) => {
                  setInRoom(checked);
                  change(() => ({ horizon: checked ? EYE_LEVEL : undefined }));
                }}
              />
              A perspective box over it
            </label>
          )}
          {!shut && (
            <section aria-label="What to fix">
              <h3 className="text-[17px]">What to fix</h3>
              <p className="text-[14px] text-quiet">Up to three marks: what matters most.</p>
              <div className="mt-2 flex flex-wrap items-center gap-2">
                <select
                  className="select w-[190px]"
                  aria-label="What the mark is about"
                  value={part}
                  onChange={(event) => setPart(event.target.value)}
                >
                  {FIX_PARTS.map((words) => (
                    <option key={words}>{words}</option>
                  ))}
                </select>
                <button
                  type="button"
                  className={`btn min-h-11 ${marking ? '' : 'btn-quiet'}`}
                  aria-pressed={marking}
                  disabled={fixes.length >= MOST_FIXES}
                  onClick={() => setMarking(!marking)}
                >
                  {marking ? 'Tap the page' : 'Mark it'}
                </button>
              </div>
              <ol className="mt-2">
                {fixes.map((fix, i) => (
                  <li key={`${String(fix.x)} ${String(fix.y)}`} className="flex items-center gap-2">
                    <b>{i + 1}</b>
                    <span className="flex-1">{fix.part}</span>
                    <button
                      type="button"
                      className="btn-quiet btn btn-sm"
                      onClick={() => fixTo(fixes.filter((f) => f !== fix))}
                    >
                      Take it off
                    </button>
                  </li>
                ))}
              </ol>
            </section>
          )}
          <label className="flex items-center gap-3">
            <input
              type="checkbox"
              className="checkbox"
              checked={page.thrownAway ?? false}
              onChange={({ target: { checked } }) => change(() => ({ thrownAway: checked }))}
            />
            <span>
              The sheet is thrown away
              <span className="block text-[14px] text-quiet">Its photograph and its record stay and count.</span>
            </span>
          </label>
          {session.value && <TakeOutPage page={page} session={session.value} number={number} />}
        </div>
      </div>
    </dialog>
  );
}

/** A perspective box over the page, kept when its horizon has come to rest. */
function PageRoom({ horizon, onKeep }: { horizon: number; onKeep: (horizon: number) => void }) {
  const [now, setNow] = useState(horizon);
  return <PerspectiveBox horizon={now} onHorizon={setNow} onRest={onKeep} />;
}

const NUDGE = 0.01;

/** A mark on the page; arrows move it. */
function FixMark({ fix, number, onMove }: { fix: Fix; number: number; onMove: (to: Fix) => void }) {
  // Keys come faster than what is kept comes back.
  const [at, setAt] = useState(fix);
  const inside = (v: number): number => Math.max(0, Math.min(1, v));
  return (
    <button
      type="button"
      aria-label={`Mark ${String(number)}: ${fix.part}; arrows move it`}
      className="absolute grid size-7 -translate-1/2 place-items-center rounded-full border-2 border-ink bg-sheet text-[14px] font-semibold"
      style={{ left: `${String(at.x * 100)}%`, top: `${String(at.y * 100)}%` }}
      onKeyDown={(event) => {
        const [dx, dy] = ARROWS[event.key] ?? [0, 0];
        if (dx === 0 && dy === 0) return;
        event.preventDefault();
        const next = { ...fix, x: inside(at.x + dx * NUDGE), y: inside(at.y + dy * NUDGE) };
        setAt(next);
        onMove(next);
      }}
    >
      {number}
    </button>
  );
}

/** The poses of the session, to lay one over the page. */
function Compare({
  session,
  over,
  onOver,
}: {
  session: Session;
  over: string | null;
  onOver: (referenceId: string | null) => void;
}) {
  const poses = posesDrawn(session).filter((d) => d.referenceId !== null);
  const once = poses.filter((d, i) => poses.findIndex((e) => e.referenceId === d.referenceId) === i);
  if (once.length === 0) return null;
  return (
    <section aria-label="Lay a reference over it">
      <h3 className="text-[17px]">Lay a reference over it</h3>
      <div className="mt-2 flex flex-wrap gap-2">
        {once.map(({ referenceId, spentMs }) => (
          <Choice
            key={referenceId}
            referenceId={referenceId ?? ''}
            words={durationWords(spentMs)}
            chosen={referenceId === over}
            onChoose={() => onOver(referenceId === over ? null : referenceId)}
          />
        ))}
      </div>
    </section>
  );
}

function Choice({
  referenceId,
  words,
  chosen,
  onChoose,
}: {
  referenceId: string;
  words: string;
  chosen: boolean;
  onChoose: () => void;
}) {
  const url = useReferenceThumbnail(referenceId);
  return (
    <button
      type="button"
      aria-pressed={chosen}
      aria-label={`Pose of ${words}`}
      className={`grid h-[76px] w-[58px] place-items-center border bg-plate p-1 text-[12px] ${chosen ? 'border-2 border-ink' : 'border-hairline'}`}
      onClick={onChoose}
    >
      {url && <img src={url} alt="" className="max-h-[50px] max-w-full" />}
      {words}
    </button>
  );
}

function OverPage({
  page,
  referenceId,
  onChange,
}: {
  page: Page;
  referenceId: string;
  onChange: (to: (page: Page) => Partial<Page>) => void;
}) {
  const url = useReferenceImage(referenceId);
  if (!url)
    return (
      <p className="absolute inset-x-0 top-3 text-center" role="status">
        <span className="bg-sheet px-2 py-1">
          {url === null ? 'That reference is not at hand.' : 'Getting the reference ready.'}
        </span>
      </p>
    );
  return (
    <LaidOver
      url={url}
      page={page}
      laid={page.laid?.referenceId === referenceId ? page.laid : undefined}
      onLaid={({ x, y, width }) => onChange(() => ({ laid: { referenceId, x, y, width } }))}
    />
  );
}
