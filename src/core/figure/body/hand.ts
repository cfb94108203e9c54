import type { Sculptor } from '../surface/sculptor';
import { FINGERS, REST } from '../skeleton/skeleton';

/** Palm, thumb ball and fingers. Units: head heights, rest pose; the paired side is mirrored. */
export function sculptHand(s: Sculptor): void {
  s.pair(() => {
    const H = REST['hand.L'].p;
    const x = H[0],
      y = H[1];
    const st = [
      [y + 0.04, x, -0.12, 0.085, 0.082, 0.125, 0.115],
      [y - 0.06, x - 0.005, -0.12, 0.085, 0.085, 0.135, 0.13],
      [y - 0.18, x - 0.012, -0.115, 0.08, 0.085, 0.165, 0.165],
      [y - 0.32, x - 0.008, -0.12, 0.072, 0.075, 0.185, 0.185],
      [y - 0.42, x, -0.125, 0.062, 0.062, 0.185, 0.18],
      [y - 0.45, x, -0.125, 0.052, 0.055, 0.165, 0.16],
    ];
    s.loft('hand.L', 'hand.L', st, { k: 0.03, cap0: 0.05, cap1: 0.06, sq: 0.35 });
    // thenar, hypothenar
    s.tube('hand.L', ['hand.L', [x - 0.05, y - 0.06, -0.03]], ['th0.L', [x - 0.08, y - 0.26, 0.13]], {
      r0: 0.075,
      r1: 0.065,
      rm: 0.1,
      k: 0.05,
      vol: 0,
    });
    s.tube('hand.L', ['hand.L', [x - 0.045, y - 0.08, -0.2]], ['hand.L', [x - 0.035, y - 0.32, -0.25]], {
      r0: 0.06,
      r1: 0.05,
      rm: 0.075,
      k: 0.05,
      vol: 0,
    });
    // web between thumb and index
    s.tube('hand.L', ['th0.L', [x - 0.07, y - 0.22, 0.1]], ['hand.L', [x - 0.01, y - 0.34, 0.02]], {
      r0: 0.05,
      r1: 0.05,
      k: 0.05,
      flat: [1, 0.7],
      n: [1, 0, 0],
      vol: 0,
    });
    for (const f of Object.keys(FINGERS)) {
      const F = FINGERS[f];
      for (let i = 0; i < 3; i++) {
        const p = F.p[i],
          q = F.p[i + 1];
        const bone = `${f}${i}.L`;
        s.tube('hand.L', [bone, p], [bone, i === 2 ? [q[0], q[1] + F.r[3] * 0.6, q[2]] : q], {
          r0: F.r[i],
          r1: F.r[i + 1] * (i === 2 ? 0.95 : 1),
          rm: ((F.r[i] + F.r[i + 1]) / 2) * 1.03,
          k: i === 0 ? 0.04 : 0.012,
          n: [1, 0, 0],
          flat: [1, 0.96],
          vol: 0,
        });
      }
      if (f !== 'th')
        s.ellipsoid('hand.L', 'hand.L', [F.p[0][0] + 0.025, F.p[0][1] + 0.01, F.p[0][2]], [0.042, 0.06, 0.045], {
          k: 0.05,
        }); // knuckle
    }
  });
}
