'use client';
import type { ExerciseRule } from '@/core/practice/exercises/exercise';
import { Choice, CountField, Row } from './fields';

/** Gaze, line and marks of a rule, for an exercise of one's own and for a block that departs from its exercise. */
export function RuleRows({ rule, onChange }: { rule: ExerciseRule; onChange: (part: Partial<ExerciseRule>) => void }) {
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
          value={typeof rule.marks === 'number' ? 'at most' : rule.marks}
          options={['free', 'at most', 'C, S and straight']}
          words={{ free: 'no limit', 'C, S and straight': 'C, S, straight' }}
          onChange={(marks) => onChange({ marks: marks === 'at most' ? 20 : marks })}
        />
        {typeof rule.marks === 'number' && (
          <CountField
            label="At most so many marks"
            count={rule.marks}
            most={200}
            onChange={(marks) => onChange({ marks })}
          />
        )}
      </Row>
    </>
  );
}
