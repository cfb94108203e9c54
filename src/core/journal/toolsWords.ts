import { MEDIA } from '../practice/paper/materials';
import { mediaOf } from '../practice/rules/poseExercise';
import { capital, counted, listWords } from '../words';
import { drawingsOf } from './drawings';
import { replayOf } from './replay';
import type { Session } from './session';

/** What a session was drawn with: "Charcoal pencil and pastel, with the right hand; 2 drawings with the other hand." */
export function toolsWords(session: Session): string {
  const { plan, timeline } = replayOf(session);
  const drawn = drawingsOf(session);
  if (drawn.length === 0) return '';
  const media = drawn.flatMap(({ segmentIndex }) => mediaOf(plan, timeline.segments[segmentIndex]));
  const names = [...new Set(media)].map((id) => MEDIA.find((m) => m.id === id)?.name ?? id);
  const other = new Set(drawn.flatMap((d) => (d.exercise.rule.hand === 'other' ? [d.piece] : []))).size;
  const usual = new Set(drawn.map((d) => d.piece)).size - other;
  const hands = [
    ...(usual > 0 && session.usualHand ? [`with the ${session.usualHand} hand`] : []),
    ...(other > 0 ? [`${counted(other, 'drawing')} with the other hand`] : []),
  ];
  const words = [...(names.length > 0 ? [listWords(names)] : []), ...hands].join(', ');
  return words === '' ? '' : `${capital(words)}.`;
}
