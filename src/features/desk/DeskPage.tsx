'use client';
import { ArrowLeft } from 'lucide-react';
import { Link } from '@/ui/Link';
import { useSearchParams } from 'next/navigation';
import { keysLeft, type Sheet } from '@/core/desk/sheet';
import { posesDrawn } from '@/core/journal/drawings';
import { judgingShut } from '@/core/journal/reflect';
import type { Page, Session } from '@/core/journal/session';
import { imageKey, loadImage } from '@/storage/images';
import { listPages } from '@/storage/sessions/pages';
import { loadSession } from '@/storage/sessions/sessions';
import { useObjectUrl } from '@/storage/hooks/useObjectUrl';
import { useStored } from '@/storage/hooks/useStored';
import { Notice } from '@/ui/Notice';
import { useNow } from '@/ui/useNow';
import { BelongsTo } from './BelongsTo';
import { SheetOnDesk } from './SheetOnDesk';

interface Lying {
  page: Page;
  /** All pages of its session. */
  pages: readonly Page[];
  session: Session | undefined;
}

async function load(pageId: string, sessionId: string): Promise<Lying | null> {
  const [pages, session] = await Promise.all([listPages(sessionId), loadSession(sessionId)]);
  const page = pages.find(({ id }) => id === pageId);
  return page ? { page, pages, session } : null;
}

/** The place where a photographed sheet is straightened, cut into its drawings, and looked at. */
export function DeskPage() {
  const search = useSearchParams();
  const pageId = search.get('page') ?? '';
  const sessionId = search.get('session') ?? '';
  const lying = useStored(() => load(pageId, sessionId), ['pages', 'sessions'], [pageId, sessionId]);
  const photo = useObjectUrl(lying.value ? imageKey('page', pageId) : undefined, loadImage);
  const nowMs = useNow(60_000);
  if (lying.problem) return <Notice>{lying.problem}</Notice>;
  if (lying.value === undefined || (lying.value && photo === undefined))
    return <div className="mt-4 h-[70dvh] skeleton" />;
  if (!lying.value || !photo)
    return (
      <div className="max-w-[60ch] py-8">
        <Notice tone="plain">
          There is no page at this address any more.{' '}
          <Link href="/journal" className="link-quiet">
            To the journal
          </Link>
          .
        </Notice>
      </div>
    );
  const { page, pages, session } = lying.value;
  const number = pages.indexOf(page) + 1;
  const drawn = session ? posesDrawn(session) : [];
  const others = pages.filter((p) => p !== page).map((p): Sheet | undefined => p.sheet);
  return (
    <div>
      <Link href="/journal" className="mb-2 inline-flex items-center gap-1 py-1 text-quiet hover:text-ink">
        <ArrowLeft size={15} aria-hidden /> Back to the journal
      </Link>
      <div className="flex flex-wrap items-baseline gap-x-8 gap-y-1">
        <h1 className="text-[26px] leading-tight">
          {pages.length > 1 ? `Page ${String(number)} of ${String(pages.length)}` : 'The page'} on the desk
        </h1>
        <BelongsTo page={page} />
      </div>
      <SheetOnDesk
        key={`${page.id} ${page.sessionId}`}
        page={page}
        photo={photo}
        drawn={drawn}
        left={keysLeft(
          drawn.map(({ drawing }) => drawing),
          others,
        )}
        shut={session !== undefined && judgingShut(session, nowMs)}
      />
    </div>
  );
}
