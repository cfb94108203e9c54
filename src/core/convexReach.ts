/**
 * How far a convex outline reaches from a place within it, in even directions clockwise from the right; 0 where a direction meets nothing.
 * @param corners In order, in one unit for both axes.
 * @param rays How many directions.
 */
export function convexReach(
  corners: readonly (readonly [x: number, y: number])[],
  [cx, cy]: readonly [x: number, y: number],
  rays: number,
): number[] {
  return Array.from({ length: rays }, (_, i) => {
    const [dx, dy] = [Math.cos((2 * Math.PI * i) / rays), Math.sin((2 * Math.PI * i) / rays)];
    // A convex outline reaches as far as the nearest side that the ray runs out through.
    let out = Infinity;
    corners.forEach(([ax, ay], k) => {
      const [bx, by] = corners[(k + 1) % corners.length];
      const [ex, ey] = [bx - ax, by - ay];
      const cross = dx * ey - dy * ex;
      if (Math.abs(cross) < 1e-12) return;
      const t = ((ax - cx) * ey - (ay - cy) * ex) / cross;
      const u = ((ax - cx) * dy - (ay - cy) * dx) / cross;
      if (t > 0 && u >= -1e-9 && u <= 1 + 1e-9) out = Math.min(out, t);
    });
    return out === Infinity ? 0 : out;
  });
}
