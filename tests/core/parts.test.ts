import { describe, expect, it } from 'vitest';
import { BUILDS } from '@/core/figure/skeleton/builds';
import { CATALOGUE } from '@/core/figure/catalogue/catalogue';
import { isPartFamily, PART_FAMILIES } from '@/core/figure/catalogue/families';
import { figureFacts, PART_FIGURES, poseOf } from '@/core/figure/catalogue/reference';
import { referenceFigure } from '@/core/figure/catalogue/referenceFigure';
import { figureReferenceId, mirroredId } from '@/core/figure/catalogue/referenceId';
import { factSentences } from '@/core/figure/facts/sentences';
import { referenceKey } from '@/core/figure/catalogue/referenceKey';
import { COARSE } from '@/core/figure/forms';
import { faceted, facetsOf } from '@/core/figure/mesh/facets';
import { draftPicture, hasGround } from '@/core/figure/picture/draft';
import { formOfLook, LIGHT_SOURCES, LOOKS, paintOf, towardLight } from '@/core/figure/picture/light';
import { PART_POSES } from '@/core/figure/poses/partPoses';
import { poseSkeleton } from '@/core/figure/skeleton/kinematics';
import { solidForms } from '@/core/figure/skeleton/solidForms';
import { setsOfBlock } from '@/core/practice/plan/setsOfBlock';
import type { PosesRecipe, Recipe } from '@/core/practice/plan/recipe';
import { BUILT_IN_SETS, isInSet } from '@/core/references/builtIn';
import { KIT } from './kit';

/** One view of each kind of part. */
const SOME = PART_FAMILIES.map((family) => PART_FIGURES.find(({ poseId }) => poseOf(poseId).family === family)!);
const read = (reference: (typeof SOME)[number]) => referenceKey(KIT, reference);

describe('parts as references', () => {
  it('are at least 240 views: everybody’s head, twenty-one gestures of hands, feet, torsos and backs', () => {
    expect(PART_FIGURES.length).toBeGreaterThanOrEqual(240);
    const poses = (family: string): number => Object.values(PART_POSES).filter((p) => p.family === family).length;
    expect(poses('hands')).toBe(21);
    const heads = PART_FIGURES.filter(({ poseId }) => poseId === 'head-level').map(({ build }) => build);
    expect(new Set(heads)).toEqual(new Set(Object.keys(BUILDS)));
    expect(new Set(PART_FIGURES.map(figureReferenceId)).size).toBe(PART_FIGURES.length);
  });
  it('are told apart from whole figures, and are in sets of their own', () => {
    const [all, ...families] = BUILT_IN_SETS;
    expect(CATALOGUE.filter((e) => isInSet(e, all)).some(({ family }) => isPartFamily(family))).toBe(false);
    for (const family of PART_FAMILIES) {
      const set = families.find((s) => s.family === family)!;
      expect(CATALOGUE.filter((e) => isInSet(e, set)).length, family).toBeGreaterThanOrEqual(30);
    }
    const hands = CATALOGUE.filter(({ family }) => family === 'hands').map(({ hand }) => hand);
    expect(new Set(hands)).toEqual(new Set(['closed fist', 'half open', 'open fingers']));
  });
  it('go from gentle to hard, and say why', () => {
    for (const family of PART_FAMILIES) {
      const facts = PART_FIGURES.filter(({ poseId }) => poseOf(poseId).family === family).map(figureFacts);
      expect(Math.min(...facts.map((f) => f.difficulty)), family).toBeLessThanOrEqual(2);
      expect(Math.max(...facts.map((f) => f.difficulty)), family).toBeGreaterThanOrEqual(3);
      expect(facts.filter((f) => f.difficulty >= 4).every((f) => f.why.length > 0)).toBe(true);
    }
    const fist = figureFacts({
      poseId: 'hand-fist',
      build: 'masc',
      view: { azimuthDeg: 12, elevationDeg: 6, lensDeg: 20 },
    });
    const toward = figureFacts({
      poseId: 'hand-fist',
      build: 'masc',
      view: { azimuthDeg: 12, elevationDeg: 58, lensDeg: 20 },
    });
    expect(toward.foreshortened && !fist.foreshortened).toBe(true);
    expect(toward.difficulty).toBeGreaterThan(fist.difficulty);
  });
  it('of the right side are those of the left in a mirror', () => {
    expect(poseOf('hand-fist').part).toBe('hand.L');
    expect(poseOf(mirroredId('hand-fist')).part).toBe('hand.R');
    expect(poseOf(mirroredId('head-level')).part).toBe('head');
  });
  it.each(SOME)('$poseId has an answer key of its own', (reference) => {
    const key = read(reference);
    const { part, family } = poseOf(reference.poseId);
    expect(key.part).toBe(part);
    expect(key.outline.length).toBeGreaterThan(0);
    expect(key.marks.filter((m) => m.visible).length).toBeGreaterThan(4);
    expect((key.structure ?? []).length > 0).toBe(family !== 'torsos and backs');
    expect(factSentences(key).every((s) => /^[A-Z].*\.$/.test(s))).toBe(true);
    for (const {
      at: [x, y],
    } of key.marks.filter((m) => m.visible)) {
      expect(x).toBeGreaterThan(-0.2 * key.width);
      expect(x).toBeLessThan(1.2 * key.width);
      expect(y).toBeLessThan(1.2 * key.height);
    }
  });
  it('say which way a head is turned, and how the eyes tilt', () => {
    const head = (azimuthDeg: number) =>
      factSentences(read({ poseId: 'head-level', build: 'fem', view: { azimuthDeg, elevationDeg: 3, lensDeg: 20 } }));
    expect(head(0)[0]).toContain('faces you');
    // Seen from its own left, it faces the picture's left and shows its left side.
    expect(head(40)[0]).toContain('to the left of the picture');
    expect(head(40)[0]).toContain('the left side of it is the broad one');
    expect(head(-40)[0]).toContain('to the right of the picture');
    expect(head(0).join(' ')).toContain('The eyes are level');
  });
  it('stand on the ground only where they stand', () => {
    expect(hasGround({ part: 'foot.L' }, true)).toBe(true);
    expect(hasGround({ part: 'head' }, true)).toBe(false);
    expect(hasGround({ part: undefined }, false)).toBe(false);
  });
  it('have hair that ends before the shoulders fade, also where the head leans back', () => {
    const count = KIT.sitter('strong').hair!.rest.length / 3;
    for (const poseId of ['head-level', 'head-raised', 'head-bowed']) {
      const { positions, fade } = referenceFigure(KIT, { poseId, build: 'strong' }, COARSE);
      const neck = BUILDS.strong.joints['clav.L'][1];
      const hair = Array.from({ length: count }, (_, i) => fade.length - count + i);
      const seen = hair.filter((v) => fade[v] > 0).map((v) => positions[v * 3 + 1]);
      expect(seen.length).toBeGreaterThan(count / 3);
      expect(Math.min(...seen), poseId).toBeGreaterThan(neck);
      expect(hair.some((v) => fade[v] === 0)).toBe(true);
    }
  });
  it('fade away instead of being cut off', () => {
    const figure = referenceFigure(KIT, SOME[0], COARSE);
    const { data } = draftPicture(figure, SOME[0].view, { longSidePx: 120, ground: true });
    const alpha = data.filter((_, i) => i % 4 === 3);
    expect(alpha.some((a) => a === 255)).toBe(true);
    expect(alpha.filter((a) => a > 20 && a < 235).length).toBeGreaterThan(100);
  });
});

describe('an exercise about parts', () => {
  const recipe = { setId: 'built-in', exercises: [] } as unknown as Recipe;
  const block = (exercise: string, setId?: string) =>
    ({ kind: 'poses', exercise, source: { kind: 'pictures', setId, pins: [] } }) as unknown as PosesRecipe;
  it('is drawn from them where nothing else was chosen', () => {
    expect(setsOfBlock(recipe, block('quick-head'))).toEqual(['built-in/heads']);
    expect(setsOfBlock(recipe, block('hands-and-feet'))).toEqual(['built-in/hands', 'built-in/feet']);
    expect(setsOfBlock(recipe, block('flowing-gesture'))).toEqual(['built-in']);
    expect(setsOfBlock(recipe, block('quick-head', 'own'))).toEqual(['own']);
    expect(setsOfBlock({ ...recipe, setId: 'own' }, block('quick-head'))).toEqual(['own']);
  });
});

describe('planes', () => {
  const ONE = (): number => 0;
  const { vertices, quads } = KIT.region('head');
  const { rest } = KIT.sitter('masc').build;
  const p = Float32Array.from([...vertices].flatMap((v) => [...rest.subarray(v * 3, v * 3 + 3)]));
  it('gather every face into one of so many pieces', () => {
    const { count, ofFace } = facetsOf(p, quads, 60, () => 1, ONE);
    // The skin is one piece, and each eye has some planes of its own.
    expect(count).toBeGreaterThanOrEqual(59);
    expect(count).toBeLessThanOrEqual(68);
    expect(ofFace.length).toBe(quads.length / 4);
    expect(new Set(ofFace).size).toBe(count);
  });
  it('are nearer to the surface the more there are', () => {
    const off = (count: number): number => {
      const facets = facetsOf(p, quads, count, () => 1, ONE);
      const { positions, source } = faceted(p, quads, facets);
      let sum = 0;
      source.forEach((v, i) => {
        sum += Math.hypot(...[0, 1, 2].map((k) => positions[i * 3 + k] - p[v * 3 + k]));
      });
      return sum / source.length;
    };
    expect(off(300)).toBeLessThan(off(40));
  });
  it('never reach over what bends against each other', () => {
    const half = (face: number): number => (p[quads[face * 4] * 3] < 0 ? 0 : 1);
    const { count, ofFace } = facetsOf(p, quads, 40, () => 1, half);
    const sides = Array.from({ length: count }, () => new Set<number>());
    ofFace.forEach((facet, face) => sides[facet].add(half(face)));
    // A speck of one side may go with the other.
    expect(sides.filter(({ size }) => size > 1).length).toBeLessThan(count / 10);
  });
  it('have straight edges', () => {
    const facets = facetsOf(p, quads, 40, () => 1, ONE);
    const { positions, source } = faceted(p, quads, facets);
    const at = new Map([...source].map((v, i) => [v, positions.subarray(i * 3, i * 3 + 3)]));
    const bends = (of: (v: number) => ArrayLike<number>): number => {
      let sum = 0;
      for (let i = 0; i < facets.borders.length; i += 3) {
        const [v, a, b] = [...facets.borders.subarray(i, i + 3)].map(of);
        const [d, e] = [0, 1].map((j) => [0, 1, 2].map((k) => (j === 0 ? v[k] - a[k] : b[k] - v[k])));
        sum += Math.acos(
          Math.min(1, (d[0] * e[0] + d[1] * e[1] + d[2] * e[2]) / (Math.hypot(...d) * Math.hypot(...e))),
        );
      }
      return sum / (facets.borders.length / 3);
    };
    const before = bends((v) => p.subarray(v * 3, v * 3 + 3));
    expect(bends((v) => at.get(v) as Float32Array)).toBeLessThan(before / 2);
  });
  it('each have one normal', () => {
    const facets = facetsOf(p, quads, 40, () => 1, ONE);
    const { normals, indices } = faceted(p, quads, facets);
    for (let t = 0; t < indices.length; t += 3)
      for (let k = 0; k < 3; k++) expect(normals[indices[t] * 3 + k]).toBe(normals[indices[t + 1] * 3 + k]);
  });
});

describe('solids', () => {
  it('stand where the body does, closed and facing outward', () => {
    const rig = poseSkeleton({}, BUILDS.tall);
    const { positions, normals, indices, parts } = solidForms(rig);
    expect(parts.length).toBe(positions.length / 3);
    expect(Math.max(...indices)).toBeLessThan(parts.length);
    const ys = positions.filter((_, i) => i % 3 === 1);
    expect(Math.max(...ys)).toBeGreaterThan(rig.pos.head[1] + 0.5);
    expect(Math.min(...ys)).toBeGreaterThan(-0.1);
    let outward = 0;
    let all = 0;
    for (let t = 0; t < indices.length; t += 3) {
      const [a, b, c] = [0, 1, 2].map((k) => [0, 1, 2].map((j) => positions[indices[t + k] * 3 + j]));
      const u = b.map((v, k) => v - a[k]);
      const w = c.map((v, k) => v - a[k]);
      const n = [u[1] * w[2] - u[2] * w[1], u[2] * w[0] - u[0] * w[2], u[0] * w[1] - u[1] * w[0]];
      const size = Math.hypot(...n);
      if (size < 1e-9) continue;
      all++;
      if ([0, 1, 2].reduce((s, k) => s + n[k] * normals[indices[t] * 3 + k], 0) > 0) outward++;
    }
    expect(outward / all).toBeGreaterThan(0.99);
  });
});

describe('light and material', () => {
  it('differ as their names say', () => {
    const sum = (v: readonly number[]): number => v.reduce((a, b) => a + b, 0);
    expect(sum(paintOf('dark clay').body)).toBeLessThan(sum(paintOf('clay').body) / 3);
    expect(sum(paintOf('clay', 'overcast').key)).toBeLessThan(sum(paintOf('clay').key) / 4);
    expect(sum(paintOf('clay', 'overcast').sky)).toBeGreaterThan(sum(paintOf('clay').sky) * 3);
    expect(towardLight({ azimuthDeg: 0, elevationDeg: 46, source: 'lamp from below' }, 0)[1]).toBeLessThan(0);
    for (const source of LIGHT_SOURCES)
      expect(Math.hypot(...towardLight({ azimuthDeg: 30, elevationDeg: 14, source }, 20))).toBeCloseTo(1, 9);
    expect(LOOKS.filter((look) => formOfLook(look) !== 'skin')).toEqual(['planes', 'solids']);
  });
});
