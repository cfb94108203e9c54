'use client';
import { Plus, Undo2 } from 'lucide-react';
import { useSearchParams, useRouter } from 'next/navigation';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { findingsOf } from '@/core/group/findings';
import { freshGroup, type Group, groupSchema, type Member, MOST_MEMBERS, nextDraft } from '@/core/group/group';
import { heightsOf } from '@/core/group/heights';
import { placeMember, type Placed, sheetMm } from '@/core/group/placeMembers';
import { simplified } from '@/core/hand/lines';
import { afterDoing, afterUndoing, goesOn, NO_STEPS, NOTHING_DONE, type Steps } from '@/core/undo';
import { counted } from '@/core/words';
import { listGroups, removeGroup, saveGroup } from '@/storage/groups';
import { useStored } from '@/storage/hooks/useStored';
import { useWriting } from '@/storage/hooks/useWriting';
import { storageProblem } from '@/storage/problems';
import { allPages } from '@/storage/sessions/pages';
import { knownFacts } from '@/core/figure/catalogue/catalogue';
import { Notice } from '@/ui/Notice';
import { usePageKeys } from '@/ui/input/usePageKeys';
import { toast, toastProblem } from '@/ui/toast/toast';
import { AddMember } from './AddMember';
import { Drafts } from './Drafts';
import { GroupSettings } from './GroupSettings';
import { takeGroupOut } from './takeGroupOut';
import { GroupSheet, pathOfRings } from './GroupSheet';
import { MemberRows } from './MemberRows';
import { WhatBecomes } from './WhatBecomes';
import { WhatWasFound } from './WhatWasFound';
import { DrawingMember, type MemberPicture, ReferenceMember } from './MemberPictures';

const MOST_STEPS = 60;
/** What is slid changes many times in one go. */
const GRADUAL = ['eyeLevel', 'eyeCm'] as const;
const gradual = (from: Group, next: Group): string | undefined => GRADUAL.find((field) => from[field] !== next[field]);
/** Outlines for looking at many drafts are this coarse, thousandths of the sheet's height. */
const COARSE = 2;

/** Several figures on one sheet: drafts, and the one that is worked on. */
export function GroupPage() {
  const wanted = useSearchParams().get('id');
  const router = useRouter();
  const groups = useStored(listGroups, ['groups'], []);
  const pages = useStored(allPages, ['pages'], []);
  const open = groups.value?.find(({ id }) => id === wanted);
  const show = (id: string): void => router.replace(`/poses/group?id=${id}`);
  const begin = (group: Group): void => {
    saveGroup(group).then(
      () => show(group.id),
      (error: unknown) => toastProblem(storageProblem(error)),
    );
  };
  if (groups.problem) return <Notice>{groups.problem}</Notice>;
  if (!groups.value || !pages.value) return <div className="mt-4 h-[60dvh] skeleton" />;
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-6 gap-y-2">
        <h1 className="text-[26px] leading-tight">Several figures</h1>
        <button
          type="button"
          className="btn-quiet btn min-h-11"
          onClick={() => begin(freshGroup(crypto.randomUUID(), Date.now()))}
        >
          <Plus size={16} aria-hidden /> New draft
        </button>
      </div>
      {open ? (
        <Draft key={open.id} start={open} all={groups.value} pages={pages.value} onBegin={begin} />
      ) : (
        <p className="mt-4 max-w-[60ch]">
          {groups.value.length === 0
            ? 'Put drawings, figures and pictures on one sheet, under one eye level and one light. What covers a joint, repeats a neighbor or leaves a hole is found and told. Begin with a draft; many drafts, few shown.'
            : 'Choose a draft below, or begin a new one.'}
        </p>
      )}
      <Drafts groups={groups.value} openId={open?.id} onOpen={show} />
    </>
  );
}

function Draft({
  start,
  all,
  pages,
  onBegin,
}: {
  start: Group;
  all: readonly Group[];
  pages: Awaited<ReturnType<typeof allPages>>;
  onBegin: (group: Group) => void;
}) {
  const [group, setGroup] = useState(start);
  // What was written comes back as a record of its own: only what is done here is written.
  const [first] = useState(start);
  const [steps, setSteps] = useState<Steps<Group>>(NO_STEPS);
  const last = useRef(NOTHING_DONE);
  const [chosen, setChosen] = useState<string>();
  const [adding, setAdding] = useState(false);
  const [pictures, setPictures] = useState<ReadonlyMap<string, MemberPicture>>(new Map());
  /** As it was before a member was taken hold of. */
  const held = useRef<Group>(undefined);
  const onKnown = useCallback(
    (id: string, picture: MemberPicture): void => setPictures((before) => new Map([...before, [id, picture]])),
    [],
  );
  const placed = useMemo(
    () =>
      group.members.flatMap((member): Placed[] => {
        const shape = pictures.get(member.id)?.shape;
        return shape ? [placeMember(group, member, shape)] : [];
      }),
    [group, pictures],
  );
  const findings = useMemo(
    () =>
      findingsOf(group, placed, new Map([...pictures].map(([id, { light }]) => [id, turnedLight(light, group, id)]))),
    [group, placed, pictures],
  );
  const awaited = group.members.filter(
    ({ id, source }) =>
      pictures.get(id)?.shape === undefined &&
      (source.kind === 'reference' || pages.some((page) => page.id === source.pageId)),
  ).length;
  const heights = heightsOf(placed);
  const { heightMm } = sheetMm(group);

  // What stands is kept soon after it was changed, with its outlines as they are.
  const removed = useRef(false);
  const keep = useWriting(group.id, (changed: Group) => {
    if (removed.current) return;
    const k = 1000 / heightMm;
    const seen = pathOfRings(
      placed.toReversed().flatMap(({ rings }) =>
        rings.map((ring) =>
          simplified(
            ring.map(([x, y]) => [x * k, y * k]),
            COARSE,
          ),
        ),
      ),
    );
    saveGroup({ ...changed, changedAtMs: Date.now(), ...(seen.length < 60_000 && { seen }) }).catch((error: unknown) =>
      toastProblem(storageProblem(error)),
    );
  });
  useEffect(() => {
    // Once more when the outlines of a changed group come.
    if (group !== first) keep(group);
  }, [group, first, placed, keep]);

  const change = (next: Group, from: Group = group): void => {
    const now = { what: gradual(from, next), atMs: performance.now() };
    const same = goesOn(last.current, now);
    last.current = now;
    if (!same || steps.past.length === 0) setSteps(afterDoing(steps, from, MOST_STEPS));
    setGroup(groupSchema.parse(next));
  };
  const undo = (): void => {
    const before = steps.past.at(-1);
    if (!before) return;
    last.current = NOTHING_DONE;
    setGroup(before);
    setSteps(afterUndoing(steps));
  };
  usePageKeys((key) => {
    if (key !== 'undo' || steps.past.length === 0) return false;
    undo();
    return true;
  });
  const nameOf = (id: string): string => {
    const { source } = group.members.find((m) => m.id === id) ?? {};
    if (!source || source.kind === 'drawing') return 'your drawing';
    return knownFacts(source.referenceId)?.name.toLowerCase() ?? 'your picture';
  };
  const number = (id: string): number => group.members.findIndex((m) => m.id === id) + 1;
  const label = (id: string): string => `${String(number(id))}, ${nameOf(id)}: arrows move it`;
  return (
    <div className="mt-4 grid grid-cols-[minmax(0,1fr)] gap-x-8 gap-y-5 lg:grid-cols-[minmax(0,1fr)_380px]">
      {group.members.map((member) => {
        if (member.source.kind === 'reference')
          return (
            <ReferenceMember key={member.id} id={member.id} referenceId={member.source.referenceId} onKnown={onKnown} />
          );
        const { pageId, drawing } = member.source;
        const page = pages.find(({ id }) => id === pageId);
        return page ? (
          <DrawingMember key={member.id} id={member.id} page={page} drawing={drawing} onKnown={onKnown} />
        ) : null;
      })}
      <div>
        <GroupSheet
          group={group}
          placed={placed}
          pictures={pictures}
          findings={findings}
          chosen={chosen}
          onChoose={setChosen}
          label={label}
          onMove={(id, to, done) => {
            held.current ??= group;
            const next = { ...group, members: group.members.map((m) => (m.id === id ? { ...m, ...to } : m)) };
            if (!done) {
              setGroup(next);
              return;
            }
            change(next, held.current);
            held.current = undefined;
          }}
        />
        {awaited > 0 && (
          <p role="status" className="mt-3 flex items-center gap-2">
            <span aria-hidden className="loading loading-sm loading-spinner" />
            Drawing {counted(awaited, 'figure')}…
          </p>
        )}
        {group.members.length === 0 && (
          <p className="mt-3 text-quiet">
            An empty sheet. Add the one in front first; whoever comes after stands behind.
          </p>
        )}
        <div className="mt-3 flex flex-wrap items-center gap-3">
          <button
            type="button"
            className="btn min-h-11"
            disabled={group.members.length >= MOST_MEMBERS}
            onClick={() => setAdding(true)}
          >
            <Plus size={16} aria-hidden /> Add a figure
          </button>
          <button type="button" className="btn-quiet btn min-h-11" disabled={steps.past.length === 0} onClick={undo}>
            <Undo2 size={16} aria-hidden /> Undo
          </button>
          <GroupSettings group={group} onChange={change} />
        </div>
      </div>
      <div className="min-w-0">
        <label className="flex items-center gap-2">
          <span className="text-quiet">Named</span>
          <input
            className="input w-full"
            maxLength={80}
            value={group.name}
            placeholder={counted(group.members.length, 'figure')}
            onChange={(event) => setGroup({ ...group, name: event.target.value })}
          />
        </label>
        <MemberRows
          group={group}
          heights={heights}
          chosen={chosen}
          onChoose={setChosen}
          nameOf={nameOf}
          label={label}
          onChange={change}
        />
        {placed.length > 1 && <WhatWasFound findings={findings} />}
        <WhatBecomes
          group={group}
          all={all}
          onChange={change}
          onAnother={() => onBegin(nextDraft(group, crypto.randomUUID(), Date.now()))}
          onRemove={() => {
            removed.current = true;
            removeGroup(group.id).then(
              () => toast('The draft is gone.', { action: { label: 'Put back', onClick: () => onBegin(group) } }),
              (error: unknown) => toastProblem(storageProblem(error)),
            );
          }}
          onTakeOut={placed.length > 0 ? (purpose) => takeGroupOut(purpose, group, placed, pictures, pages) : undefined}
        />
      </div>
      {adding && (
        <AddMember
          pages={pages}
          onClose={() => setAdding(false)}
          onAdd={(source) => {
            setAdding(false);
            change({ ...group, members: [...group.members, newMember(source, group)] });
          }}
        />
      )}
    </div>
  );
}

/** Whoever comes after stands a little behind, to the other side. */
function newMember(source: Member['source'], { members, eyeLevel }: Group): Member {
  const n = members.length;
  const foot = Math.max(eyeLevel + 0.12, 0.94 - 0.07 * n);
  const x = [0.5, 0.26, 0.74, 0.38, 0.62, 0.14, 0.86][n % 7];
  return { id: crypto.randomUUID(), source, x, foot, standsCm: 170 };
}

/** A member that is mirrored has its light mirrored with it. */
function turnedLight(light: MemberPicture['light'], { members }: Group, id: string): MemberPicture['light'] {
  if (!light || !members.find((m) => m.id === id)?.mirrored) return light;
  return light === 'left' ? 'right' : 'left';
}
