/** What a picture or figure is chosen by. Unknown facts are undefined. */
export interface ReferenceFacts {
  id: string;
  facing?: 'left' | 'right' | 'toward you' | 'away' | undefined;
  viewName?: string | undefined;
  /** 1 gentle to 5 hard. */
  difficulty?: number | undefined;
  /** Its picture is there at once; others are rendered ahead. */
  ready?: boolean | undefined;
}

export interface FacingCount {
  left: number;
  right: number;
}

/** How many of the references face left and right. */
export function countFacings(facts: readonly ReferenceFacts[]): FacingCount {
  return {
    left: facts.filter((f) => f.facing === 'left').length,
    right: facts.filter((f) => f.facing === 'right').length,
  };
}

/** Probability of at least `k` of `n` fair coin tosses, exact. */
function upperTail(k: number, n: number): number {
  let logChoose = 0;
  let sum = 0;
  for (let i = 0; i <= n; i++) {
    if (i > 0) logChoose += Math.log((n - i + 1) / i);
    if (i >= k) sum += Math.exp(logChoose - n * Math.LN2);
  }
  return Math.min(1, sum);
}

/** The side that was drawn more often than chance explains (two-sided exact binomial test at 5 %), or undefined. */
export function facingHabit({ left, right }: FacingCount): 'left' | 'right' | undefined {
  const p = 2 * upperTail(Math.max(left, right), left + right);
  if (p > 0.05) return undefined;
  return left > right ? 'left' : 'right';
}
