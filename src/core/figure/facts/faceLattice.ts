import type { Figure } from '../figure';
import { dot, sub, type Vec3 } from '../skeleton/vector';
import type { Point } from './actionLine';

/**
 * The lattice of a face as lines in a picture: the middle of it, its levels (hairline, brow, eyes, base of the nose, mouth, chin), and
 * the widths of the eyes; only what faces the eye, so that a head seen from behind has none.
 * @param project A point of the world in the picture.
 * @param eye Where the picture is seen from.
 */
export function faceLattice({ lines, middle }: Figure['face'], project: (p: Vec3) => Point, eye: Vec3): Point[][] {
  return lines.flatMap((line) => {
    const runs: Point[][] = [[]];
    for (const p of line) {
      const out = sub(p, middle);
      if (dot(out, sub(eye, p)) > 0) runs[runs.length - 1].push(project(p));
      else if (runs[runs.length - 1].length > 0) runs.push([]);
    }
    return runs.filter((run) => run.length > 1);
  });
}
