interface Place {
  x: number;
  y: number;
}

const TURNS = 12;

/** Places moved as little as needed so that each can be taken hold of: no two nearer than so many pixels. */
export function apart<T extends Place>(places: readonly T[], least: number): T[] {
  const out = places.map((place) => ({ ...place }));
  for (let turn = 0; turn < TURNS; turn++) {
    let moved = false;
    out.forEach((a, i) => {
      for (const b of out.slice(i + 1)) {
        const far = Math.hypot(b.x - a.x, b.y - a.y);
        if (far >= least) continue;
        moved = true;
        // What lies on one place goes apart to the sides.
        const [ux, uy] = far < 0.01 ? [1, 0] : [(b.x - a.x) / far, (b.y - a.y) / far];
        const by = (least - far) / 2 + 0.5;
        a.x -= ux * by;
        a.y -= uy * by;
        b.x += ux * by;
        b.y += uy * by;
      }
    });
    if (!moved) break;
  }
  return out;
}
