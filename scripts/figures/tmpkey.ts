import { BUILDS } from '@/core/figure/builds';
import { buildFigure, COARSE } from '@/core/figure/figure';
import { SET_FIGURES, figureReferenceId, poseOf } from '@/core/figure/reference';
import { answerKey } from '@/core/figure/facts/answerKey';
import { factSentences } from '@/core/figure/facts/sentences';
import { STUDIO_LIGHT } from '@/core/figure/light';
let t=0,m=0,n=0;
for (const f of SET_FIGURES.filter((_, i) => i % 11 === 0)) {
 const p = poseOf(f.poseId).pose, b = BUILDS[f.build];
 let a = performance.now(); const fig = buildFigure(p, b, COARSE); m += performance.now()-a;
 a = performance.now(); const k = answerKey(fig, p, b, f.view, STUDIO_LIGHT); t += performance.now()-a; n++;
 console.log(figureReferenceId(f), fig.indices.length/3, k.outline.length, k.inner.length, k.negatives.length, Math.round(k.outlineLength), Math.round(k.innerLength), k.shadow.length);
 console.log('  ', factSentences(k).join(' '));
}
console.log('mesh', m/n, 'key', t/n);
