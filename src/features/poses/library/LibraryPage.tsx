'use client';
import { useMemo, useState } from 'react';
import { toastProblem } from '@/ui/toast/toast';
import { effectiveFacts } from '@/core/references/effectiveFacts';
import { queryWords } from '@/core/references/facets';
import { isSettled } from '@/core/references/facts';
import { LATER_ID, LIBRARY_ID, type PictureSet, SET_CAP } from '@/core/references/picture';
import { counted, listWords } from '@/core/words';
import { alterSet } from '@/storage/pictures/history';
import { storageProblem } from '@/storage/problems';
import { needsReading } from '@/core/body/pictureReading';
import { Notice } from '@/ui/Notice';
import { FigureGrid } from '../FigureCell';
import { PickFor, type PickTarget } from '../pick/PickFor';
import { AddPictures } from './AddPictures';
import { Alike } from './Alike';
import { EmptyPlace } from './EmptyPlace';
import { FacetPanel } from './FacetPanel';
import { IntakeBar, UnpackingBar } from './IntakeBar';
import { LeftOut } from './LeftOut';
import { FolderNotice, LibraryHeader } from './LibraryHeader';
import { LibraryToolbar } from './LibraryToolbar';
import { PictureGrid } from './PictureGrid';
import { ReadingBar } from './ReadingBar';
import { SelectionBar } from './SelectionBar';
import { SortTray } from './SortTray';
import { StorageUse } from './StorageUse';
import { useAlike } from './useAlike';
import { useDropAndPaste } from './useDropAndPaste';
import { useIntake } from './useIntake';
import { useLibraryActions } from './useLibraryActions';
import { type LibraryView, useLibraryView } from './useLibraryView';
import { linkFolder, useLinkedFolder } from './useLinkedFolder';
import { useSelection } from './useSelection';
import { useUndoKeys } from './useUndoKeys';

/** Never drawn ones named in a set that has grown too large. */
const NAMED = 10;

/** The learner's own pictures: all of them, a set of them or the later shelf. */
export function LibraryPage({
  placeId,
  set,
  sets,
  onPractice,
  onPutAway,
  onShow,
}: {
  placeId: string;
  set: PictureSet | undefined;
  sets: readonly PictureSet[];
  onPractice: () => void;
  onPutAway: () => void;
  onShow: (placeId: string) => void;
}) {
  const view = useLibraryView(placeId, set);
  const { all, here, found, query } = view;
  const intake = useIntake(placeId);
  const folder = useLinkedFolder(set, intake.kick);
  const hovering = useDropAndPaste(intake.give);
  const selection = useSelection(found);
  const actions = useLibraryActions();
  const alike = useAlike(placeId === LIBRARY_ID ? all : here);
  const [tray, setTray] = useState<'alike' | 'sort'>();
  const [facetsShown, setFacetsShown] = useState(false);
  const [target, setTarget] = useState<PickTarget>();
  useUndoKeys();

  const name = set?.name ?? (placeId === LATER_ID ? 'the later shelf' : 'all your pictures');
  const unread = here.filter(needsReading).length;
  const unsorted = useMemo(() => here.filter((p) => !needsReading(p) && !isSettled(effectiveFacts(p))), [here]);
  const chosen = found.filter((p) => selection.chosen.has(p.id));
  const pins = useMemo(() => new Set(set?.pins), [set]);
  const { toggle } = selection;
  const cellActions = useMemo(() => ({ toggle }), [toggle]);
  const figures = set?.figures ?? [];
  const byHand = set && !set.rule && !set.folderId ? set : undefined;
  const fail = (error: unknown): void => {
    toastProblem(storageProblem(error));
  };
  const link = (): void => {
    linkFolder(Date.now()).then((id) => id && onShow(id), fail);
  };
  const saveRule = (): void => {
    const rule: PictureSet = {
      id: crypto.randomUUID(),
      name: queryWords(query) || 'Search',
      createdAtMs: Date.now(),
      binnedAtMs: null,
      rule: query,
    };
    alterSet('Set made', rule, Date.now()).then(() => onShow(rule.id), fail);
  };
  const pickAll = (): void =>
    setTarget({
      name,
      placeId,
      pins: set?.pins ?? [],
      ...(!view.isAll && { only: found.map((p) => p.id), order: 'gentle to hard' as const }),
    });
  const move = (index: number, by: -1 | 1): void => {
    if (!byHand || index + by < 0 || index + by >= found.length) return;
    const ids = found.map((p) => p.id);
    [ids[index], ids[index + by]] = [ids[index + by], ids[index]];
    actions.order(byHand, ids);
  };
  const reorderable = byHand && view.isAll && query.sort === 'in your order';

  return (
    <section aria-label={set?.name ?? name} className="relative">
      <LibraryHeader
        placeId={placeId}
        set={set}
        count={here.length + figures.length}
        give={intake.give}
        onPick={pickAll}
        onPractice={onPractice}
        onPutAway={onPutAway}
        onLink={link}
      />
      {view.problem && <Notice>{view.problem}</Notice>}
      <FolderNotice state={folder.state} told={folder.told} onOpen={folder.open} />
      {intake.unpacking && <UnpackingBar unpacking={intake.unpacking} />}
      {intake.batches.map((batch) => (
        <IntakeBar key={batch.id} batch={batch} onGoOn={intake.kick} />
      ))}
      <div className="mb-2 flex flex-wrap items-center gap-x-6 gap-y-1">
        <ReadingBar unread={unread} intake={intake} />
        <Offers
          view={view}
          set={set}
          alike={alike.length}
          unsorted={unsorted.length}
          onAlike={() => setTray('alike')}
          onSort={() => setTray('sort')}
        />
      </div>
      {tray === 'alike' && <Alike groups={alike} actions={actions} onClose={() => setTray(undefined)} />}
      {tray === 'sort' && <SortTray pictures={unsorted} actions={actions} onClose={() => setTray(undefined)} />}
      {all && here.length + figures.length === 0 && intake.batches.every((b) => b.state !== 'running') && (
        <EmptyPlace
          placeId={placeId}
          set={set}
          hasLibrary={all.length > 0}
          onLibrary={() => onShow(LIBRARY_ID)}
          add={<AddPictures give={intake.give} onLink={link} />}
        />
      )}
      {figures.length > 0 && (
        <div className="mb-5">
          <FigureGrid label="Figures" figures={figures} />
        </div>
      )}
      {!all && <div className="h-[320px] skeleton" aria-label="Fetching your pictures" />}
      {here.length > 0 && (
        <div className="grid gap-x-7 lg:grid-cols-[212px_minmax(0,1fr)]">
          <div
            className={`lg:sticky lg:top-3 lg:block lg:max-h-[calc(100dvh-24px)] lg:self-start lg:overflow-y-auto lg:pr-1 ${facetsShown ? 'max-lg:mb-4' : 'max-lg:hidden'}`}
          >
            <FacetPanel facets={view.facets} query={query} onChange={view.setQuery} />
            <LeftOut here={view.here} found={found} />
          </div>
          <div className="min-w-0">
            <LibraryToolbar
              view={view}
              ownOrder={set !== undefined}
              onSaveRule={placeId === LIBRARY_ID ? saveRule : undefined}
              onFacets={() => setFacetsShown(!facetsShown)}
              facetsShown={facetsShown}
            />
            {found.length === 0 ? (
              <p className="py-10 text-center text-quiet">No picture is like that. Take a tick away, or show all.</p>
            ) : (
              <PictureGrid
                pictures={found}
                chosen={selection.chosen}
                pins={pins}
                placeId={placeId}
                board={view.view === 'board'}
                tilePx={view.tilePx}
                actions={cellActions}
                onMove={reorderable ? move : undefined}
              />
            )}
            {chosen.length > 0 && (
              <SelectionBar
                pictures={chosen}
                sets={sets.filter((s) => !s.rule && !s.folderId)}
                set={byHand}
                actions={actions}
                onMove={reorderable ? (by) => move(found.indexOf(chosen[0]), by) : undefined}
                onAll={selection.all}
                onClear={selection.clear}
                onDraw={() =>
                  setTarget({ name: 'what you chose', placeId, only: chosen.map((p) => p.id), byHand: true })
                }
              />
            )}
          </div>
        </div>
      )}
      {all && all.length > 0 && <StorageUse changes={all.length} />}
      {hovering && (
        <div className="pointer-events-none fixed inset-4 z-30 grid place-items-center border-2 border-dashed border-ink bg-ground/90 font-serif text-[30px]">
          Let go to add to {set ? `“${set.name}”` : 'your pictures'}
        </div>
      )}
      {target && <PickFor target={target} onClose={() => setTarget(undefined)} />}
    </section>
  );
}

/** What the program noticed about the pictures here, each with what to do about it. */
function Offers({
  view: { here, timesDrawn },
  set,
  alike,
  unsorted,
  onAlike,
  onSort,
}: {
  view: LibraryView;
  set: PictureSet | undefined;
  alike: number;
  unsorted: number;
  onAlike: () => void;
  onSort: () => void;
}) {
  const neverDrawn = here.filter((p) => !timesDrawn.has(p.id));
  const line = (words: string, action: string, onAct: () => void) => (
    <li className="flex flex-wrap items-center gap-2">
      <span>{words}</span>
      <button type="button" className="btn-quiet btn btn-xs max-sm:h-11" onClick={onAct}>
        {action}
      </button>
    </li>
  );
  return (
    <ul className="flex flex-wrap gap-x-6 gap-y-1 text-[14px]">
      {alike > 0 && line(`${counted(alike, 'group')} of pictures look alike.`, 'Look at them', onAlike)}
      {unsorted > 0 && line(`In ${counted(unsorted, 'picture')} no person was found.`, 'Say what they show', onSort)}
      {set && here.length > SET_CAP && (
        <li>
          {counted(here.length, 'picture')} are more than one gets to know; {SET_CAP} are plenty for a set. Nothing is
          taken away.{' '}
          {neverDrawn.length > 0 &&
            `Never drawn: ${listWords(neverDrawn.slice(0, NAMED).map((p) => p.name))}${neverDrawn.length > NAMED ? ` and ${String(neverDrawn.length - NAMED)} more` : ''}.`}
        </li>
      )}
    </ul>
  );
}
