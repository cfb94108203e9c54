import type { Sculptor } from '../surface/sculptor';
import type { Build } from '../skeleton/builds';
import { mix } from '../skeleton/vector';

/** Torso: ribcage, pelvis, waist, the muscles that cross them, and the landmarks cut into them. Units: head heights, rest pose; the paired side is mirrored. */
export function sculptTorso(s: Sculptor, build: Build): void {
  const { muscle: M, fat, fem } = build;
  // ribcage (with the lat envelope): egg, leaning back at the top
  s.loft(
    'torso',
    'chest',
    [
      // y, cx, cz, +x, -x, +z, -z
      [4.84, 0, 0.03, 0.47, 0.47, 0.27, 0.29],
      [5.05, 0, 0.02, 0.555, 0.555, 0.345, 0.35],
      [5.35, 0, 0.01, 0.63, 0.63, 0.43, 0.42],
      [5.65, 0, -0.01, 0.665, 0.665, 0.485, 0.49],
      [5.92, 0, -0.05, 0.625, 0.625, 0.44, 0.48],
      [6.14, 0, -0.09, 0.53, 0.53, 0.38, 0.41],
      [6.32, 0, -0.12, 0.38, 0.38, 0.29, 0.3],
      [6.46, 0, -0.14, 0.2, 0.2, 0.2, 0.2],
    ],
    { k: 0.14, cap0: 0.14, cap1: 0.1, sq: 0.15 },
  );
  // pelvis block
  s.loft(
    'torso',
    'pelvis',
    [
      [3.74, 0, 0.0, 0.22, 0.22, 0.2, 0.24],
      [3.9, 0, -0.01, 0.42, 0.42, 0.28, 0.34],
      [4.1, 0, -0.02, 0.6, 0.6, 0.34, 0.37],
      [4.32, 0, -0.02, 0.635, 0.635, 0.36, 0.36],
      [4.52, 0, -0.02, 0.6, 0.6, 0.365, 0.33],
      [4.72, 0, -0.03, 0.53, 0.53, 0.35, 0.29],
    ],
    { k: 0.14, cap0: 0.12, cap1: 0.14, sq: 0.12 },
  );
  // waist: discs along the lumbar curve
  const waist: [string, number][] = [
    ['pelvis', 4.62],
    ['pelvis~spine@0.5', 4.75],
    ['spine', 4.88],
    ['spine~chest@0.5', 5.02],
    ['chest', 5.14],
  ];
  waist.forEach(([f, y]) =>
    s.ellipsoid('torso', f, [0, y, 0.005], [mix(0.525, 0.48, fem) + 0.07 * fat, 0.26, 0.36 + 0.06 * fat], { k: 0.12 }),
  );
  if (fat > 0.05)
    s.ellipsoid('torso', 'pelvis~spine@0.5', [0, 4.76, 0.1], [0.44 + 0.12 * fat, 0.5, 0.2 + 0.28 * fat], { k: 0.24 });
  // base of the neck
  s.ellipsoid('torso', 'chest', [0, 6.34, -0.13], [0.5, 0.2, 0.27], { k: 0.14 });
  s.pair(() => {
    // rectus abdominis
    s.tube('torso', ['pelvis', [0.1, 3.98, 0.24]], ['chest', [0.17, 5.36, 0.35]], {
      r0: 0.11,
      r1: 0.14,
      rm: 0.16,
      n: [0, 0, 1],
      flat: [1.2, 0.5],
      bow: [0, 0, -0.015],
      k: 0.14,
      vol: 0.5,
    });
    // external oblique, roll above the iliac crest
    s.tube('torso', ['pelvis', [0.48, 4.5, 0.04]], ['chest', [0.5, 5.36, 0.04]], {
      r0: 0.13,
      r1: 0.12,
      rm: 0.15,
      tm: 0.22,
      n: [1, 0, 0],
      flat: [1.6, 0.75],
      bow: [-0.03, 0, 0],
      k: 0.16,
      vol: 0.6,
    });
    // erector spinae
    s.tube('torso', ['pelvis', [0.12, 4.3, -0.32]], ['chest', [0.15, 5.6, -0.42]], {
      r0: 0.1,
      r1: 0.09,
      rm: 0.135,
      n: [0, 0, -1],
      flat: [1.2, 0.65],
      bow: [0, 0, 0.085],
      k: 0.12,
    });
    // latissimus
    s.tube('torso', ['spine', [0.24, 4.95, -0.3]], ['uarm.L', [0.7, 6.0, -0.2]], {
      r0: 0.12,
      r1: 0.09,
      rm: 0.22 * (0.85 + 0.15 * M),
      n: [0.6, 0, -0.8],
      flat: [1.25, 0.58],
      bow: [0.035, 0, -0.01],
      k: 0.22,
      tm: 0.6,
      vol: 0.2,
    });
    s.tube('torso', ['chest', [0.26, 5.45, -0.36]], ['uarm.L', [0.72, 6.0, -0.22]], {
      r0: 0.12,
      r1: 0.1,
      rm: 0.2 * (0.85 + 0.15 * M),
      n: [0.4, 0, -0.9],
      flat: [1.1, 0.6],
      bow: [0.0, 0, -0.03],
      k: 0.16,
      vol: 0.2,
    });
    // scapula + infraspinatus / teres
    s.ellipsoid('torso', 'chest~clav.L@0.6', [0.4, 5.94, -0.365], [0.25, 0.31, 0.1], { rot: [10, -22, 8], k: 0.16 });
    s.tube('torso', ['chest~clav.L@0.6', [0.38, 5.72, -0.36]], ['uarm.L', [0.8, 6.06, -0.25]], {
      r0: 0.13,
      r1: 0.13,
      rm: 0.18 * M,
      n: [0.2, 0, -1],
      flat: [1.1, 0.75],
      k: 0.14,
      vol: 0.2,
    });
    s.tube('torso', ['clav.L', [0.26, 6.1, -0.42]], ['clav.L', [0.74, 6.31, -0.25]], {
      r0: 0.055,
      r1: 0.06,
      k: 0.18,
      vol: 0,
    }); // spine of the scapula
    // trapezius: upper (neck slope), middle, lower
    s.tube('torso', ['neck', [0.1, 6.84, -0.17]], ['clav.L', [0.66, 6.36, -0.15]], {
      r0: 0.12 - 0.02 * fem,
      r1: 0.1 - 0.02 * fem,
      rm: 0.155 * mix(0.8, 1, Math.min(1, M)) - 0.02 * fem,
      n: [0.3, 0.8, -0.3],
      flat: [1.25, 0.85],
      bow: [-0.04, -0.05, -0.02],
      k: 0.12,
      vol: 0.2,
    });
    s.tube('torso', ['chest', [0.08, 6.15, -0.38]], ['clav.L', [0.62, 6.33, -0.22]], {
      r0: 0.13,
      r1: 0.09,
      rm: 0.14,
      n: [0, 0.3, -1],
      flat: [1.3, 0.8],
      k: 0.12,
      vol: 0.2,
    });
    s.tube('torso', ['chest', [0.06, 5.45, -0.4]], ['chest~clav.L@0.5', [0.34, 6.14, -0.38]], {
      r0: 0.07,
      r1: 0.1,
      rm: 0.11,
      n: [0, 0, -1],
      flat: [1.3, 0.6],
      k: 0.16,
      vol: 0.2,
    });
    // pectoralis
    const pt = 1 - 0.35 * fem;
    s.tube('torso', ['chest', [0.14, 6.16, 0.18]], ['uarm.L', [0.76, 6.0, 0.0]], {
      r0: 0.12,
      r1: 0.11,
      rm: 0.17 * M * pt,
      n: [0.25, 0.15, 1],
      flat: [1.0, 0.62],
      bow: [0.02, 0.0, 0.03],
      k: 0.15,
      vol: 0.25,
    });
    s.tube('torso', ['chest', [0.15, 5.92, 0.33]], ['uarm.L', [0.78, 5.95, -0.02]], {
      r0: 0.14,
      r1: 0.1,
      rm: 0.2 * M * pt,
      n: [0.3, 0.1, 1],
      flat: [1.05, 0.58],
      bow: [0.03, -0.02, 0.05],
      k: 0.15,
      vol: 0.25,
    });
    s.tube('torso', ['chest', [0.18, 5.7, 0.39]], ['uarm.L', [0.78, 5.9, -0.04]], {
      r0: 0.12,
      r1: 0.09,
      rm: 0.175 * M * pt,
      n: [0.35, -0.05, 1],
      flat: [1.0, 0.6],
      bow: [0.05, -0.03, 0.06],
      k: 0.11,
      vol: 0.25,
    });
    s.ellipsoid('torso', 'chest~clav.L@0.5', [0.57, 6.02, -0.12], [0.14, 0.2, 0.19], { k: 0.16 }); // armpit fill
    // under the clavicle (fills the gap between pectoral, deltoid and neck)
    s.ellipsoid('torso', 'clav.L', [0.4, 6.24, 0.01], [0.32, 0.14, 0.15], { rot: [0, 24, 0], k: 0.12 });
    s.ellipsoid('torso', 'clav.L', [0.34, 6.36, -0.06], [0.28, 0.1, 0.14], { rot: [0, 20, 0], k: 0.14 }); // supraclavicular fill
    s.ellipsoid('torso', 'chest~clav.L@0.4', [0.38, 5.9, 0.26], [0.32, 0.29, 0.13 * (1 - 0.2 * fem)], {
      rot: [-6, 24, -12],
      k: 0.22,
    }); // pectoral plate, fills the valleys between the three bundles
    // clavicle
    s.tube('torso', ['clav.L', [0.1, 6.35, 0.17]], ['clav.L', [0.7, 6.385, -0.08]], {
      r0: 0.045,
      r1: 0.05,
      k: 0.07,
      bow: [0, 0.0, 0.04],
      vol: 0,
    });
    // breast
    if (build.breast > 0.02) {
      const full = build.breast;
      const q = 0.75 + 0.25 * full;
      s.ellipsoid('torso', 'chest', [0.3, 5.7, 0.36 + 0.02 * full], [0.23 * q, 0.26 * q, 0.16 * q], {
        rot: [14, 16, 0],
        k: 0.14,
      }); // upper slope
      s.ellipsoid(
        'torso',
        'chest',
        [0.305, 5.575, 0.41 + 0.045 * full],
        [0.195 * q, 0.185 * q, 0.185 * (0.45 + 0.55 * full)],
        { rot: [8, 16, 0], k: 0.09 },
      );
      s.ellipsoid('torso', 'chest', [0.335, 5.575, 0.555 + 0.075 * full - 0.1 * (1 - full)], [0.04, 0.04, 0.04], {
        k: 0.05,
      });
    }
    // gluteus medius / hip
    s.tube('torso', ['pelvis', [0.44, 4.5, -0.06]], ['thigh.L', [0.56, 3.98, -0.05]], {
      r0: 0.14,
      r1: 0.15,
      rm: 0.2,
      n: [1, 0, -0.2],
      flat: [1.3, 0.75],
      k: 0.14,
      vol: 0.3,
    });
    // gluteus maximus: pelvis fixed mass + stretching mass
    const gl = 1 + 0.1 * fem + 0.12 * fat;
    s.ellipsoid('torso', 'pelvis~thigh.L@0.25', [0.29, 3.97, -0.29], [0.28 * gl, 0.33, 0.28 * gl], {
      rot: [0, -20, 8],
      k: 0.16,
    });
    s.tube('torso', ['pelvis', [0.2, 4.38, -0.28]], ['thigh.L', [0.5, 3.62, -0.1]], {
      r0: 0.13,
      r1: 0.15,
      rm: 0.27 * gl,
      n: [0.3, 0, -1],
      flat: [1.1, 0.8],
      bow: [0.0, 0.0, -0.1],
      k: 0.12,
      vol: 0.3,
      tm: 0.55,
    });
    s.ellipsoid('torso', 'pelvis~thigh.L@0.5', [0.52, 4.0, -0.14], [0.18, 0.24, 0.24], { k: 0.16 });
    // iliac crest ridge
    s.tube('torso', ['pelvis', [0.4, 4.4, 0.22]], ['pelvis', [0.55, 4.58, -0.03]], {
      r0: 0.05,
      r1: 0.05,
      k: 0.2,
      vol: 0,
    });
  });
  // pubic mound
  s.ellipsoid('torso', 'pelvis', [0, 3.86, 0.2], [0.17, 0.18, 0.14], { k: 0.12 });
  if (fem < 0.5) s.ellipsoid('torso', 'pelvis', [0, 3.76, 0.23], [0.1, 0.13, 0.11], { k: 0.1 });
  // landmarks: grooves
  s.groove('torso', ['chest', [0, 6.22, 0.24]], ['chest', [0, 5.66, 0.47]], 0.07, -0.022 * (1 - 0.4 * fat)); // sternum
  s.groove('torso', ['chest', [0, 5.45, 0.46]], ['pelvis', [0, 4.45, 0.4]], 0.065, -0.016 * (1 - fat), { fade: 0.25 }); // linea alba
  const sp = -0.036 * (1 - 0.5 * fat); // spine furrow, one piece per vertebral block so that it follows the bend
  s.groove('torso', ['chest', [0, 6.1, -0.53]], ['chest', [0, 5.32, -0.46]], 0.075, sp, { fade: 0.3 });
  s.groove('torso', ['chest', [0, 5.4, -0.46]], ['spine', [0, 4.86, -0.385]], 0.075, sp, { fade: 0.2 });
  s.groove('torso', ['spine', [0, 4.9, -0.385]], ['pelvis', [0, 4.4, -0.4]], 0.075, sp, { fade: 0.3 });
  const def = (1 - 0.85 * fat) * Math.max(0, 1.6 * M - 0.6) * (1 - 0.4 * fem);
  s.pair(() => {
    s.groove('torso', ['chest', [0.06, 5.44, 0.47]], ['chest', [0.46, 4.96, 0.3]], 0.09, -0.022 * def, { fade: 0.4 }); // costal arch
    s.groove('torso', ['chest', [0.27, 5.3, 0.42]], ['pelvis', [0.22, 4.3, 0.34]], 0.085, -0.016 * def, { fade: 0.3 }); // semilunar line
    s.groove(
      'torso',
      ['chest~spine@0.3', [0.03, 5.16, 0.4]],
      ['chest~spine@0.3', [0.24, 5.18, 0.36]],
      0.06,
      -0.011 * def,
      { fade: 0.3 },
    );
    s.groove('torso', ['spine', [0.03, 4.92, 0.39]], ['spine', [0.23, 4.93, 0.35]], 0.06, -0.011 * def, { fade: 0.3 });
    s.groove('torso', ['pelvis', [0.44, 4.28, 0.27]], ['pelvis', [0.17, 3.94, 0.3]], 0.11, -0.014 * (1 - 0.4 * fat), {
      fade: 0.5,
    }); // inguinal line
    for (let i = 0; i < 3; i++)
      s.groove(
        'torso',
        ['chest', [0.47 + 0.035 * i, 5.5 - 0.17 * i, 0.36 - 0.05 * i]],
        ['chest', [0.61, 5.44 - 0.17 * i, 0.12 - 0.03 * i]],
        0.05,
        -0.01 * def,
        { fade: 0.4 },
      ); // serratus
    s.bump('torso', 'pelvis', [0.16, 4.3, -0.44], [0.08, 0.08, 0.1], -0.018); // sacral dimple
  });
  s.bump('torso', 'spine~pelvis@0.5', [0, 4.68, 0.38], [0.022, 0.032, 0.06], -0.035); // navel
  s.groove('torso', ['pelvis', [0, 4.22, -0.5]], ['pelvis', [0, 3.72, -0.42]], 0.035, -0.1, { fade: 0.15 }); // gluteal cleft
  s.bump('torso', 'chest', [0, 6.39, 0.15], [0.06, 0.07, 0.1], -0.06); // pit of the neck
}
