import { leftOut } from '@/core/references/leftOut';
import type { Picture } from '@/core/references/picture';
import { counted } from '@/core/words';

/** More names than this nobody reads. */
const MOST = 40;

/** What the filters leave out, named on request. */
export function LeftOut({ here, found }: { here: readonly Picture[]; found: readonly Picture[] }) {
  const { names, more } = leftOut(here, found, MOST);
  if (names.length === 0) return null;
  return (
    <details className="mt-3 text-[14px]">
      <summary className="min-h-11 cursor-pointer content-center text-quiet">
        {counted(names.length + more, 'picture')} left out
      </summary>
      <ul aria-label="Pictures left out" className="max-h-[200px] overflow-y-auto">
        {names.map((name, i) => (
          <li key={i} className="wrap-anywhere">
            {name}
          </li>
        ))}
        {more > 0 && <li className="text-quiet">and {more} more</li>}
      </ul>
    </details>
  );
}
