/** A value, or the nearer of two limits where it lies outside them. */
export const clamp = (value: number, low: number, high: number): number => Math.max(low, Math.min(high, value));
