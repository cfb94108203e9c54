import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readBodyPack } from '@/core/figure/mesh/bodyPack';
import { contactShade } from '@/core/figure/mesh/contactShade';
import { mushed, mushOf } from '@/core/figure/mesh/deltaMush';
import { withIrises } from '@/core/figure/mesh/eyes';
import { graphOf, quadNormals, smoothed, trianglesOf } from '@/core/figure/mesh/graph';
import { HAIR, HAIR_STYLES } from '@/core/figure/mesh/hairStyles';
import { handContact, handShift } from '@/core/figure/mesh/handContact';
import { MESH_BONES, mirroredBone, PARENT } from '@/core/figure/mesh/meshBones';
import { openness } from '@/core/figure/mesh/openness';
import { placeBones } from '@/core/figure/mesh/placeBones';
import { flattenOn, yielded } from '@/core/figure/mesh/press';
import { SHOWN_PARTS } from '@/core/figure/mesh/region';
import { skinned } from '@/core/figure/mesh/skin';
import { skinAlong, skinAt } from '@/core/figure/mesh/skinPoint';
import { subdivided, subdivisionOf } from '@/core/figure/mesh/subdivide';
import { POSES } from '@/core/figure/poses/poses';
import { poseBody } from '@/core/figure/posedBody';
import { BUILD_NAMES, BUILD_WORDS } from '@/core/figure/skeleton/buildNames';
import { BUILDS } from '@/core/figure/skeleton/builds';
import { poseSkeleton } from '@/core/figure/skeleton/kinematics';
import { PARTS, partNumber } from '@/core/figure/skeleton/parts';
import { length, sub, type Vec3 } from '@/core/figure/skeleton/vector';
import { mixture, RECIPES } from '../../scripts/body/recipes';
import { refuse } from '../../scripts/body/source';
import { bodyBytes, KIT } from './kit';

/** A cube of side 2 around the middle, as quads that face outward. */
const CUBE = Float32Array.from([-1, 1].flatMap((x) => [-1, 1].flatMap((y) => [-1, 1].flatMap((z) => [x, y, z]))));
const CUBE_QUADS = Uint32Array.from([0, 1, 3, 2, 4, 6, 7, 5, 0, 4, 5, 1, 2, 3, 7, 6, 0, 2, 6, 4, 1, 5, 7, 3]);
const extent = (p: Float32Array, k: number): [number, number] => {
  const values = [...p].filter((_, i) => i % 3 === k);
  return [Math.min(...values), Math.max(...values)];
};

describe('the packed body', () => {
  const { mesh, builds, header } = readBodyPack(bodyBytes());
  it('holds at least twelve adults, and everybody who poses', () => {
    expect(header.builds.map(({ name }) => name)).toEqual([...BUILD_NAMES]);
    expect(header.builds.length).toBeGreaterThanOrEqual(12);
    for (const { name, years } of header.builds) {
      expect(years, name).toBeGreaterThanOrEqual(20);
      expect(years, name).toBeLessThanOrEqual(80);
    }
    expect(new Set(Object.values(BUILD_WORDS)).size).toBe(BUILD_NAMES.length);
  });
  it('mixes only adult shapes, and refuses all others by name', () => {
    for (const name of BUILD_NAMES)
      for (const [target] of mixture(RECIPES[name], 0.2)) expect(() => refuse(target)).not.toThrow();
    for (const target of [
      'macrodetails/asian-female-child',
      'macrodetails/universal-male-baby-maxmuscle-averageweight',
      'genitals/x',
    ])
      expect(() => refuse(target)).toThrow('never read');
    expect(() => mixture({ ...RECIPES.masc, years: 16 }, 0)).toThrow('adults');
  });
  it('is the same on both sides, vertex by vertex and weight by weight', () => {
    const { rest } = builds.elder;
    for (let v = 0; v < mesh.vertexCount; v += 7) {
      const w = mesh.mirror[v];
      expect(mesh.mirror[w]).toBe(v);
      expect(rest[w * 3]).toBeCloseTo(-rest[v * 3], 5);
      expect(rest[w * 3 + 1]).toBeCloseTo(rest[v * 3 + 1], 5);
      const sum = [0, 1, 2, 3].reduce((s, k) => s + mesh.skinWeights[v * 4 + k], 0);
      expect(sum).toBeCloseTo(1, 5);
    }
    for (const bone of MESH_BONES) expect(mirroredBone(mirroredBone(bone))).toBe(bone);
  });
  it('stands on the ground as tall as it should', () => {
    for (const name of BUILD_NAMES) {
      const [low, high] = extent(builds[name].rest, 1);
      expect(low).toBeCloseTo(0, 2);
      expect(high * 0.225).toBeCloseTo(RECIPES[name].meters, 1);
    }
  });
  it('has a parent for every bone but the first, and the parent comes before', () => {
    MESH_BONES.slice(1).forEach((bone, i) => {
      expect(MESH_BONES.indexOf(PARENT[bone]), bone).toBeLessThanOrEqual(i);
      expect(PARENT[bone]).toBeDefined();
    });
  });
  it('is no body when it is something else', () => {
    expect(() => readBodyPack(new TextEncoder().encode('{"not":"one"}'))).toThrow('not a packed body');
  });
});

describe('subdividing', () => {
  const level = subdivisionOf(8, CUBE_QUADS);
  it('gives each face four, and as many vertices as there were corners, edges and faces', () => {
    expect(level.quads.length / 4).toBe(24);
    expect(level.fineCount).toBe(8 + 12 + 6);
  });
  it('takes a cube toward a ball, as Catmull and Clark do', () => {
    const p = subdivided(level, CUBE, 3);
    // A corner of the cube goes to five ninths, the middle of an edge to three quarters, that of a face stays.
    expect(p[0]).toBeCloseTo(-5 / 9, 5);
    expect(Math.max(...p.subarray(8 * 3, 20 * 3))).toBeCloseTo(0.75, 5);
    expect(Math.max(...p.subarray(20 * 3))).toBeCloseTo(1, 5);
  });
  it('leaves what is the same everywhere as it is', () => {
    fc.assert(
      fc.property(fc.double({ min: -9, max: 9, noNaN: true }), (value) => {
        for (const v of subdivided(level, new Float32Array(8).fill(value), 1)) expect(v).toBeCloseTo(value, 4);
      }),
    );
  });
  it('keeps the borders of an open mesh', () => {
    const flat = subdivisionOf(4, Uint32Array.from([0, 1, 2, 3]));
    const p = subdivided(flat, Float32Array.from([0, 0, 0, 1, 0, 0, 1, 1, 0, 0, 1, 0]), 3);
    expect(extent(p, 2)).toEqual([0, 0]);
    expect([...p.subarray(0, 2)]).toEqual([0.125, 0.125]);
    expect([...p.subarray(4 * 3, 4 * 3 + 2)]).toEqual([0.5, 0]);
  });
});

describe('the graph of a mesh', () => {
  it('knows each vertex’s neighbors once', () => {
    const { start, list } = graphOf(8, CUBE_QUADS);
    for (let v = 0; v < 8; v++) expect(new Set(list.subarray(start[v], start[v + 1])).size).toBe(3);
  });
  it('draws a cube together when it is smoothed, and leaves its middle', () => {
    const p = smoothed(graphOf(8, CUBE_QUADS), CUBE, 3, 0.5, 8);
    expect(extent(p, 0)[1]).toBeLessThan(0.5);
    expect([...p].reduce((a, b) => a + b, 0)).toBeCloseTo(0, 5);
  });
  it('gives normals that point out of it', () => {
    const n = quadNormals(CUBE_QUADS, CUBE);
    for (let v = 0; v < 8; v++) {
      const out = [0, 1, 2].reduce((sum, k) => sum + n[v * 3 + k] * CUBE[v * 3 + k], 0);
      expect(out).toBeCloseTo(Math.sqrt(3), 5);
    }
  });
});

describe('skin', () => {
  const { mesh } = KIT;
  const sitter = KIT.sitter('masc');
  const still = {
    rot: Object.fromEntries(MESH_BONES.map((bone) => [bone, [0, 0, 0, 1] as [number, number, number, number]])),
    pos: sitter.build.head,
  };
  it('lies as it rests when no bone moves', () => {
    const p = skinned(mesh, sitter.build, still);
    for (let i = 0; i < p.length; i += 11) expect(p[i]).toBeCloseTo(sitter.build.rest[i], 4);
  });
  it('goes where its bones go, all together', () => {
    const moved = {
      ...still,
      pos: Object.fromEntries(MESH_BONES.map((bone) => [bone, still.pos[bone].map((v, k) => v + k) as Vec3])),
    };
    const p = skinned(mesh, sitter.build, moved);
    for (let i = 0; i < p.length; i += 11) expect(p[i]).toBeCloseTo(sitter.build.rest[i] + (i % 3), 4);
  });
  it('is only worked out for those who are asked for', () => {
    const only = KIT.members[partNumber('hand.L')];
    const p = skinned(mesh, sitter.build, still, only);
    expect(p[only[0] * 3 + 1]).toBeCloseTo(sitter.build.rest[only[0] * 3 + 1], 4);
    expect(p[KIT.members[partNumber('head')][0] * 3 + 1]).toBe(0);
  });
  it('has its detail back after smoothing', () => {
    const { rest } = KIT.sitter('fem').build;
    const p = mushed(mesh, mushOf(mesh, rest, KIT.graph), rest);
    let worst = 0;
    for (let i = 0; i < mesh.firstEye * 3; i++) worst = Math.max(worst, Math.abs(p[i] - rest[i]));
    expect(worst).toBeLessThan(1e-4);
  });
  it('has its joints where the skeleton has them', () => {
    for (const name of BUILD_NAMES) {
      const { build, turns } = KIT.sitter(name);
      const rig = poseSkeleton({ shL: [80, 60, 0], elL: [70, 10], knR: 60, hipR: [50, 10, 0] }, BUILDS[name]);
      const { pos } = placeBones(build, turns, rig);
      for (const [meshBone, bone] of [
        ['lowerarm01.L', 'farm.L'],
        ['wrist.L', 'hand.L'],
        ['lowerleg01.R', 'calf.R'],
        ['foot.R', 'foot.R'],
      ])
        expect(length(sub(pos[meshBone], rig.pos[bone])), `${name} ${bone}`).toBeLessThan(0.05);
    }
  });
});

describe('flesh', () => {
  it('gives way smoothly to what is hard, and never goes into it', () => {
    fc.assert(
      fc.property(fc.double({ min: -1, max: 1, noNaN: true }), (h) => {
        expect(yielded(h, 0.1)).toBeGreaterThanOrEqual(Math.max(0, h));
        if (h > 0.1) expect(yielded(h, 0.1)).toBe(h);
      }),
    );
  });
  it('lies flat on the ground and on a box', () => {
    const p = Float32Array.from([5, -0.3, 0, 0, 1.95, 0, 0, 5, 0]);
    flattenOn(p, [{ shape: 'box', center: [0, 1, 0], half: [1, 1, 1], rot: [0, 0, 0, 1] }]);
    expect(p[1]).toBe(0);
    expect(p[4]).toBeCloseTo(2, 2);
    expect(p[7]).toBe(5);
  });
  it('of a sitter rests on the seat, and soles on the floor', () => {
    const { positions, rig } = poseBody(KIT, POSES['drummer-waiting'].pose, BUILDS.heavy);
    for (const side of ['L', 'R'] as const) {
      const soles = KIT.members[partNumber(`foot.${side}`)];
      expect(Math.min(...Array.from(soles, (v) => positions[v * 3 + 1]))).toBeCloseTo(0, 1);
    }
    const seat = Array.from(KIT.members[partNumber('torso')], (v) => positions[v * 3 + 1]);
    expect(Math.min(...seat)).toBeGreaterThan(rig.pos.pelvis[1] - 1);
  });
});

describe('light', () => {
  it('comes to an open ball from everywhere but the ground, and hardly into a pit', () => {
    const p = Float32Array.from([0, 3, 0, 0, 1, 0]);
    const up = Float32Array.from([0, 1, 0, 0, 1, 0]);
    // A lid over the lower of two points.
    const lid = {
      positions: Float32Array.from([-2, 1.4, -2, 2, 1.4, -2, 2, 1.4, 2, -2, 1.4, 2]),
      indices: Uint32Array.from([0, 2, 1, 0, 3, 2]),
    };
    const [above, below] = openness(p, up, lid, 64);
    expect(above).toBeGreaterThan(0.95);
    expect(below).toBeLessThan(0.5);
  });
  it('leaves the ground dark only under what touches it', () => {
    const low = CUBE.map((v, i) => (i % 3 === 1 ? v + 1 : v));
    const { data, resolution } = contactShade({ positions: low, indices: trianglesOf(CUBE_QUADS) });
    const middle = (resolution / 2) * resolution + resolution / 2;
    expect(data[middle]).toBeGreaterThan(120);
    expect(data[0]).toBe(0);
  });
});

describe('places on the skin', () => {
  it('are met by a ray, and stay the same place whatever happens to the skin', () => {
    const triangles = trianglesOf(CUBE_QUADS);
    const point = skinAlong(CUBE, triangles, [0.2, 0.1, 0], [0, 0, 1]);
    skinAt(CUBE, point).forEach((v, k) => expect(v).toBeCloseTo([0.2, 0.1, 1][k], 6));
    const larger = CUBE.map((v) => v * 3);
    skinAt(larger, point).forEach((v, k) => expect(v).toBeCloseTo([0.6, 0.3, 3][k], 5));
    expect(() => skinAlong(CUBE, triangles, [0, 5, 0], [0, 1, 0])).toThrow('no skin');
  });
  it('are found for the whole and for every part, the same on both sides', () => {
    const { landmarks, head, limbs, face } = KIT.places();
    const { rest } = KIT.sitter('tall').build;
    for (const places of [landmarks, head])
      for (const name of Object.keys(places).filter((n) => n.startsWith('left '))) {
        const [x, y, z] = skinAt(rest, places[name]);
        skinAt(rest, places[name.replace('left', 'right')]).forEach((v, k) => expect(v).toBeCloseTo([-x, y, z][k], 4));
      }
    expect(Object.keys(limbs.L)).toEqual(Object.keys(limbs.R));
    expect(face.length).toBe(11);
    expect(skinAt(rest, head['tip of the nose'])[2]).toBeGreaterThan(skinAt(rest, head['bridge of the nose'])[2]);
  });
});

describe('parts that are shown alone', () => {
  it.each(SHOWN_PARTS)('%s is there in its middle and fades toward its end', (part) => {
    const { fade, vertices, quads } = KIT.region(part);
    expect(vertices.length).toBeLessThan(KIT.mesh.vertexCount * 0.8);
    expect(Math.max(...fade)).toBe(1);
    expect(fade.filter((f) => f > 0.02 && f < 0.98).length).toBeGreaterThan(20);
    for (const corner of quads) if (corner >= vertices.length) throw new Error('a face without its corner');
  });
});

describe('hair', () => {
  it.each(BUILD_NAMES)('of %s covers the crown and leaves the face', (name) => {
    const { hair, build } = KIT.sitter(name);
    if (!HAIR[name]) {
      expect(hair).toBeUndefined();
      return;
    }
    const [, crown] = extent(build.rest, 1);
    expect(extent(hair!.rest, 1)[1]).toBeGreaterThan(crown - 0.03);
    const nose = skinAt(build.rest, KIT.places().head['tip of the nose']);
    for (let v = 0; v < hair!.vertexCount; v++) {
      const p: Vec3 = [hair!.rest[v * 3], hair!.rest[v * 3 + 1], hair!.rest[v * 3 + 2]];
      expect(Number.isFinite(p[0] + p[1] + p[2])).toBe(true);
      if (length(sub(p, nose)) < 0.3) throw new Error('hair in the face');
    }
    expect(Object.keys(HAIR_STYLES)).toContain(HAIR[name]);
  });
});

describe('eyes', () => {
  it('have a dish for an iris and a hole for a pupil, and look ahead', () => {
    const { mesh } = KIT;
    const { builds } = readBodyPack(bodyBytes());
    const { rest, light } = withIrises(mesh, builds.fem.rest);
    const front = (p: Float32Array): number => {
      let most = -Infinity;
      for (let v = mesh.firstEye; v < mesh.vertexCount; v++) most = Math.max(most, p[v * 3 + 2]);
      return most;
    };
    expect(front(rest)).toBeLessThan(front(builds.fem.rest));
    expect(Math.min(...light)).toBeLessThan(0.2);
    expect(light.subarray(0, mesh.firstEye).every((l) => l === 1)).toBe(true);
  });
});

describe('hands', () => {
  it('are moved out of flesh they are in, and onto flesh they should touch', () => {
    const { positions } = poseBody(KIT, {}, BUILDS.masc);
    const n = quadNormals(KIT.mesh.quads, positions);
    const contact = handContact(KIT, positions, n, 'L');
    const thigh = KIT.members[partNumber('thigh.L')];
    const hand = KIT.members[partNumber('hand.L')];
    const mean = (list: Uint32Array, k: number): number =>
      list.reduce((s, v) => s + positions[v * 3 + k], 0) / list.length;
    const inside: Vec3 = [0, 1, 2].map((k) => mean(thigh, k) - mean(hand, k)) as Vec3;
    expect(contact(inside).inside).toBeGreaterThan(0.5);
    const out = handShift(
      (shift) => contact(inside.map((v, k) => v + shift[k]) as Vec3),
      undefined,
      [0, 0, 0],
      () => false,
    );
    expect(contact(inside.map((v, k) => v + out[k]) as Vec3).inside).toBeLessThan(0.15);
  });
  it('know every part of the body', () => {
    expect(KIT.members.length).toBe(PARTS.length);
    expect(KIT.members.reduce((sum, m) => sum + m.length, 0)).toBe(KIT.mesh.firstEye);
  });
});
