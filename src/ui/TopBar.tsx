'use client';
import { Armchair, CircleHelp, Moon, Sun } from 'lucide-react';
import type { Route } from 'next';
import { Link } from '@/ui/Link';
import { usePathname } from 'next/navigation';
import type { ReactNode } from 'react';
import { brushStroke } from './brush';
import { Mark } from './Mark';
import { PLACES } from './places';
import { useTheme } from './useTheme';

export function TopBar({ aside }: { aside?: ReactNode }) {
  const pathname = usePathname();
  const { theme, setTheme } = useTheme();
  const next = theme === 'night' ? 'paper' : 'night';
  return (
    <header className="no-print mx-4 flex min-h-[52px] items-center gap-x-2 border-b border-hairline max-[1040px]:flex-wrap max-[1040px]:gap-y-0 sm:mx-10 sm:gap-x-6">
      <a
        href="#main"
        className="sr-only focus:not-sr-only focus:absolute focus:top-2 focus:left-2 focus:z-40 focus:bg-sheet focus:p-2"
        onClick={(event) => {
          event.preventDefault();
          const main = document.querySelector('main');
          main?.setAttribute('tabindex', '-1');
          main?.focus();
        }}
      >
        Skip to content
      </a>
      <Link href="/" className="flex items-center gap-2 font-serif text-[19px] font-[650] whitespace-nowrap">
        <Mark />
        Fox Minute
      </Link>
      <nav aria-label="Places" className="max-[1040px]:order-3 max-[1040px]:w-full">
        <ul className="flex gap-1 max-[22rem]:gap-0 sm:gap-3">
          {PLACES.map(({ href, label }) => {
            const here =
              pathname === href ||
              (href !== '/' && pathname.startsWith(`${href}/`)) ||
              (href === '/journal' && pathname === '/after');
            return (
              <li key={href}>
                <Link
                  href={href}
                  aria-current={here ? 'page' : undefined}
                  className={`relative block px-2 py-3 max-[22rem]:px-1.5 ${here ? 'font-semibold' : 'text-quiet hover:text-ink'}`}
                >
                  {label}
                  {here && (
                    <svg
                      aria-hidden
                      width="100%"
                      height="8"
                      viewBox="0 0 60 8"
                      preserveAspectRatio="none"
                      className="absolute inset-x-0 -bottom-1"
                    >
                      <path d={brushStroke([2, 4], [58, 3.2], 5, 4)} fill="var(--charcoal)" />
                    </svg>
                  )}
                </Link>
              </li>
            );
          })}
        </ul>
      </nav>
      <span className="ml-auto">{aside}</span>
      <IconLink href="/room" label="Your room: sound, keys and pedals, the hand" here={pathname === '/room'}>
        <Armchair size={17} aria-hidden />
      </IconLink>
      <IconLink href="/handbook" label="Handbook" here={pathname === '/handbook'}>
        <CircleHelp size={17} aria-hidden />
      </IconLink>
      <button
        type="button"
        className="btn border-0 btn-ghost btn-sm"
        aria-label={next === 'night' ? 'Night studio: dim the lights' : 'Paper: turn the lights on'}
        onClick={() => setTheme(next)}
      >
        {theme === 'night' ? <Sun size={17} aria-hidden /> : <Moon size={17} aria-hidden />}
        <span className="max-sm:sr-only" aria-hidden>
          {theme === 'night' ? 'Night studio' : 'Paper'}
        </span>
      </button>
    </header>
  );
}

function IconLink({ href, label, here, children }: { href: Route; label: string; here: boolean; children: ReactNode }) {
  return (
    <Link
      href={href}
      aria-label={label}
      title={label}
      aria-current={here ? 'page' : undefined}
      className="btn btn-square border-0 btn-ghost btn-sm"
    >
      {children}
    </Link>
  );
}
