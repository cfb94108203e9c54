import { Mark } from './Mark';
import { PLACES } from './places';

/**
 * The places at the top of a page that failed or does not exist. Every page carries these pages along, so there is nothing to it, and
 * its links load the page anew: whatever was wrong is left behind.
 */
export const PlainBar = () => (
  <header className="mx-4 flex min-h-[52px] items-center gap-x-2 border-b border-hairline max-sm:flex-wrap sm:mx-10 sm:gap-x-6">
    <a href={PLACES[0].href} className="flex items-center gap-2 font-serif text-[19px] font-[650]">
      <Mark />
      Fox Minute
    </a>
    <nav aria-label="Places" className="max-sm:w-full">
      <ul className="flex gap-1 sm:gap-3">
        {PLACES.map(({ href, label }) => (
          <li key={href}>
            <a href={href} className="block px-2 py-3 text-quiet hover:text-ink">
              {label}
            </a>
          </li>
        ))}
      </ul>
    </nav>
  </header>
);
