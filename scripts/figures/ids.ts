import { SET_FIGURES, figureReferenceId, poseOf } from '@/core/figure/reference';
const fam = process.argv[2], which = Number(process.argv[3] ?? 0);
const seen = new Map<string, number>();
for (const f of SET_FIGURES) { const n = seen.get(f.poseId) ?? 0; seen.set(f.poseId, n+1); if (n === which && poseOf(f.poseId).family.includes(fam)) console.log(figureReferenceId(f)); }
