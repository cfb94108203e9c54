// Envelopes and heights in heads of the sets' views, as the page map needs them: tsx envelopes.ts
import { BUILDS } from '@/core/figure/skeleton/builds';
import { referenceFigure } from '@/core/figure/catalogue/referenceFigure';
import { figureFileName } from '@/core/figure/catalogue/catalogue';
import type { EnvelopeFile } from '@/core/figure/catalogue/envelopes';
import { answerKey } from '@/core/figure/facts/answerKey';
import { COARSE } from '@/core/figure/forms';
import { poseOf, SET_FIGURES } from '@/core/figure/catalogue/reference';
import { STUDIO_LIGHT } from '@/core/figure/picture/light';
import { KIT } from './kit';

const out: EnvelopeFile = {};
for (const { poseId, build, view } of SET_FIGURES) {
  const { pose } = poseOf(poseId);
  const key = answerKey(referenceFigure(KIT, { poseId, build }, COARSE), pose, BUILDS[build], view, STUDIO_LIGHT, {
    ground: false,
  });
  const headShare = (key.bottom - key.top) / key.heads / key.height;
  const permille = (share: number): number => Math.max(0, Math.min(1000, Math.round(share * 1000)));
  out[figureFileName(poseId, build, view.azimuthDeg)] = [
    permille(headShare),
    ...key.envelope.flatMap(([x, y]) => [permille(x / key.width), permille(y / key.height)]),
  ];
}
console.log(JSON.stringify(out));
