import { sum } from 'd3-array';
import type { Session } from '../journal/session';
import { counted } from '../words';
import { type Bias, biasOf, type BiasId, BIASES, BIAS_IDS, type MeasuredDrawing, sizeWords } from './biases';
import { type Estimate, shareOf } from './estimate';
import type { Piece } from './pieces';

/** Sessions in which a lesson was tried, beside all others. */
export interface Lesson {
  name: string;
  sessions: number;
  firstMs: number;
  lastMs: number;
  /** Whole figures of those that were asked about, with the lesson and without it. */
  whole: { with: Estimate; without: Estimate } | undefined;
  /** Biases that can be told both with it and without it. */
  biases: { id: BiasId; with: Bias; without: Bias }[];
}

/** Fewer answers on one side say nothing. */
const FEWEST = 5;

const wholeShare = (pieces: readonly Piece[]): Estimate | undefined => {
  const said = pieces.flatMap(({ whole }) => (whole ? [whole.down] : []));
  return said.length < FEWEST ? undefined : shareOf(sum(said, Number), said.length);
};

/** Every lesson that was noted with a session, the latest first. @param measured With the id of its session. */
export function lessonsOf(
  sessions: readonly Session[],
  pieces: readonly Piece[],
  measured: readonly (MeasuredDrawing & { sessionId: string })[],
): Lesson[] {
  const byName = new Map<string, Session[]>();
  for (const session of sessions) {
    const name = session.plan.cause?.lesson;
    if (name) byName.set(name, [...(byName.get(name) ?? []), session]);
  }
  return [...byName]
    .map(([name, some]): Lesson => {
      const ids = new Set(some.map(({ id }) => id));
      const inIt = ({ sessionId }: { sessionId: string }): boolean => ids.has(sessionId);
      const outside = (one: { sessionId: string }): boolean => !inIt(one);
      const [wholeWith, without] = [wholeShare(pieces.filter(inIt)), wholeShare(pieces.filter(outside))];
      return {
        name,
        sessions: some.length,
        firstMs: Math.min(...some.map(({ startedAtMs }) => startedAtMs)),
        lastMs: Math.max(...some.map(({ startedAtMs }) => startedAtMs)),
        whole: wholeWith && without && { with: wholeWith, without },
        biases: BIAS_IDS.flatMap((id) => {
          const [one, other] = [biasOf(id, measured.filter(inIt)), biasOf(id, measured.filter(outside))];
          return one.now && other.now ? [{ id, with: one, without: other }] : [];
        }),
      };
    })
    .sort((a, b) => b.lastMs - a.lastMs);
}

const percent = ({ value }: Estimate): string => `${String(Math.round(value * 100))} %`;

/** A lesson with and without, in sentences. Neither is called the cause of the other. */
export function lessonWords({ name, sessions, whole, biases }: Lesson): string {
  const parts = [
    ...(whole
      ? [
          `the whole figure was down in ${percent(whole.with)} of what was asked about, ${percent(whole.without)} without it`,
        ]
      : []),
    ...biases.flatMap(({ id, with: one, without }) =>
      one.now && without.now
        ? [`${BIASES[id].name} ${sizeWords(id, one.now.value)}, ${sizeWords(id, without.now.value)} without it`]
        : [],
    ),
  ];
  const of = `“${name}” was tried in ${counted(sessions, 'session')}`;
  return parts.length === 0
    ? `${of}: too little was said and measured to set it beside the others.`
    : `${of}: ${parts.join('; ')}.`;
}
