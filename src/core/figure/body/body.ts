import type { Build } from '../skeleton/builds';
import { type Primitive, Sculptor } from '../surface/sculptor';
import { sculptArm } from './arm';
import { sculptHand } from './hand';
import { sculptHead } from './head';
import { sculptLeg } from './leg';
import { sculptTorso } from './torso';

/** The sculpture of a build, in rest pose. */
export function sculptBody(build: Build): Primitive[] {
  const s = new Sculptor();
  sculptTorso(s, build);
  sculptHead(s, build);
  sculptArm(s, build);
  sculptHand(s);
  sculptLeg(s, build);
  return s.primitives;
}
