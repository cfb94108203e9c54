import type { HandDrawing } from './stroke';

/** When each stage of a drawing is done, milliseconds since it began, in order. */
export function stageEnds({ strokes }: Pick<HandDrawing, 'strokes'>): { name: string; endMs: number }[] {
  const ends = new Map<string, number>();
  for (const { stage, points } of strokes) ends.set(stage, points[points.length - 1]?.[2] ?? 0);
  return [...ends].map(([name, endMs]) => ({ name, endMs }));
}
