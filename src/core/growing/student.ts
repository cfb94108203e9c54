/** Upper 97.5 % point of the normal distribution. */
const Z = 1.959963984540054;

/**
 * The 97.5 % quantile of Student's t distribution.
 * Source: M. Abramowitz and I. Stegun, "Handbook of Mathematical Functions", 1964, 26.7.5; within 0.001 from eight degrees of freedom on.
 * @param df Degrees of freedom, 3 or more.
 */
export function student975(df: number): number {
  const z2 = Z * Z;
  return (
    Z +
    (Z * (z2 + 1)) / (4 * df) +
    (Z * (5 * z2 * z2 + 16 * z2 + 3)) / (96 * df ** 2) +
    (Z * (3 * z2 ** 3 + 19 * z2 ** 2 + 17 * z2 - 15)) / (384 * df ** 3) +
    (Z * (79 * z2 ** 4 + 776 * z2 ** 3 + 1482 * z2 ** 2 - 1920 * z2 - 945)) / (92160 * df ** 4)
  );
}
