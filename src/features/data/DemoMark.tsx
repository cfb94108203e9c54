'use client';
import Link from 'next/link';
import { DEMO_LEARNER } from '@/core/demoLearner';
import { countDemoSessions } from '@/storage/seed';
import { useStored } from '@/storage/hooks/useStored';

/** Whose sessions these are, as long as the made-up ones are among them. */
export function DemoMark() {
  const count = useStored(countDemoSessions, ['sessions'], []);
  if (!count.value) return null;
  return (
    <Link href="/data#demo-heading" className="text-[14px] text-quiet hover:text-ink">
      <span className="max-sm:sr-only">{DEMO_LEARNER}’s </span>demo sessions
    </Link>
  );
}
