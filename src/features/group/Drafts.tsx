'use client';
import { useState } from 'react';
import { fullDate } from '@/core/dateWords';
import type { Group } from '@/core/group/group';
import { sheetMm } from '@/core/group/placeMembers';
import { counted } from '@/core/words';

/** All drafts, small: many of them, few shown. */
export function Drafts({
  groups,
  openId,
  onOpen,
}: {
  groups: readonly Group[];
  openId: string | undefined;
  onOpen: (id: string) => void;
}) {
  const [few, setFew] = useState(false);
  if (groups.length === 0) return null;
  const shown = groups.filter((group) => group.shown);
  const seen = few ? shown : groups;
  return (
    <section aria-label="Drafts" className="mt-8 border-t border-hairline pt-4">
      <div className="flex flex-wrap items-baseline gap-4">
        <h2 className="text-[20px]">{few ? `${String(shown.length)} to show` : counted(groups.length, 'draft')}</h2>
        {shown.length > 0 && (
          <button type="button" className="btn-quiet btn min-h-11" aria-pressed={few} onClick={() => setFew(!few)}>
            {few ? 'All drafts' : 'Only those to show'}
          </button>
        )}
      </div>
      <ul className="mt-3 flex flex-wrap gap-4">
        {seen.map((group) => {
          const { widthMm, heightMm } = sheetMm(group);
          const tall = few ? 260 : 120;
          return (
            <li key={group.id}>
              <button
                type="button"
                aria-current={group.id === openId ? 'true' : undefined}
                aria-label={`Draft of ${fullDate(new Date(group.changedAtMs))}, ${group.name || counted(group.members.length, 'figure')}`}
                className={`grid gap-1 border p-1 text-left ${group.id === openId ? 'border-ink' : 'border-hairline'}`}
                onClick={() => onOpen(group.id)}
              >
                <svg
                  viewBox={`0 0 ${String((1000 * widthMm) / heightMm)} 1000`}
                  width={(tall * widthMm) / heightMm}
                  height={tall}
                  className="bg-[#fbf8f1]"
                  aria-hidden
                >
                  <path
                    d={`M0 ${String(group.eyeLevel * 1000)}H5000`}
                    stroke="#41607a"
                    strokeWidth={3}
                    strokeDasharray="20 14"
                  />
                  {(group.seen ?? '')
                    .split('Z')
                    .map(
                      (ring, i) =>
                        ring && <path key={i} d={`${ring}Z`} fill="#d9cdb8" stroke="#3b342d" strokeWidth={5} />,
                    )}
                </svg>
                <span className="max-w-[180px] text-[13px]">
                  {group.name || counted(group.members.length, 'figure')}
                  {group.shown && ', to show'}
                </span>
              </button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
