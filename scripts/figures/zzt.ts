import { KIT } from './kit';
import { referenceFigure } from '@/core/figure/catalogue/referenceFigure';
import { poseBody } from '@/core/figure/posedBody';
import { poseOf } from '@/core/figure/catalogue/reference';
import { BUILDS } from '@/core/figure/skeleton/builds';
for (const d of [24, 6, 2]) { for (let i = 0; i < 5; i++) referenceFigure(KIT, { poseId: 'archer-turning', build: 'fem' }, { levels: 0, directions: d }); const t = performance.now(); for (let i = 0; i < 10; i++) referenceFigure(KIT, { poseId: 'archer-turning', build: 'fem' }, { levels: 0, directions: d }); console.log(d, (performance.now() - t) / 10); }
const t = performance.now(); for (let i = 0; i < 10; i++) poseBody(KIT, poseOf('archer-turning').pose, BUILDS.fem); console.log('pose', (performance.now() - t) / 10);
