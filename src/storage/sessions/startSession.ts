import type { Session } from '@/core/journal/session';
import type { Plan } from '@/core/practice/plan/schema';
import { poseExercise } from '@/core/practice/rules/poseExercise';
import { parsePictureReference } from '@/core/references/picture';
import { changePictures } from '@/storage/pictures/pictures';
import { loadRoom } from './room';
import { loadSetting, saveSetting } from '@/storage/settings';
import { mapPoses, picturesOf } from '@/core/practice/plan/planPoses';
import { withRunLock } from './runLock';
import { appendEvents, runningSession, saveSession } from './sessions';

const STARTED_KEY = 'fox-minute-started';
/** Where session storage is denied, this document remembers on its own. */
let startedHere: string | undefined;
/** The tab's own storage, which survives a move to another document; undefined where there is none or it is denied. */
function tabStorage(): Storage | undefined {
  try {
    return sessionStorage;
  } catch {
    return undefined;
  }
}
const remember = (id: string): void => {
  startedHere = id;
  tabStorage()?.setItem(STARTED_KEY, id);
};

/** Whether this tab has just started the session. Answers yes once: after a reload the answer is no. */
export function claimStart(sessionId: string): boolean {
  const started = tabStorage()?.getItem(STARTED_KEY) ?? startedHere;
  tabStorage()?.removeItem(STARTED_KEY);
  startedHere = undefined;
  return started === sessionId;
}

/**
 * Starts a session now. One that was cut off is kept as far as it went.
 * @throws RunningElsewhereError when another tab is running a session.
 */
export const startSession = (plan: Plan): Promise<Session> => withRunLock(() => start(plan));

async function start(plan: Plan): Promise<Session> {
  // Asked once, and granted or not: a browser short of room deletes kept data last.
  if (typeof navigator !== 'undefined') void navigator.storage?.persist?.().catch(() => undefined);
  const before = await runningSession();
  if (before) await stopNow(before);
  const choosingMs = (await loadSetting('choosingMs')) ?? 0;
  const session: Session = {
    id: crypto.randomUUID(),
    plan: await withPictureFacts(plan),
    log: [{ type: 'start', atMs: 0 }],
    startedAtMs: Date.now(),
    lastSeenMs: 0,
    status: 'running',
    note: '',
    // Only where the learner said so: nobody's hand is guessed.
    ...((await loadSetting('handSaid')) && { usualHand: (await loadRoom()).hand }),
    ...(choosingMs > 0 && { choosingMs }),
  };
  await saveSession(session);
  // A session begins all the same where that cannot be written.
  await noteCopied(plan).catch(() => undefined);
  if (choosingMs > 0) await saveSetting('choosingMs', 0);
  remember(session.id);
  return session;
}

/** Notes with each pose what its picture shows and what of it is left out on purpose. */
async function withPictureFacts(plan: Plan): Promise<Plan> {
  // The catalogue of figures comes with this, and no page needs it before a start.
  const { pictureNotesOf } = await import('@/storage/references/pictureNotes');
  const notes = new Map(
    await Promise.all([...new Set(picturesOf(plan))].map(async (id) => [id, await pictureNotesOf(id)] as const)),
  );
  return mapPoses(plan, (pose) => ({ ...pose, ...(pose.referenceId !== null && notes.get(pose.referenceId)) }));
}

/** What an exercise copies is for practice only, where nothing is said of its rights yet. */
async function noteCopied(plan: Plan): Promise<void> {
  const ids = plan.blocks.flatMap((block, blockIndex) =>
    block.kind === 'poses'
      ? block.poses.flatMap(({ referenceId }, poseIndex) =>
          referenceId !== null && poseExercise(plan, { blockIndex, poseIndex })?.form?.copies
            ? (parsePictureReference(referenceId) ?? [])
            : [],
        )
      : [],
  );
  await changePictures([...new Set(ids)], ({ rights }) =>
    rights.license === null ? { rights: { ...rights, license: 'practice-only' } } : {},
  );
}

/**
 * Ends a cut-off session at its last sign of life.
 * @throws RunningElsewhereError when another tab is running it.
 */
export const stopAndKeep = ({ id }: Pick<Session, 'id'>): Promise<void> =>
  withRunLock(async () => {
    // Read again under the lock: the tab that ran it may have finished it meanwhile.
    const session = await runningSession();
    if (session?.id === id) await stopNow(session);
  });

async function stopNow(session: Session): Promise<void> {
  await appendEvents(session.id, [{ type: 'stop', atMs: session.lastSeenMs }], 'kept');
}
