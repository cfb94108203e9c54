'use client';
import { ArrowDown, ArrowUp, FlipHorizontal2, Trash2 } from 'lucide-react';
import { type Group, type Member, reordered } from '@/core/group/group';
import type { HeightOnSheet } from '@/core/group/heights';

/** Whoever is made a giant is so many times as large at first. */
const GIANT = 1.6;

/** Who stands in a group, from the front to the back: order, height, side. */
export function MemberRows({
  group,
  heights,
  chosen,
  onChoose,
  nameOf,
  label,
  onChange,
}: {
  group: Group;
  heights: readonly HeightOnSheet[];
  chosen: string | undefined;
  onChoose: (id: string) => void;
  nameOf: (id: string) => string;
  label: (id: string) => string;
  onChange: (group: Group) => void;
}) {
  const changeMember = (id: string, some: Partial<Member>): void =>
    onChange({ ...group, members: group.members.map((m) => (m.id === id ? { ...m, ...some } : m)) });
  return (
    <>
      <h2 className="mt-4 text-[18px]">From the front to the back</h2>
      <ol className="mt-1">
        {group.members.map((member, i) => {
          const height = heights.find(({ id }) => id === member.id);
          return (
            <li
              key={member.id}
              className={`border-b border-hairline py-2 ${chosen === member.id ? 'bg-sheet' : ''}`}
              onFocus={() => onChoose(member.id)}
            >
              <div className="flex items-baseline gap-2">
                <b className="tabular-nums">{i + 1}</b>
                <span className="min-w-0 flex-1">{nameOf(member.id)}</span>
                {height && (
                  <span className="text-quiet tabular-nums">
                    {height.cm.toFixed(1)} cm, {Math.round(height.ofFront * 100)} %
                  </span>
                )}
              </div>
              <div className="mt-1 flex flex-wrap items-center gap-1">
                <button
                  type="button"
                  className="btn-quiet btn min-h-11 btn-sm"
                  disabled={i === 0}
                  aria-label={`${label(member.id)}, one step to the front`}
                  onClick={() => onChange({ ...group, members: reordered(group.members, member.id, -1) })}
                >
                  <ArrowUp size={16} aria-hidden /> Front
                </button>
                <button
                  type="button"
                  className="btn-quiet btn min-h-11 btn-sm"
                  disabled={i === group.members.length - 1}
                  aria-label={`${label(member.id)}, one step to the back`}
                  onClick={() => onChange({ ...group, members: reordered(group.members, member.id, 1) })}
                >
                  <ArrowDown size={16} aria-hidden /> Back
                </button>
                <button
                  type="button"
                  className="btn-quiet btn min-h-11 btn-sm"
                  aria-pressed={member.mirrored === true}
                  aria-label={`Mirror ${String(i + 1)}`}
                  onClick={() => changeMember(member.id, { mirrored: member.mirrored ? undefined : true })}
                >
                  <FlipHorizontal2 size={16} aria-hidden />
                </button>
                <label className="flex items-center gap-1">
                  <span className="sr-only">Stands upright, cm, number {i + 1}</span>
                  <input
                    type="number"
                    className="input min-h-11 w-20 input-sm"
                    min={30}
                    max={400}
                    value={member.standsCm}
                    onChange={(event) =>
                      event.target.valueAsNumber >= 30 &&
                      changeMember(member.id, { standsCm: Math.min(400, event.target.valueAsNumber) })
                    }
                  />
                  <span className="text-[14px] text-quiet">cm tall</span>
                </label>
                <label className="flex min-h-11 items-center gap-1">
                  <input
                    type="checkbox"
                    className="checkbox checkbox-sm"
                    checked={member.giant !== undefined}
                    onChange={(event) => changeMember(member.id, { giant: event.target.checked ? GIANT : undefined })}
                  />
                  <span className="text-[14px]">a giant</span>
                </label>
                {member.giant !== undefined && (
                  <input
                    type="number"
                    className="input min-h-11 w-16 input-sm"
                    aria-label={`Times as large, number ${String(i + 1)}`}
                    min={0.2}
                    max={6}
                    step={0.1}
                    value={member.giant}
                    onChange={(event) =>
                      event.target.valueAsNumber >= 0.2 &&
                      changeMember(member.id, { giant: Math.min(6, event.target.valueAsNumber) })
                    }
                  />
                )}
                <button
                  type="button"
                  className="btn-quiet btn min-h-11 btn-sm"
                  aria-label={`Take ${String(i + 1)} off`}
                  onClick={() => onChange({ ...group, members: group.members.filter((m) => m.id !== member.id) })}
                >
                  <Trash2 size={16} aria-hidden />
                </button>
              </div>
            </li>
          );
        })}
      </ol>
    </>
  );
}
