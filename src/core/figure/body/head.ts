import type { Sculptor } from '../surface/sculptor';
import type { Build } from '../skeleton/builds';
import type { Vec3 } from '../skeleton/vector';

/** Head and neck: cranium, face planes, ear, hair mass and the sternomastoid. Units: head heights, rest pose; the paired side is mirrored. */
export function sculptHead(s: Sculptor, build: Build): void {
  const { fem } = build;
  s.loft(
    'head',
    'neck~head@0.35',
    [
      [6.25, 0, -0.16, 0.3, 0.3, 0.26, 0.24],
      [6.5, 0, -0.13, 0.265, 0.265, 0.245, 0.24],
      [6.75, 0, -0.09, 0.245, 0.245, 0.235, 0.25],
      [7.05, 0, -0.07, 0.245, 0.245, 0.22, 0.27],
    ],
    { k: 0.08, cap0: 0.1, cap1: 0.1 },
  );
  s.ellipsoid('head', 'head', [0, 7.365, -0.065], [0.335, 0.385, 0.44], { k: 0.08 }); // cranium
  s.ellipsoid('head', 'head', [0, 7.39, 0.075], [0.29, 0.29, 0.3], { k: 0.08 }); // frontal
  s.ellipsoid('head', 'head', [0, 7.13, -0.22], [0.22, 0.22, 0.18], { k: 0.12 }); // occiput / nape
  s.loft(
    'head',
    'head',
    [
      // face wedge
      [6.78, 0, 0.19, 0.1, 0.1, 0.13, 0.16],
      [6.87, 0, 0.18, 0.17, 0.17, 0.175, 0.22],
      [7.0, 0, 0.15, 0.215, 0.215, 0.215, 0.24],
      [7.15, 0, 0.13, 0.25, 0.25, 0.235, 0.24],
      [7.34, 0, 0.1, 0.275, 0.275, 0.265, 0.24],
    ],
    { k: 0.08, cap0: 0.05, cap1: 0.1, sq: 0.2 },
  );
  s.pair(() => {
    s.tube(
      'head',
      ['head', [0.215 - 0.02 * fem, 6.985 + 0.01 * fem, 0.0]],
      ['head', [0.065 - 0.012 * fem, 6.825 + 0.008 * fem, 0.25]],
      { r0: 0.072 - 0.012 * fem, r1: 0.07 - 0.008 * fem, k: 0.08, vol: 0 },
    ); // mandible
    s.tube('head', ['head', [0.25, 7.2, -0.03]], ['head', [0.215 - 0.02 * fem, 6.985 + 0.01 * fem, 0.0]], {
      r0: 0.055,
      r1: 0.075 - 0.015 * fem,
      k: 0.08,
      vol: 0,
    }); // ramus
    s.ellipsoid('head', 'head', [0.145, 7.0, 0.19], [0.095, 0.13, 0.12], { k: 0.08 }); // cheek
    s.ellipsoid('head', 'head', [0.205 - 0.012 * fem, 7.07, 0.075], [0.062, 0.13, 0.11], { k: 0.08 }); // masseter
    s.ellipsoid('head', 'head', [0.105, 7.11, 0.28], [0.085, 0.085, 0.075], { k: 0.07 }); // maxilla, beside the nose
    s.ellipsoid('head', 'head', [0.19, 7.15, 0.215], [0.09, 0.06, 0.085], { rot: [0, 0, 10], k: 0.07 }); // cheekbone
    s.tube('head', ['head', [0.205, 7.16, 0.19]], ['head', [0.272, 7.185, -0.02]], {
      r0: 0.055,
      r1: 0.04,
      k: 0.1,
      vol: 0,
      bow: [0.012, 0, 0],
    }); // zygomatic arch
    s.ellipsoid('head', 'head', [0.19, 7.29, 0.11], [0.115, 0.17, 0.21], { k: 0.12 });
    s.ellipsoid('head', 'head', [0.215, 7.215, 0.1], [0.075, 0.08, 0.16], { k: 0.1 }); // temple / side plane
    s.tube('head', ['head', [0.035, 7.335, 0.35]], ['head', [0.215, 7.335, 0.235]], {
      r0: 0.036 - 0.012 * fem,
      r1: 0.045 - 0.008 * fem,
      k: 0.08,
      vol: 0,
      bow: [0, 0.02 + 0.01 * fem, 0.025 - 0.008 * fem],
    }); // brow
    s.bump('head', 'head', [0.125, 7.245, 0.36], [0.062, 0.05, 0.08], -0.062); // orbit
    s.bump('head', 'head', [0.052, 7.26, 0.37], [0.026, 0.05, 0.05], -0.03); // inner corner
    s.ellipsoid('head', 'head', [0.127, 7.238, 0.278], [0.07, 0.054, 0.066], { rot: [0, 14, 0], k: 0.035, stage: 2 }); // eyeball + lids
    s.tube('head', ['head', [0.066, 7.244, 0.318]], ['head', [0.192, 7.24, 0.29]], {
      r0: 0.008,
      r1: 0.01,
      rm: 0.016,
      bow: [0.004, 0.03, 0.022],
      k: 0.02,
      vol: 0,
      stage: 2,
    }); // upper lid
    s.groove('head', ['head', [0.075, 7.232, 0.345]], ['head', [0.182, 7.232, 0.318]], 0.016, -0.01, {
      fade: 0.3,
      stage: 3,
    }); // lid line
    s.ellipsoid('head', 'head', [0.043, 7.07, 0.385], [0.034, 0.032, 0.045], { k: 0.03 }); // nostril wing
    s.ellipsoid('head', 'head', [0.322, 7.2, -0.065], [0.03, 0.135, 0.078], { rot: [-14, -24, -8], k: 0.03 }); // ear
    s.bump('head', 'head', [0.36, 7.215, -0.045], [0.03, 0.055, 0.03], -0.028);
    s.ellipsoid('head', 'head', [0.315, 7.09, -0.03], [0.025, 0.04, 0.03], { k: 0.03 }); // lobe
    s.tube('head', ['head', [0.24, 7.07, -0.13]], ['clav.L', [0.07, 6.37, 0.14]], {
      r0: 0.08 - 0.015 * fem,
      r1: 0.05 - 0.01 * fem,
      rm: 0.078 - 0.018 * fem,
      k: 0.12,
      bow: [0.005, 0, -0.005],
      vol: 0.1,
    }); // sternomastoid
  });
  s.tube('head', ['head', [0, 7.305, 0.355]], ['head', [0, 7.105, 0.425]], { r0: 0.028, r1: 0.036, k: 0.05, vol: 0 }); // nose bridge
  s.ellipsoid(
    'head',
    'head',
    [0, 7.088 + 0.008 * fem, 0.428 - 0.006 * fem],
    [0.042 - 0.007 * fem, 0.04 - 0.006 * fem, 0.05],
    { k: 0.04 },
  ); // nose tip
  s.ellipsoid('head', 'head', [0, 6.965, 0.285], [0.125, 0.1, 0.095], { k: 0.06 }); // muzzle
  s.tube('head', ['head', [-0.105, 6.96, 0.315]], ['head', [0.105, 6.96, 0.315]], {
    r0: 0.012,
    r1: 0.012,
    rm: 0.028,
    k: 0.03,
    bow: [0, 0.016, 0.062],
    vol: 0,
  });
  s.tube('head', ['head', [-0.09, 6.935, 0.315]], ['head', [0.09, 6.935, 0.315]], {
    r0: 0.012,
    r1: 0.012,
    rm: 0.034,
    k: 0.03,
    bow: [0, -0.014, 0.058],
    vol: 0,
  });
  s.ellipsoid('head', 'head', [0, 6.825, 0.28], [0.085, 0.07, 0.075], { k: 0.07 }); // chin
  s.bump('head', 'head', [0, 6.949, 0.37], [0.06, 0.016, 0.05], -0.017); // mouth line
  s.bump('head', 'head', [0, 6.885, 0.37], [0.07, 0.018, 0.05], -0.012); // under the lip
  s.tube('head', ['neck', [0, 6.6, 0.05]], ['head', [0, 6.87, 0.1]], { r0: 0.09, r1: 0.13, k: 0.12, vol: 0 }); // larynx / underside of jaw
  if (build.hair > 0) {
    // a hair mass with a readable edge: an ellipsoid clipped by the plane forehead - nape
    const long = build.hair > 1,
      hv = long ? 0.03 : 0;
    const clip: { n: Vec3; p: Vec3 } = { n: [0, 0.733, -0.68], p: long ? [0, 7.585, 0.3] : [0, 7.62, 0.28] };
    s.ellipsoid('head', 'head', [0, 7.385, -0.085], [0.372 + hv, 0.415 + hv * 0.7, 0.48 + hv], {
      k: 0.018,
      stage: 2,
      clip,
    });
    s.pair(() => {
      s.ellipsoid('head', 'head', [0.312, 7.33, 0.02], [0.04, 0.12, 0.07], { rot: [14, -10, -4], k: 0.05, stage: 2 }); // sideburn / temple hair
      s.ellipsoid('head', 'head', [0.338, 7.2, -0.065], [0.028, 0.125, 0.072], {
        rot: [-14, -24, -8],
        k: 0.01,
        stage: 3,
      }); // ear again, over the hair
    });
    if (long) {
      s.ellipsoid('head', 'head', [0, 7.22, -0.24], [0.34, 0.3, 0.3], {
        k: 0.05,
        stage: 2,
        clip: { n: [0, 0.35, -0.94], p: [0, 7.05, -0.16] },
      });
      s.ellipsoid('head', 'head', [0, 7.42, -0.6], [0.18, 0.17, 0.15], { k: 0.04, stage: 2 });
      s.groove('head', ['head', [0, 7.7, 0.27]], ['head', [0, 7.84, -0.12]], 0.04, -0.018, { fade: 0.2, stage: 3 }); // parting
    }
  }
}
