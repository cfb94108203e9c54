'use client';
import { counted, bytesWords } from '@/core/words';
import { countKept } from '@/storage/everything';
import { useStored } from '@/storage/hooks/useStored';
import { Notice } from '@/ui/Notice';
import { Causes } from './Causes';
import { DemoLearner } from './DemoLearner';
import { Mended } from './Mended';
import { PagesAndPlansBin } from './PagesAndPlansBin';
import { PutBackIn } from './PutBackIn';
import { ResetSettings } from './ResetSettings';
import { TakeOut } from './TakeOut';
import { WipeAll } from './WipeAll';

async function whatIsKept() {
  const counts = await countKept();
  const estimate = await navigator.storage?.estimate?.().catch(() => undefined);
  return { ...counts, bytes: estimate?.usage };
}

/** Everything kept in this browser: what it is, out of it, back into it, away with it. */
export function Data() {
  const kept = useStored(whatIsKept, ['sessions', 'pages', 'sets', 'pictures', 'plans'], []);
  const counts = kept.value;
  const empty = counts && counts.sessions + counts.pages + counts.sets + counts.pictures + counts.plans === 0;
  return (
    <>
      <h1 className="text-[30px]">Your data is yours</h1>
      <p className="mt-1 max-w-[70ch]">
        Everything is kept in this browser and nowhere else.{' '}
        {counts &&
          (empty
            ? 'Right now that is nothing.'
            : `Right now: ${counted(counts.sessions, 'session')}, ${counted(counts.pages, 'page')}, ${counted(counts.pictures, 'picture')} in ${counted(counts.sets, 'set')} of your own${
                counts.bytes === undefined ? '' : `, ${bytesWords(counts.bytes)}`
              }.`)}
      </p>
      {kept.problem && <Notice>{kept.problem}</Notice>}
      <Mended unreadable={counts?.unreadable ?? 0} />
      <div className="mt-6 grid gap-x-12 gap-y-8 lg:grid-cols-2">
        <TakeOut />
        <PutBackIn />
        <PagesAndPlansBin />
        <DemoLearner />
        <ResetSettings />
        <WipeAll />
        <Causes />
      </div>
    </>
  );
}
