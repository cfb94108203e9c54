import type { Route } from 'next';
import { Link } from '@/ui/Link';
import { catalogued } from '@/core/figure/catalogue/catalogue';
import { useReferenceThumbnail } from '@/storage/hooks/useThumbnail';

const facingWords = {
  left: 'faces left',
  right: 'faces right',
  'toward you': 'faces you',
  away: 'faces away',
} as const;

export interface FigureCellProps {
  id: string;
  name: string;
  viewName?: string | undefined;
  facing?: keyof typeof facingWords | undefined;
}

const figureHref = (id: string): Route => `/poses/figure?id=${encodeURIComponent(id)}`;

/** A figure in a grid: its cut-out, its name and view; opens its page. */
function FigureCell({ id, name, viewName, facing }: FigureCellProps) {
  const url = useReferenceThumbnail(id);
  const [width, height] = catalogued(id)?.small ?? [];
  return (
    <li>
      <Link href={figureHref(id)} className="group block w-full text-left">
        <span className="grid h-[190px] place-items-end justify-center overflow-hidden bg-plate p-3 outline-1 outline-transparent group-hover:outline-ink">
          {url && (
            <img
              src={url}
              alt=""
              width={width}
              height={height}
              loading="lazy"
              className="h-auto max-h-[165px] w-auto max-w-full"
            />
          )}
        </span>
        <span className="mt-1 block leading-tight font-semibold">{name}</span>
        <span className="text-[13px] text-quiet">
          {viewName}
          {viewName && facing && viewName !== 'front' && viewName !== 'back' ? `, ${facingWords[facing]}` : ''}
        </span>
      </Link>
    </li>
  );
}

export function FigureGrid({ figures, label }: { figures: readonly FigureCellProps[]; label: string }) {
  return (
    <ul aria-label={label} className="grid grid-cols-[repeat(auto-fill,minmax(150px,1fr))] gap-4">
      {figures.map((figure) => (
        <FigureCell key={figure.id} {...figure} />
      ))}
    </ul>
  );
}
