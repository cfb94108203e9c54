'use client';
import { Link } from '@/ui/Link';
import { DEMO_LEARNER } from '@/core/demoLearner';
import { demoIsShowing } from '@/storage/seed';
import { useStored } from '@/storage/hooks/useStored';

/** Whose sessions these are, as long as the made-up ones are shown: until there is one of one's own. */
export function DemoMark() {
  const showing = useStored(demoIsShowing, ['sessions'], []);
  if (!showing.value) return null;
  return (
    <Link href="/data#demo-heading" className="inline-block py-1 text-[14px] text-quiet hover:text-ink">
      <span className="max-sm:sr-only">{DEMO_LEARNER}’s </span>demo sessions
    </Link>
  );
}
