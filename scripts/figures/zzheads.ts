import { KIT } from './kit';
const s = KIT.sitter('masc');
for (const [k, v] of Object.entries(s.build.head)) if (!k.endsWith('.R') && !/finger|meta/.test(k)) console.log(k, v.map((x) => x.toFixed(2)).join(' '));
let m=[1e9,-1e9,1e9,-1e9,1e9,-1e9]; const r=s.build.rest; for(let i=0;i<r.length;i+=3) for(let k=0;k<3;k++){m[2*k]=Math.min(m[2*k],r[i+k]);m[2*k+1]=Math.max(m[2*k+1],r[i+k]);} console.log(m);
const {landmarks,limbs,head}=KIT.places();
const at=(p:any)=>[0,1,2].map(k=>p.weights.reduce((t:number,w:number,i:number)=>t+w*r[p.corners[i]*3+k],0).toFixed(2)).join(' ');
for(const [n,p] of Object.entries({...landmarks,...limbs.L,...head})) if(!n.includes('right')) console.log(n, at(p));
