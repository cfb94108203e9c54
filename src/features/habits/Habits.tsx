'use client';
import { Download } from 'lucide-react';
import dynamic from 'next/dynamic';
import { Link } from '@/ui/Link';
import { useMemo } from 'react';
import {
  type Bias,
  biasesOf,
  biasWords,
  type MeasuredDrawing,
  remediesTaken,
  remedyEffects,
} from '@/core/growing/biases';
import { measuredCsv } from '@/core/growing/csv';
import { faultsOf } from '@/core/growing/faults';
import { lessonsOf } from '@/core/growing/lessons';
import { piecesOf } from '@/core/growing/pieces';
import type { Page, Session } from '@/core/journal/session';
import { lookedAt } from '@/core/journal/whose';
import { seedOnFirstVisit } from '@/storage/seed';
import { measuredDrawings } from '@/storage/sessions/measuredDrawings';
import { allPages } from '@/storage/sessions/pages';
import { listSessions } from '@/storage/sessions/sessions';
import { useStored } from '@/storage/hooks/useStored';
import { download } from '@/ui/download';
import { Notice } from '@/ui/Notice';
import { BiasRow } from './BiasRow';
import { Faults } from './Faults';
import { Lessons } from './Lessons';
import { OverTime } from './OverTime';
import { Explained } from '@/ui/Explained';
import { Word } from '@/ui/Word';

// What remedies are made of is not needed to be told of habits.
const OneRemedy = dynamic(() => import('./OneRemedy').then((m) => m.OneRemedy), { ssr: false });

type Measured = MeasuredDrawing & { sessionId: string };
interface Kept {
  /** Whose they are, where they are not the learner's. */
  of: string | undefined;
  sessions: Session[];
  measured: Measured[];
  pages: Page[];
}
async function load(): Promise<Kept> {
  await seedOnFirstVisit(Date.now());
  const { sessions, of } = lookedAt((await listSessions()).filter(({ status }) => status === 'kept'));
  const [measured, pages] = await Promise.all([measuredDrawings(sessions), allPages()]);
  const ids = new Set(sessions.map(({ id }) => id));
  return { of, sessions, measured, pages: pages.filter(({ sessionId }) => ids.has(sessionId)) };
}

/** What one does again and again: what drawings are off by, what is marked and missed, how the line changes. */
export function Habits() {
  const kept = useStored(load, ['sessions', 'pages', 'drawings'], []);
  if (kept.problem) return <Notice>{kept.problem}</Notice>;
  if (!kept.value) return <div className="h-60" aria-busy />;
  return <Found {...kept.value} />;
}

function Found({ of, sessions, measured, pages }: Kept) {
  const biases = useMemo(() => biasesOf(measured), [measured]);
  const effects = useMemo(() => {
    const taken = remediesTaken(sessions);
    return new Map(biases.map(({ id }) => [id, remedyEffects(id, measured, taken)]));
  }, [biases, measured, sessions]);
  const faults = useMemo(() => faultsOf(sessions, pages), [sessions, pages]);
  const lessons = useMemo(() => lessonsOf(sessions, sessions.flatMap(piecesOf), measured), [sessions, measured]);
  const [largest] = biases;
  return (
    <>
      <h1 className="text-[30px]">{of ? `What ${of} does again and again` : 'What you do again and again'}</h1>
      <section aria-labelledby="off" className="mt-4 border-t border-ink pt-4">
        <h2 id="off" className="text-[20px]">
          Off by
        </h2>
        <p className="mt-1 font-serif text-[19px]" role="status">
          <Explained>{summary(largest, measured.length)}</Explained>
        </p>
        {largest.off === 'where it hurts' && <OneRemedy bias={largest} effects={effects.get(largest.id) ?? []} />}
        {measured.length === 0 ? (
          <p className="mt-2">
            Photograph a sheet, cut it into its drawings on the{' '}
            <Link className="link-quiet" href="/journal">
              Desk
            </Link>{' '}
            and measure them there: what comes again is told here, from ten{' '}
            <Word of="measured drawing">measured drawings</Word> on.
          </p>
        ) : (
          <ul className="mt-4 grid grid-cols-[minmax(0,1fr)] gap-x-10 gap-y-6 lg:grid-cols-2">
            {biases.map((bias) => (
              <BiasRow key={bias.id} bias={bias} drawings={measured} effects={effects.get(bias.id) ?? []} />
            ))}
          </ul>
        )}
      </section>
      {measured.length > 0 && (
        <button
          type="button"
          className="no-print btn-quiet btn mt-4 max-sm:h-14"
          onClick={() => download(new Blob([measuredCsv(measured)], { type: 'text/csv' }), 'fox-minute measured.csv')}
        >
          <Download size={17} aria-hidden /> Take it out as a table (CSV)
        </button>
      )}
      <Faults faults={faults} />
      <OverTime sessions={sessions} />
      <Lessons lessons={lessons} />
    </>
  );
}

/** The largest bias in one sentence, or that there is none, or that too little is known. */
function summary(largest: Bias, count: number): string {
  if (count === 0) return 'Nothing was measured yet.';
  if (!largest.now) return 'Too few to tell: from ten measured drawings on something is said here.';
  if (largest.off === 'no') return 'Nothing of what was measured is off by more than it may be.';
  return biasWords(largest);
}
