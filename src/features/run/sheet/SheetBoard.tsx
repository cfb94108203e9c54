'use client';
import {
  Eraser,
  FlipHorizontal2,
  Eye,
  type LucideIcon,
  Maximize2,
  Paintbrush,
  Pencil,
  PenLine,
  RotateCw,
  Undo2,
  Columns2,
  PenTool,
} from 'lucide-react';
import { useEffect, useEffectEvent, useMemo, useState } from 'react';
import { goesOn, type RunState } from '@/core/clock/run';
import { visitSpentMs } from '@/core/clock/account';
import type { Material } from '@/core/hand/ink';
import { mediumById } from '@/core/practice/paper/materials';
import { USUAL_SHEET } from '@/core/practice/paper/sheet';
import type { Exercise } from '@/core/practice/exercises/exercise';
import { countsPeeks } from '@/core/practice/exercises/exercise';
import type { Plan } from '@/core/practice/plan/schema';
import { mediumOf, poseExercise } from '@/core/practice/rules/poseExercise';
import { referenceOf } from '@/core/practice/rules/showsReference';
import { catalogued } from '@/core/figure/catalogue/catalogue';
import type { Segment } from '@/core/practice/time/timeline';
import { marksOf, type SheetTool } from '@/core/strokes/inkStroke';
import { sheetRule, type SheetRule } from '@/core/strokes/sheetRule';
import { isLying, isOnSheet, sheetNumber, sheetPlace, sheetSizeMm, strokesOnSheet } from '@/core/strokes/sheetOf';
import { strokesTold, toldSentences } from '@/core/strokes/told/told';
import { lineLength } from '@/core/hand/stroke';
import { counted } from '@/core/words';
import type { Room } from '@/storage/sessions/room';
import { Notice } from '@/ui/Notice';
import type { Run } from '../session/controller';
import { RunButton } from '../steer/RunButton';
import { InkSurface } from './InkSurface';
import { type NewStroke, useStrokes } from './useStrokes';

const MATERIAL_WORDS: Record<Material, { words: string; icon: LucideIcon }> = {
  graphite: { words: 'Pencil', icon: Pencil },
  charcoal: { words: 'Charcoal', icon: PenTool },
  ballpoint: { words: 'Ballpoint', icon: PenLine },
  brush: { words: 'Brush', icon: Paintbrush },
};

/** With one line, a touch shorter than this ends nothing, millimeters. */
const TOUCH_MM = 5;

/** What a sheet is drawn by where no exercise says: a page of lines. */
const PLAIN_RULE: SheetRule = {
  materials: ['graphite', 'charcoal', 'ballpoint', 'brush'],
  erases: false,
  seen: 'always',
  oneLine: false,
  most: undefined,
  otherHand: false,
};

/** A picture so much wider than high wants a sheet on its side. */
const WIDE = 1.25;
/** Whether a figure that ships is seen lying; of pictures one turns the sheet oneself. */
function isWide(referenceId: string | null): boolean {
  const small = referenceId === null ? undefined : catalogued(referenceId)?.small;
  return small !== undefined && small[0] > WIDE * small[1];
}

function ruleNow(plan: Plan, segment: Segment, exercise: Exercise | undefined): SheetRule {
  if (!exercise) return PLAIN_RULE;
  const medium = mediumOf(plan, segment);
  return sheetRule(exercise, medium === undefined ? undefined : mediumById(medium));
}

/** The sheet on the screen, its few tools, and what the rule of the exercise has to say about them. */
export function SheetBoard({
  sessionId,
  run,
  plan,
  segments,
  state,
  room,
  alone,
  onAlone,
}: {
  sessionId: string;
  run: Run;
  plan: Plan;
  segments: readonly Segment[];
  state: RunState;
  room: Room;
  /** The picture is in another window: the sheet has this one. */
  alone: boolean;
  onAlone: () => void;
}) {
  const strokes = useStrokes(sessionId);
  const at = Math.min(state.segmentIndex, segments.length - 1);
  const segment = segments[at];
  // The pen still works while the clock waits for a picture, so no stroke is lost.
  const place = goesOn(state) ? sheetPlace(plan, segments, state) : undefined;
  // Before a pose its new sheet lies there already.
  const ahead =
    segment.kind === 'leadIn' || segment.kind === 'look' ? segments.findIndex((s, i) => i > at && isOnSheet(s)) : at;
  const on = ahead === -1 ? at : ahead;
  const sheet = sheetNumber(plan, segments, on);
  const exercise = poseExercise(plan, segments[on]);
  const rule = ruleNow(plan, segments[on], exercise);
  const [wanted, setWanted] = useState<SheetTool>('graphite');
  /** Empty sheets that were turned by hand, and how they lie. */
  const [laidBy, setLaidBy] = useState<ReadonlyMap<number, boolean>>(new Map());
  const [peeking, setPeeking] = useState<number>();
  const [turned, setTurned] = useState({ mirrored: false, upsideDown: false });
  const drawing = isOnSheet(segment);
  const tool: SheetTool =
    wanted === 'eraser'
      ? rule.erases
        ? 'eraser'
        : rule.materials[0]
      : rule.materials.includes(wanted)
        ? wanted
        : rule.materials[0];
  const seen = strokes.all && strokesOnSheet(strokes.all, sheet, place);
  const mine = place ? (seen ?? []).filter((s) => s.drawing === place.drawing && s.tool !== 'eraser') : [];
  // A sheet with something on it stays as it lies; an empty one lies as its picture does, or as it was turned.
  const referenceId = referenceOf(plan, segments[on]);
  const lying = seen && seen.length > 0 ? isLying(seen) : (laidBy.get(sheet) ?? isWide(referenceId));
  const { widthMm, heightMm } = sheetSizeMm(plan, lying);
  const blind = drawing && rule.seen === 'afterward' && peeking === undefined;

  const onStroke = (stroke: NewStroke): void => {
    strokes.add({ ...stroke, ...(lying && { lying }) });
    if (stroke.tool === 'eraser') return;
    if (rule.most !== undefined) run.say({ type: 'marks', count: mine.length + 1 });
    const long = lineLength(stroke.points) >= TOUCH_MM;
    if (rule.oneLine && room.liftDoes === 'ends' && long && run.state().segmentIndex === at && segment.kind === 'draw')
      run.command('next');
  };
  const undo = (): void => {
    if (!rule.erases || !place) return;
    strokes.undo(place);
    if (rule.most !== undefined) run.say({ type: 'marks', count: Math.max(0, mine.length - 1) });
  };
  const onKey = useEffectEvent((key: string): boolean => {
    if (key === 'Backspace') undo();
    return key === 'Backspace' && rule.erases;
  });
  const onPeek = useEffectEvent((down: boolean): void => {
    if (drawing && exercise && countsPeeks(exercise)) setPeeking(down ? run.nowMs() : undefined);
  });
  useEffect(() => {
    const inField = (event: KeyboardEvent): boolean =>
      (event.target as HTMLElement).closest('input, textarea, select') !== null;
    const down = (event: KeyboardEvent): void => {
      if (inField(event) || event.ctrlKey || event.metaKey || event.altKey) return;
      // The session counts how long it is held; here it shows the sheet as long.
      if (event.key === 'i' && !event.repeat) onPeek(true);
      if (onKey(event.key)) event.preventDefault();
    };
    const up = (event: KeyboardEvent): void => {
      if (event.key === 'i') onPeek(false);
    };
    window.addEventListener('keydown', down);
    window.addEventListener('keyup', up);
    return () => {
      window.removeEventListener('keydown', down);
      window.removeEventListener('keyup', up);
    };
  }, []);
  const peekEnds = (): void => {
    if (peeking === undefined) return;
    run.say({ type: 'peek', forMs: run.nowMs() - peeking });
    setPeeking(undefined);
  };

  const told = useToldNow(strokes.all, plan, segments, state);
  const between = !drawing && segment.kind !== 'leadIn' && segment.kind !== 'look';
  const words = drawing ? sheetWords(rule, exercise, mine.length) : undefined;
  return (
    <section
      aria-label="Your sheet"
      className="flex size-full flex-col gap-2 p-8 max-sm:px-7 portrait:pt-2 portrait:pb-8"
    >
      <div className="relative min-h-0 flex-1">
        {strokes.all && (
          <InkSurface
            widthMm={widthMm}
            heightMm={heightMm}
            paper={plan.sheet?.paper ?? USUAL_SHEET.paper}
            strokes={() => strokesOnSheet(strokes.now(), sheet, place)}
            laidKey={`${String(sheet)} ${lying ? 'lying' : ''} ${place ? `${place.drawing} ${String(place.attempt)}` : ''} ${String(strokes.undone)}`}
            liveKey={`${state.phase} ${String(state.segmentIndex)} ${String(state.visits.length)}`}
            tool={tool}
            erases={rule.erases}
            veil={
              blind
                ? 'whole'
                : drawing && rule.seen === 'while the pen stands' && peeking === undefined
                  ? 'moving'
                  : 'none'
            }
            turned={between ? turned : { mirrored: false, upsideDown: false }}
            label={`Sheet ${String(sheet + 1)}: ${counted((seen ?? []).length, 'stroke')}${blind ? ', seen when the time is up' : ''}`}
            pxPerMm={room.pxPerMm}
            onBegin={() => {
              // Asked at this very moment: a state that was rendered may be over.
              const now = run.state();
              if (now.phase !== 'running') return undefined;
              const here = sheetPlace(plan, segments, now);
              if (here && rule.oneLine && now.segmentIndex === at && segment.kind === 'draw' && mine.length > 0)
                run.say({ type: 'lift' });
              return here;
            }}
            onStroke={onStroke}
          />
        )}
        {blind && (
          <p className="pointer-events-none absolute inset-x-0 bottom-3 text-center text-[15px] text-quiet">
            Your lines are there; they are seen when the time is up.
          </p>
        )}
      </div>
      {strokes.problem && <Notice>{strokes.problem}</Notice>}
      <div className="flex min-h-14 flex-wrap items-center justify-center gap-2">
        {!between && (
          <div role="group" aria-label="Drawn with" className="flex gap-1">
            {rule.materials.map((material) => {
              const { words: name, icon: Icon } = MATERIAL_WORDS[material];
              return (
                <RunButton
                  key={material}
                  className={`h-12 px-3 max-sm:min-w-0 ${tool === material ? 'border-2 border-ink bg-sheet' : 'btn-quiet'}`}
                  onPress={() => setWanted(material)}
                  pressed={tool === material}
                  label={name}
                >
                  <Icon size={18} aria-hidden /> <span className="max-lg:hidden">{name}</span>
                </RunButton>
              );
            })}
            {rule.erases && (
              <>
                <RunButton
                  className={`h-12 px-3 max-sm:min-w-0 ${tool === 'eraser' ? 'border-2 border-ink bg-sheet' : 'btn-quiet'}`}
                  onPress={() => setWanted('eraser')}
                  pressed={tool === 'eraser'}
                  label="Eraser"
                >
                  <Eraser size={18} aria-hidden />
                </RunButton>
                <RunButton
                  className="btn-quiet h-12 px-3 max-sm:min-w-0"
                  onPress={undo}
                  label="Take the last stroke back"
                >
                  <Undo2 size={18} aria-hidden />
                </RunButton>
              </>
            )}
          </div>
        )}
        {!between && (seen ?? []).length === 0 && (
          <RunButton
            className="btn-quiet h-12 px-3 max-sm:min-w-0"
            onPress={() => setLaidBy(new Map([...laidBy, [sheet, !lying]]))}
            label={lying ? 'The sheet upright' : 'The sheet on its side'}
          >
            <RotateCw size={18} aria-hidden />
          </RunButton>
        )}
        {drawing && exercise && countsPeeks(exercise) && (
          <button
            type="button"
            className="btn-quiet btn h-12 touch-none px-3"
            onPointerDown={(event) => {
              event.currentTarget.setPointerCapture(event.pointerId);
              setPeeking(run.nowMs());
            }}
            onPointerUp={peekEnds}
            onPointerCancel={peekEnds}
          >
            <Eye size={18} aria-hidden /> Look while held
          </button>
        )}
        {between && (seen ?? []).length > 0 && (
          <>
            <RunButton
              className={`btn-quiet h-12 px-3 ${turned.mirrored ? 'border-ink' : ''}`}
              onPress={() => setTurned({ ...turned, mirrored: !turned.mirrored })}
              pressed={turned.mirrored}
              label="The sheet in a mirror"
            >
              <FlipHorizontal2 size={18} aria-hidden /> Mirror
            </RunButton>
            <RunButton
              className={`btn-quiet h-12 px-3 ${turned.upsideDown ? 'border-ink' : ''}`}
              onPress={() => setTurned({ ...turned, upsideDown: !turned.upsideDown })}
              pressed={turned.upsideDown}
              label="The sheet upside down"
            >
              <RotateCw size={18} aria-hidden /> Upside down
            </RunButton>
          </>
        )}
        <RunButton
          className="btn-quiet h-12 border-transparent px-3 max-sm:hidden"
          onPress={onAlone}
          pressed={alone}
          label={alone ? 'The picture beside the sheet' : 'The sheet alone: the picture is in the second window'}
        >
          {alone ? <Columns2 size={18} aria-hidden /> : <Maximize2 size={18} aria-hidden />}
        </RunButton>
        {words && <p className="text-[15px] text-quiet tabular-nums">{words}</p>}
        {between && told && (
          <p role="status" className="w-full text-center font-serif text-[17px]">
            {told}
          </p>
        )}
      </div>
    </section>
  );
}

/** What there is to know of the sheet while it is drawn on. */
function sheetWords(rule: SheetRule, exercise: Exercise | undefined, made: number): string | undefined {
  if (rule.most !== undefined) {
    const over = made - rule.most;
    return over > 0
      ? `${String(rule.most)} of ${String(rule.most)} marks, ${String(over)} over`
      : `${String(made)} of ${String(rule.most)} marks`;
  }
  if (rule.seen === 'while the pen stands') return 'Your lines are seen while the pen stands still.';
  if (rule.seen === 'always' && exercise && !rule.erases && !rule.oneLine)
    return 'Nothing is rubbed out: say it again beside it.';
  return undefined;
}

/** One sentence about the drawing made last, once its time is up. */
function useToldNow(
  all: ReturnType<typeof useStrokes>['all'],
  plan: Plan,
  segments: readonly Segment[],
  state: RunState,
): string | undefined {
  const visit = state.visits.findLast((v) => segments[v.segmentIndex].kind === 'draw');
  const over = visit !== undefined && visit.ended !== undefined;
  return useMemo(() => {
    if (!over || !all) return undefined;
    const segment = segments[visit.segmentIndex];
    const exercise = poseExercise(plan, segment);
    if (!exercise) return undefined;
    const spentMs = visitSpentMs(visit);
    const sheet = sheetNumber(plan, segments, visit.segmentIndex);
    const last = all.at(-1);
    const strokes = strokesOnSheet(all, sheet).filter((s) => s.drawing === last?.drawing);
    const moved = strokes.at(-1)?.movedMm;
    const told = strokesTold(marksOf(strokes), {
      exercise,
      spentMs,
      movedMm: moved,
      places: undefined,
      lightFrom: undefined,
    });
    return toldSentences(told, { exercise, spentMs }).at(0)?.words;
  }, [over, all, visit, segments, plan]);
}
