'use client';
import { capital } from '@/core/words';
import { monthDay } from '@/core/dateWords';
import { Link } from '@/ui/Link';
import { useState } from 'react';
import { BIN_DAYS, daysLeft } from '@/core/bin';
import type { Page } from '@/core/journal/session';
import type { SavedPlan } from '@/core/practice/plan/savedPlan';
import { imageKey } from '@/storage/images';
import { storageProblem } from '@/storage/problems';
import { useStored } from '@/storage/hooks/useStored';
import { useImageUrl } from '@/storage/hooks/useThumbnail';
import { binPage, listBinnedPages } from '@/storage/sessions/pages';
import { listBinnedPlans, savePlan } from '@/storage/sessions/savedPlans';
import { toastProblem } from '@/ui/toast/toast';

const run = (work: Promise<void>): void => {
  work.catch((error: unknown) => toastProblem(storageProblem(error)));
};

function BinnedPage({ page, nowMs }: { page: Page; nowMs: number }) {
  const url = useImageUrl(imageKey('thumbnail', page.id));
  const name = `the page of ${monthDay(page.addedAtMs)}`;
  return (
    <li className="flex items-center gap-4">
      <span className="grid size-[56px] place-items-center border border-rule bg-sheet">
        {url && <img src={url} alt="" className="max-h-[52px] max-w-[52px]" />}
      </span>
      <span className="flex-1">
        {capital(name)}
        <span className="block text-[13px] text-quiet">{daysLeft(page.binnedAtMs, nowMs)}</span>
      </span>
      <button
        type="button"
        className="btn-quiet btn btn-sm"
        aria-label={`Put ${name} back`}
        onClick={() => run(binPage(page.id, null))}
      >
        Put back
      </button>
    </li>
  );
}

function BinnedPlan({ plan, nowMs }: { plan: SavedPlan; nowMs: number }) {
  return (
    <li className="flex items-center gap-4">
      <span className="flex-1 wrap-anywhere">
        The plan “<bdi>{plan.recipe.title}</bdi>”
        <span className="block text-[13px] text-quiet">{daysLeft(plan.binnedAtMs, nowMs)}</span>
      </span>
      <button
        type="button"
        className="btn-quiet btn btn-sm"
        aria-label={`Put the plan ${plan.recipe.title} back`}
        onClick={() => run(savePlan({ ...plan, binnedAtMs: null }))}
      >
        Put back
      </button>
    </li>
  );
}

/** Pages and kept plans in the bin, to be put back; pictures and sets have their bin beside the pictures. */
export function PagesAndPlansBin() {
  const pages = useStored(listBinnedPages, ['pages'], []).value;
  const plans = useStored(listBinnedPlans, ['plans'], []).value;
  const [nowMs] = useState(() => Date.now());
  return (
    <section aria-labelledby="bin-heading">
      <h2 id="bin-heading" className="text-[20px]">
        Bin
      </h2>
      <p className="mt-1">
        What you put into the bin stays for {BIN_DAYS} days. Pictures and sets are in{' '}
        <Link className="link-quiet" href="/poses?set=bin">
          the bin under Poses
        </Link>
        .
      </p>
      {pages && plans && pages.length + plans.length === 0 && (
        <p className="mt-3 text-quiet">No page and no plan is in it.</p>
      )}
      <ul className="mt-3 flex max-h-[320px] flex-col gap-2 overflow-auto">
        {pages?.map((page) => (
          <BinnedPage key={page.id} page={page} nowMs={nowMs} />
        ))}
        {plans?.map((plan) => (
          <BinnedPlan key={plan.id} plan={plan} nowMs={nowMs} />
        ))}
      </ul>
    </section>
  );
}
