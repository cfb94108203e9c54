'use client';
import type { ReactNode } from 'react';
import { askedOf } from '@/core/clock/asked';
import type { Visit } from '@/core/clock/visit';
import { lookAtFor } from '@/core/practice/rules/lookAtFor';
import { poseIn } from '@/core/practice/rules/poseExercise';
import { RunButton } from '@/features/run/steer/RunButton';
import { useTraits } from '@/storage/hooks/useTraits';
import { Word } from '@/ui/Word';
import { LiftVeil } from './LiftVeil';
import type { SegmentProps } from './segmentProps';

/** Two taps between poses, answered or not: whether the figure was whole, and how the line was. */
export function GapQuestions({
  plan,
  segments,
  state,
  onSay,
  centered = false,
}: Pick<SegmentProps, 'plan' | 'segments' | 'state' | 'onSay'> & { centered?: boolean }) {
  const drawings = state.visits.filter((v) => segments[v.segmentIndex].kind === 'draw');
  const asked = askedOf(plan, segments, state.visits);
  const pose = asked && poseIn(plan, segments[asked.drawn.segmentIndex]);
  const traits = useTraits(pose?.referenceId ?? null, false);
  if (!asked) return null;
  const { drawn, asks, exercise, marks, ticked } = asked;
  const { referenceId, leftOut } = pose ?? {};
  return (
    <div className={`flex flex-wrap items-center gap-x-8 gap-y-3 ${centered ? 'justify-center' : ''}`}>
      {asks === 'focal' && (
        <Question label="The focal area" words="Does the eye still go first where you chose?">
          {([true, false] as const).map((kept) => (
            <Answer
              key={String(kept)}
              words={kept ? 'It does' : 'Elsewhere'}
              hint={kept ? 'Y' : 'T'}
              given={drawn.focalKept === kept}
              onPress={() => onSay({ type: 'focalKept', kept })}
            />
          ))}
        </Question>
      )}
      {asks === 'whole' && (
        <Question label="The last pose" words="Whole figure down?">
          {([true, false] as const).map((down) => (
            <Answer
              key={String(down)}
              words={down ? 'Yes' : 'Not yet'}
              hint={down ? 'Y' : 'T'}
              given={drawn.whole === down}
              onPress={() => onSay({ type: 'whole', down })}
            />
          ))}
        </Question>
      )}
      {marks !== undefined && (
        <Question label="Marks of the last pose" words={`Marks, of ${String(marks)}`}>
          <RunButton
            className="btn-quiet min-h-12 px-4"
            onPress={() => onSay({ type: 'marks', count: Math.max(0, (drawn.marks ?? marks) - 1) })}
          >
            − <span className="sr-only">one mark less</span>
          </RunButton>
          <RunButton
            className={`min-h-12 px-4 ${drawn.marks === undefined ? 'btn-quiet' : ''}`}
            pressed={drawn.marks !== undefined}
            onPress={() => onSay({ type: 'marks', count: drawn.marks ?? marks })}
          >
            {drawn.marks ?? marks}
          </RunButton>
          <RunButton
            className="btn-quiet min-h-12 px-4"
            onPress={() => onSay({ type: 'marks', count: (drawn.marks ?? marks) + 1 })}
          >
            + <span className="sr-only">one mark more</span>
          </RunButton>
        </Question>
      )}
      {ticked && (
        <Question label="Missing in the last pose" words="Missing:">
          {lookAtFor(exercise, traits).map((element) => {
            const missing = drawn.missing ?? [];
            const gone = missing.includes(element);
            return (
              <RunButton
                key={element}
                className={`min-h-12 px-4 ${gone ? '' : 'btn-quiet'}`}
                pressed={gone}
                onPress={() =>
                  onSay({
                    type: 'missing',
                    elements: gone ? missing.filter((e) => e !== element) : [...missing, element],
                  })
                }
              >
                {element}
              </RunButton>
            );
          })}
          <RunButton
            className={`min-h-12 px-4 ${drawn.missing?.length === 0 ? '' : 'btn-quiet'}`}
            pressed={drawn.missing?.length === 0}
            onPress={() => onSay({ type: 'missing', elements: [] })}
          >
            nothing
          </RunButton>
        </Question>
      )}
      <Question
        label="The line of the last pose"
        words={
          <Word of="tight line" givesKeysBack>
            The line was
          </Word>
        }
      >
        {(['loose', 'tight'] as const).map((line, i) => (
          <Answer
            key={line}
            words={line}
            hint={String(i + 1)}
            given={drawn.line === line}
            onPress={() => onSay({ type: 'line', line })}
          />
        ))}
      </Question>
      {tightTwiceRunning(drawings) && (
        <p className="w-full max-w-[46ch] text-quiet" role="status">
          Tight twice running. A shorter pose, eyes closed, or one line without lifting would loosen it.
        </p>
      )}
      {referenceId && leftOut && <LiftVeil referenceId={referenceId} leftOut={leftOut} />}
    </div>
  );
}

/** The last two drawings of which it was said how the line was were both tight, and the last one was one of them. */
function tightTwiceRunning(drawings: readonly Visit[]): boolean {
  const said = drawings.filter((v) => v.line !== undefined).slice(-2);
  return drawings.at(-1)?.line === 'tight' && said.length === 2 && said[0].line === 'tight';
}

function Question({ label, words, children }: { label: string; words: ReactNode; children: ReactNode }) {
  return (
    <div role="group" aria-label={label} className="flex flex-wrap items-center gap-3">
      <span className="text-quiet">{words}</span>
      {children}
    </div>
  );
}

function Answer({ words, hint, given, onPress }: { words: string; hint: string; given: boolean; onPress: () => void }) {
  return (
    <RunButton className={`min-h-12 px-5 ${given ? '' : 'btn-quiet'}`} pressed={given} onPress={onPress}>
      {words} <kbd className="kbd kbd-sm max-sm:hidden">{hint}</kbd>
    </RunButton>
  );
}
