import { PLAYED_BY } from '@/core/figure/reference';
import { BUILDS } from '@/core/figure/builds';
import { POSES } from '@/core/figure/poses/poses';
import { settlePose, imbalance } from '@/core/figure/support';
import { placeFigure } from '@/core/figure/figure';
import { brokenLimits, penetrations } from '@/core/figure/limits';
import { rotate, add, sub, length, scale } from '@/core/figure/vector';
import { handPoint } from '@/core/figure/solids';
import { onBone } from '@/core/figure/kinematics';
import { boneScale } from '@/core/figure/skeleton';
const only = process.argv[2] ?? '';
const deep = process.argv[3] === 'deep';
let n=0, bad=0;
for (const [id, a] of Object.entries(POSES)) {
  if (!id.includes(only) && !a.family.includes(only)) continue;
  for (const b of (PLAYED_BY as any)[Object.keys(PLAYED_BY).find(k=>id.startsWith(k))!]) { n++;
  const { rig, shift } = settlePose(a.pose, BUILDS[b as "masc"]);
  const out: string[] = [];
  out.push(...brokenLimits(rig));
  const im = imbalance(a.pose, rig);
  if (!a.pose.moving && a.pose.support===undefined && im > 0.01) out.push('imbalance ' + im.toFixed(2));
  for (const s of ['L','R'] as const) {
    const t = (a.pose.ik as any)?.['arm'+s];
    if (!t) continue;
    const kk = rig.rest.pelvis[1]/4.15; const goal = t.rel ? add(rig.pos[t.rel], rotate(rig.rot[t.rel], onBone(rig.build, t.rel, t.pos))) : scale(t.pos, kk);
    
    const at = t.by ? add(rig.pos['hand.'+s], rotate(rig.rot['hand.'+s], onBone(rig.build, 'hand.'+s, handPoint(t.by, s)))) : rig.pos['hand.'+s];
    const miss = length(sub(goal, at));
    if (miss > 0.1) out.push(`hand ${s} misses by ${miss.toFixed(2)}`);
  }
  if (Math.hypot(...shift) > 0.75) out.push('shift ' + shift.map(v=>v.toFixed(2)).join(','));
  if (deep) { const { field } = placeFigure(a.pose, BUILDS[b as "masc"]); for (const p of penetrations(field)) if (p.depth>0.1) out.push(`${p.parts} ${p.depth.toFixed(2)}`); }
  if (out.length) { bad++; console.log(id, b, "|", out.join('; ')); } }
}
console.log(n, 'poses', bad, 'bad');
