/** Greatest common divisor of two whole numbers; of 0 and a number that number. */
export const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));
