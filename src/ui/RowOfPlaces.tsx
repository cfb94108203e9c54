'use client';
import type { Route } from 'next';
import { Link } from '@/ui/Link';
import { usePathname } from 'next/navigation';
import { useEffect, useRef } from 'react';

/** Pages that belong together, one beside the other; on a narrow screen the row goes sideways, and where one is stays in sight. */
export function RowOfPlaces({
  label,
  places,
}: {
  label: string;
  places: readonly (readonly [href: string, name: string])[];
}) {
  const here = usePathname();
  const nav = useRef<HTMLElement>(null);
  useEffect(() => {
    nav.current?.querySelector('[aria-current]')?.scrollIntoView({ inline: 'center', block: 'nearest' });
  }, [here]);
  return (
    <nav ref={nav} aria-label={label} className="no-print row-sideways mb-4 flex gap-x-6 sm:flex-wrap">
      {places.map(([href, name]) => (
        <Link
          key={href}
          href={href as Route}
          aria-current={href === here ? 'page' : undefined}
          className={`inline-flex min-h-10 shrink-0 items-center max-sm:min-h-12 ${
            href === here ? 'border-b-2 border-charcoal font-semibold' : 'link-quiet'
          }`}
        >
          {name}
        </Link>
      ))}
    </nav>
  );
}
