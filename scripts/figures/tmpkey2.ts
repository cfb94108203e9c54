import { BUILDS } from '@/core/figure/builds';
import { buildFigure, COARSE, FINE } from '@/core/figure/figure';
import { SET_FIGURES, poseOf } from '@/core/figure/reference';
import { answerKey } from '@/core/figure/facts/answerKey';
import { draftPicture } from '@/core/figure/draft';
import { STUDIO_LIGHT } from '@/core/figure/light';
const med = (a: number[]) => a.sort((x,y)=>x-y)[a.length>>1];
const mesh: number[]=[], key: number[]=[], draft: number[]=[], fine: number[]=[];
for (const f of SET_FIGURES.filter((_, i) => i % 11 === 0)) {
 const p = poseOf(f.poseId).pose, b = BUILDS[f.build];
 let a = performance.now(); const fig = buildFigure(p, b, COARSE); mesh.push(performance.now()-a);
 a = performance.now(); answerKey(fig, p, b, f.view, STUDIO_LIGHT); key.push(performance.now()-a);
 a = performance.now(); draftPicture(fig, f.view, {longSidePx: 600, ground: true}); draft.push(performance.now()-a);
}
for (const f of SET_FIGURES.filter((_, i) => i % 40 === 0)) { const p = poseOf(f.poseId).pose, b = BUILDS[f.build]; const a = performance.now(); const g = buildFigure(p, b, FINE); fine.push(performance.now()-a); console.log(g.indices.length/3) }
console.log('coarse', med(mesh), 'key', med(key), 'draft600', med(draft), 'fine', med(fine));
