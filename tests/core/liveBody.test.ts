import { existsSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { KEY_LONG_SIDE } from '@/core/figure/facts/answerKey';
import { formLines } from '@/core/figure/facts/formLines';
import { buildFigure } from '@/core/figure/figure';
import { COARSE, FINE } from '@/core/figure/forms';
import { BONE_FORMS } from '@/core/figure/mesh/boneForms';
import { quadNormals } from '@/core/figure/mesh/graph';
import { formHeights, type SkinForm } from '@/core/figure/mesh/skinForms';
import { skinAt } from '@/core/figure/mesh/skinPoint';
import { poseBody } from '@/core/figure/posedBody';
import { BODY_MOVE_POSES } from '@/core/figure/poses/bodyMoves';
import { poseOf } from '@/core/figure/catalogue/reference';
import { BUILD_NAMES } from '@/core/figure/skeleton/buildNames';
import { BUILDS } from '@/core/figure/skeleton/builds';
import { type Part, partNumber, PARTS } from '@/core/figure/skeleton/parts';
import type { Pose } from '@/core/figure/skeleton/pose';
import { conjugate, dot, normalize, rotate, sub, type Vec3 } from '@/core/figure/skeleton/vector';
import { BODY_MOVES, MOVE_PICTURES } from '@/core/practice/start/warmUp';
import { KIT } from './kit';

const { mesh } = KIT;
const at = (p: Float32Array, v: number): Vec3 => [p[v * 3], p[v * 3 + 1], p[v * 3 + 2]];
const FOUND_ON = KIT.sitter('masc').build.rest;

describe('forms under the skin', () => {
  const surface = KIT.surface('whole', 1);
  const resting = surface.take(FOUND_ON, 3);
  const normals = quadNormals(surface.quads, resting);
  const of = (form: SkinForm): Float32Array => formHeights([form], resting, normals, surface.parts);
  it('are each somewhere on the skin, as high as they say, on both sides alike', () => {
    for (const form of BONE_FORMS) {
      const heights = of(form);
      const peak = heights.reduce((most, h) => Math.max(most, Math.abs(h)), 0);
      expect(peak, form.name).toBeGreaterThan(0.5 * Math.abs(form.height));
      expect(peak, form.name).toBeLessThanOrEqual(Math.abs(form.height) * 1.0001);
      // What lies on the middle line is its own mirror image.
      if (form.line.every(([x]) => x === 0)) continue;
      const reach = (sign: number): number =>
        heights.reduce((sum, h, v) => sum + (Math.sign(resting[v * 3]) === sign ? Math.abs(h) : 0), 0);
      expect(Math.abs(reach(1) / reach(-1) - 1), form.name).toBeLessThan(0.1);
    }
  });
  it('lie only under the parts they name, and where the skin faces them', () => {
    for (const form of BONE_FORMS)
      of(form).forEach((h, v) => {
        if (h === 0) return;
        expect(form.under.test(PARTS[surface.parts[v]])).toBe(true);
        const sign = resting[v * 3] < 0 ? -1 : 1;
        expect(dot([normals[v * 3] * sign, normals[v * 3 + 1], normals[v * 3 + 2]], form.from)).toBeGreaterThan(0);
      });
  });
  it('stand out where anatomy has them: kneecaps before the knee, ankles beside the foot', () => {
    const highest = (name: string): Vec3 => {
      const heights = of(BONE_FORMS.find((form) => form.name === name) as SkinForm);
      let best = 0;
      heights.forEach((h, v) => {
        if (h * (resting[v * 3] > 0 ? 1 : 0) > heights[best]) best = v;
      });
      return at(resting, best);
    };
    const { head } = KIT.sitter('masc').build;
    expect(highest('kneecap')[2]).toBeGreaterThan(head['lowerleg01.L'][2] + 0.15);
    expect(highest('kneecap')[1]).toBeCloseTo(head['lowerleg01.L'][1], 0);
    // The outer ankle is the lower and the farther back one.
    expect(highest('outer ankle')[1]).toBeLessThan(highest('inner ankle')[1]);
    expect(highest('outer ankle')[2]).toBeLessThan(highest('inner ankle')[2]);
  });
  it('show as much as the dial says', () => {
    const of = (bones: number) => buildFigure(KIT, {}, BUILDS.lean, { levels: 1, directions: 6 }, { bones }).positions;
    const [none, usual, strong] = [0, 1, 2].map(of);
    const moved = (p: Float32Array): number => p.reduce((sum, v, i) => sum + Math.abs(v - none[i]), 0) / p.length;
    expect(moved(usual)).toBeGreaterThan(1e-4);
    expect(moved(strong) / moved(usual)).toBeCloseTo(2, 3);
  });
});

describe('muscles', () => {
  const arm = (flex: number): Pose => ({ shL: [20, 70, 0], elL: [flex, 0], elR: [10, 0] });
  /** Girth of an upper arm: mean distance of its skin from the bone's line. */
  const girth = (pose: Pose, name: 'muscular' | 'heavy'): number => {
    const { positions, rig } = poseBody(KIT, pose, BUILDS[name]);
    const [from, to] = [rig.pos['uarm.L'], rig.pos['farm.L']];
    const axis = normalize(sub(to, from));
    let [sum, count] = [0, 0];
    for (const v of KIT.members[partNumber('uarm.L')]) {
      const q = sub(at(positions, v), from);
      const along = dot(q, axis);
      if (along < 0.35 || along > 0.95) continue;
      sum += Math.hypot(...sub(q, [axis[0] * along, axis[1] * along, axis[2] * along]));
      count++;
    }
    return sum / count;
  };
  it('swell where a limb is bent, and more on the muscular than on the heavy', () => {
    const swollen = (name: 'muscular' | 'heavy'): number => girth(arm(120), name) - girth(arm(5), name);
    expect(swollen('muscular')).toBeGreaterThan(0.007);
    expect(swollen('muscular')).toBeGreaterThan(1.5 * swollen('heavy'));
  });
});

describe('eyes', () => {
  const HALF = (mesh.vertexCount - mesh.firstEye) / 2;
  /** Where the pupil of an eye points, in the head's own space: its most shaded vertex from the middle. */
  const gaze = (pose: Pose): Vec3 => {
    const { positions, rig } = poseBody(KIT, pose, BUILDS.masc);
    const { light } = KIT.sitter('masc');
    const all = Array.from({ length: HALF }, (_, i) => mesh.firstEye + i);
    const mean = (vs: readonly number[]): Vec3 =>
      [0, 1, 2].map((k) => vs.reduce((sum, v) => sum + positions[v * 3 + k], 0) / vs.length) as Vec3;
    const pupil = all.filter((v) => light[v] < 0.2);
    return rotate(conjugate(rig.rot.head), normalize(sub(mean(pupil), mean(all))));
  };
  it('look along the head when nothing is held before it', () => {
    expect(gaze({ shL: [9, 70, 0], shR: [9, 70, 0] })[2]).toBeGreaterThan(0.99);
  });
  it('look down at hands that the face is turned to', () => {
    const hands = { pole: [0, -1, 0] as Vec3 };
    const low = gaze({
      head: [16, 0, 0],
      neck: [16, 0, 0],
      ik: { armL: { ...hands, pos: [0.25, 5.6, 1.6] }, armR: { ...hands, pos: [-0.25, 5.6, 1.6] } },
    });
    expect(low[1]).toBeLessThan(-0.08);
    const aside = gaze({
      ik: { armL: { ...hands, pos: [0.9, 6.9, 1.8] }, armR: { ...hands, pos: [-0.9, 4.4, 0.2] } },
    });
    expect(aside[0]).toBeGreaterThan(0.1);
  });
});

describe('grips', () => {
  const { rig, solids } = poseBody(KIT, poseOf('hand-around-a-staff').pose, BUILDS.masc);
  const [bar] = solids;
  const distance = (p: Vec3): number => {
    if (bar.shape !== 'bar') throw new Error('no bar');
    const axis = normalize(sub(bar.to, bar.from));
    const q = sub(p, bar.from);
    const along = dot(q, axis);
    return Math.hypot(...sub(q, [axis[0] * along, axis[1] * along, axis[2] * along])) - bar.r0;
  };
  it('close round what is held: no finger goes into it, and each lies on it', () => {
    for (const finger of ['f1', 'f2', 'f3', 'f4']) {
      const gaps = [1, 2].map((i) => distance(rig.pos[`${finger}${String(i)}.L`]));
      expect(Math.min(...gaps), finger).toBeGreaterThan(0.02);
      expect(Math.min(...gaps), finger).toBeLessThan(0.09);
    }
  });
  it('leave a hand open that holds nothing', () => {
    const open = poseBody(KIT, { ...poseOf('hand-around-a-staff').pose, props: [] }, BUILDS.masc).rig;
    expect(open.local['f11.L']).not.toEqual(rig.local['f11.L']);
  });
});

describe('a suit', () => {
  it('covers from the neck to wrists and ankles, on everybody', () => {
    for (const name of BUILD_NAMES) {
      const { suit, shorts } = KIT.sitter(name).worn;
      const share = (part: Part, depth: Float32Array): number => {
        const members = KIT.members[partNumber(part)];
        return members.filter((v) => depth[v] > 0).length / members.length;
      };
      expect(share('torso', suit), name).toBeGreaterThan(0.97);
      for (const part of ['uarm.L', 'thigh.R'] as const) expect(share(part, suit), `${name} ${part}`).toBe(1);
      for (const part of ['farm.R', 'calf.L'] as const)
        expect(share(part, suit), `${name} ${part}`).toBeGreaterThan(0.8);
      for (const part of ['hand.L', 'foot.R'] as const) expect(share(part, suit), `${name} ${part}`).toBeLessThan(0.02);
      // The face is bare; a little of the neck is not.
      expect(share('head', suit), name).toBeLessThan(0.15);
      expect(share('farm.R', shorts)).toBe(0);
    }
  });
});

describe('lines of planes and solids', () => {
  const { pose } = poseOf('archer-turning');
  const view = { azimuthDeg: 20, elevationDeg: 6, lensDeg: 26 };
  const skin = buildFigure(KIT, pose, BUILDS.lean, COARSE);
  const lines = (form: 'planes' | 'solids') =>
    formLines(skin, buildFigure(KIT, pose, BUILDS.lean, COARSE, { form }), view, false);
  it('lie in the picture of the figure', () => {
    for (const form of ['planes', 'solids'] as const) {
      const rings = lines(form);
      expect(rings.length, form).toBeGreaterThan(form === 'planes' ? 80 : 30);
      for (const [x, y] of rings.flat()) {
        expect(x).toBeGreaterThan(-20);
        expect(y).toBeGreaterThan(-20);
        expect(Math.max(x, y)).toBeLessThan(KEY_LONG_SIDE + 20);
      }
    }
  });
  it('are none over the skin itself', () => {
    expect(formLines(skin, skin, view, false)).toEqual([]);
  });
});

describe('places', () => {
  it('are where bones are: the kneecap of everybody lies before the knee', () => {
    const knee = KIT.places().landmarks['left knee'];
    for (const name of BUILD_NAMES) {
      const { positions, rig } = poseBody(KIT, {}, BUILDS[name]);
      const off = sub(skinAt(positions, knee), rig.pos['calf.L']);
      expect(off[2], name).toBeGreaterThan(0.1);
    }
  });
});

describe('moves of the warm-up', () => {
  it('have pictures of as many poses as they have', () => {
    expect(Object.keys(MOVE_PICTURES)).toEqual(BODY_MOVES.map(({ name }) => name));
    for (const { file, frames } of Object.values(MOVE_PICTURES)) {
      expect(BODY_MOVE_POSES[file].poses.length, file).toBe(frames);
      for (let i = 1; i <= frames; i++) expect(existsSync(`public/figures/moves/${file}-${String(i)}.webp`)).toBe(true);
    }
  });
  it('really move', () => {
    for (const [name, { poses, build }] of Object.entries(BODY_MOVE_POSES)) {
      const [a, b] = poses.slice(0, 2).map((pose) => buildFigure(KIT, pose, BUILDS[build], FINE).positions);
      const most = a.reduce((far, v, i) => Math.max(far, Math.abs(v - b[i])), 0);
      expect(most, name).toBeGreaterThan(0.1);
    }
  });
});
