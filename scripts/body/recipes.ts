// Who the adults are: what each mixes of the source's shapes. Maintainer's data; what ships is made of it by npm run body.
import type { BuildName } from '@/core/figure/skeleton/builds';

/** Years of the two ages that the source's adult shapes are made for. */
const YOUNG = 25;
const OLD = 90;

/** One person. All between -1 and 1 unless said otherwise; beyond 1 a shape is extrapolated. */
export interface Recipe {
  /** 0 female to 1 male. */
  male: number;
  /** 20 to 80. */
  years: number;
  muscle: number;
  weight: number;
  /** From sole to crown. */
  meters: number;
  breast?: number;
  /** 0 to 1: toward the proportions that artists call ideal; negative for uncommon ones. */
  ideal?: number;
  /** Shares of three ancestries in face and frame; they sum to 1. */
  ancestry: { african?: number; asian?: number; caucasian?: number };
  /** Shapes of single parts and how much of each; `{s}` stands for both sides. */
  more?: Record<string, number>;
}

const threeWay = (v: number, name: string): [string, number][] => [
  [`min${name}`, Math.max(0, -v)],
  [`average${name}`, 1 - Math.abs(v)],
  [`max${name}`, Math.max(0, v)],
];

/** The source's shoulder joint lies low in the shoulder: with longer upper arms hands reach what people's do. */
const EVERYBODY = { 'arms/measure-upperarm-length-incr': 0.35 };

/**
 * Targets and their shares: products of the large factors, as the source's shapes are meant to be mixed.
 * @param height -1 to 1, the share of the source's shape for the shortest or the tallest.
 */
export function mixture(r: Recipe, height: number): [target: string, share: number][] {
  if (r.years < 20 || r.years > 80) throw new Error('adults of twenty to eighty only');
  const old = Math.max(0, (r.years - YOUNG) / (OLD - YOUNG));
  const out: [string, number][] = [];
  for (const [sex, ws] of [
    ['female', 1 - r.male],
    ['male', r.male],
  ] as const)
    for (const [age, wa] of [
      ['young', 1 - old],
      ['old', old],
    ] as const) {
      for (const [from, share] of Object.entries(r.ancestry))
        out.push([`macrodetails/${from}-${sex}-${age}`, ws * wa * share]);
      for (const [muscle, wm] of threeWay(r.muscle, 'muscle'))
        for (const [weight, ww] of threeWay(r.weight, 'weight')) {
          const share = ws * wa * wm * ww;
          const stem = `${sex}-${age}-${muscle}-${weight}`;
          out.push([`macrodetails/universal-${stem}`, share]);
          if (height)
            out.push([`macrodetails/height/${stem}-${height > 0 ? 'max' : 'min'}height`, share * Math.abs(height)]);
          if (r.ideal)
            out.push([
              `macrodetails/proportions/${stem}-${r.ideal > 0 ? 'ideal' : 'uncommon'}proportions`,
              share * Math.abs(r.ideal),
            ]);
          if (sex === 'female' && r.breast !== undefined)
            for (const [cup, wc] of threeWay(r.breast, 'cup'))
              if (cup !== 'averagecup') out.push([`breast/${stem}-${cup}-averagefirmness`, share * wc]);
        }
    }
  for (const [name, share] of Object.entries({ ...EVERYBODY, ...r.more }))
    for (const side of name.includes('{s}') ? ['l', 'r'] : ['']) out.push([name.replace('{s}', side), share]);
  return out.filter(([, share]) => Math.abs(share) > 1e-4);
}

const THIRDS = { african: 1 / 3, asian: 1 / 3, caucasian: 1 / 3 };

export const RECIPES: Record<BuildName, Recipe> = {
  masc: {
    male: 1,
    years: 28,
    muscle: 0.8,
    weight: -0.25,
    meters: 1.76,
    ideal: 0.6,
    ancestry: { caucasian: 0.7, asian: 0.3 },
  },
  fem: {
    male: 0,
    years: 27,
    muscle: 0.2,
    weight: 0,
    meters: 1.68,
    breast: 0.1,
    ideal: 0.6,
    ancestry: { caucasian: 0.6, african: 0.4 },
  },
  lean: {
    male: 1,
    years: 36,
    muscle: 0.55,
    weight: -1.15,
    meters: 1.85,
    ideal: 0.4,
    ancestry: { african: 0.9, caucasian: 0.1 },
  },
  stocky: {
    male: 1,
    years: 48,
    muscle: 0.35,
    weight: 1.15,
    meters: 1.72,
    ancestry: { caucasian: 1 },
    more: { 'torso/torso-scale-depth-incr': 0.4, 'stomach/stomach-pregnant-incr': 0.2, 'head/head-square': 0.5 },
  },
  muscular: {
    male: 1,
    years: 31,
    muscle: 1.1,
    weight: 0.05,
    meters: 1.82,
    ideal: 0.75,
    ancestry: { african: 0.75, caucasian: 0.25 },
  },
  heavy: {
    male: 0,
    years: 41,
    muscle: -0.1,
    weight: 1.45,
    meters: 1.66,
    breast: 0.5,
    ancestry: { african: 0.5, caucasian: 0.5 },
  },
  slight: {
    male: 0,
    years: 23,
    muscle: -0.1,
    weight: -0.7,
    meters: 1.61,
    breast: -0.5,
    ideal: 0.5,
    ancestry: { asian: 1 },
  },
  older: {
    male: 1,
    years: 71,
    muscle: -0.1,
    weight: 0,
    meters: 1.72,
    ancestry: THIRDS,
    more: { 'head/head-age-incr': 0.6, 'ears/{s}-ear-scale-incr': 0.5 },
  },
  elder: {
    male: 0,
    years: 74,
    muscle: -0.2,
    weight: 0.1,
    meters: 1.58,
    breast: 0,
    ancestry: { asian: 0.6, caucasian: 0.4 },
    more: { 'head/head-age-incr': 0.6 },
  },
  strong: {
    male: 0,
    years: 33,
    muscle: 0.95,
    weight: -0.1,
    meters: 1.74,
    breast: -0.2,
    ideal: 0.5,
    ancestry: { african: 0.9, asian: 0.1 },
  },
  small: {
    male: 1,
    years: 54,
    muscle: 0.3,
    weight: 0,
    meters: 1.63,
    ideal: 0.3,
    ancestry: { asian: 1 },
    more: {
      'head/head-age-incr': 0.45,
      'head/head-rectangular': 0.3,
      'head/head-scale-vert-decr': 0.25,
      'head/head-scale-horiz-decr': 0.3,
      'head/head-scale-depth-decr': 0.3,
    },
  },
  tall: {
    male: 0,
    years: 44,
    muscle: 0.15,
    weight: -0.35,
    meters: 1.79,
    breast: 0,
    ideal: 0.3,
    ancestry: { caucasian: 0.9, african: 0.1 },
    more: { 'head/head-rectangular': 0.4 },
  },
  big: {
    male: 1,
    years: 62,
    muscle: -0.1,
    weight: 1.5,
    meters: 1.8,
    ancestry: { african: 0.3, asian: 0.4, caucasian: 0.3 },
    more: { 'stomach/stomach-pregnant-incr': 0.35, 'torso/torso-scale-depth-incr': 0.4, 'head/head-fat-incr': 0.4 },
  },
};
