'use client';
import type { ExerciseRule } from '@/core/practice/exercises/exercise';
import { marksInKind, marksRule, mostMarks } from '@/core/practice/rules/marks';
import { Choice, CountField, Row, Tick } from './fields';

/** What an allowance of marks begins as. */
const USUAL_ALLOWANCE = 20;

/** Gaze, line and marks of a rule, for an exercise of one's own and for a block that departs from its exercise. */
export function RuleRows({ rule, onChange }: { rule: ExerciseRule; onChange: (part: Partial<ExerciseRule>) => void }) {
  const most = mostMarks(rule);
  const inKind = marksInKind(rule);
  return (
    <>
      <Row label="Gaze">
        <Choice
          label="Gaze"
          value={rule.gaze}
          options={['free', 'mostly on the reference', 'only on the reference', 'eyes closed']}
          words={{ 'mostly on the reference': 'mostly on it', 'only on the reference': 'only on it (blind)' }}
          onChange={(gaze) => onChange({ gaze })}
        />
      </Row>
      <Row label="Line">
        <Choice
          label="Lifting the pencil"
          value={rule.lifts}
          options={['free', 'none']}
          words={{ free: 'lift freely', none: 'never lift' }}
          onChange={(lifts) => onChange({ lifts })}
        />
        <Choice
          label="Erasing"
          value={rule.erasing}
          options={['free', 'none']}
          words={{ free: 'erase freely', none: 'no erasing' }}
          onChange={(erasing) => onChange({ erasing })}
        />
      </Row>
      <Row label="Marks">
        <Choice
          label="Marks"
          value={most === undefined ? 'free' : 'at most'}
          options={['free', 'at most']}
          words={{ free: 'no limit' }}
          onChange={(limit) => onChange({ marks: marksRule(limit === 'free' ? undefined : USUAL_ALLOWANCE, inKind) })}
        />
        {most !== undefined && (
          <CountField
            label="At most so many marks"
            count={most}
            most={200}
            onChange={(count) => onChange({ marks: marksRule(count, inKind) })}
          />
        )}
        <Tick
          label="only C, S and straight"
          checked={inKind}
          onChange={(on) => onChange({ marks: marksRule(most, on) })}
        />
      </Row>
    </>
  );
}
