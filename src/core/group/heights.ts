import type { Placed } from './placeMembers';

export interface HeightOnSheet {
  id: string;
  /** Centimeters of the sheet, and of the front one's height as a share. */
  cm: number;
  ofFront: number;
  giant: boolean;
}

/** How high each member is on the sheet, and against the one in front. @param placed From the front to the back. */
export function heightsOf(placed: readonly Placed[]): HeightOnSheet[] {
  const front = placed.at(0)?.heightMm ?? 0;
  return placed.map(({ member, heightMm }) => ({
    id: member.id,
    cm: heightMm / 10,
    ofFront: front > 0 ? heightMm / front : 0,
    giant: member.giant !== undefined,
  }));
}

/**
 * Members who stand nearer than one that is before them: what is in front stands lower on the sheet, or it floats. Giants are as
 * large as is wished, and stand all the same.
 */
export function standsBefore(placed: readonly Placed[]): { front: Placed; behind: Placed }[] {
  const out: { front: Placed; behind: Placed }[] = [];
  placed.forEach((front, i) => {
    for (const behind of placed.slice(i + 1)) if (behind.footY > front.footY + 0.5) out.push({ front, behind });
  });
  return out;
}

/** A size behind that is larger than one in front, with no giant among the two: by heads, since one may sit. */
export const largerBehind = (placed: readonly Placed[]): { front: Placed; behind: Placed }[] =>
  placed.flatMap((front, i) =>
    placed
      .slice(i + 1)
      .filter(
        (behind) =>
          front.member.giant === undefined && behind.member.giant === undefined && behind.headMm > front.headMm * 1.02,
      )
      .map((behind) => ({ front, behind })),
  );
