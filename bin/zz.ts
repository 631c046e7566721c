import { everyReading, shapesTally } from '../core/movement/name/every-reading.ts';
import { baseLibrary as L } from '../core/movement/library.ts';
import { readName } from '../core/movement/name/read-name.ts';
const s=everyReading(1); const p=everyReading(2,{oneIn:40});
for (const [n,l] of [['one',s],['two',p]] as const) { const t=shapesTally(l.map(r=>r.movement)); const all=Object.values(t).reduce((a,b)=>a+b,0); console.log(n,l.length,Object.fromEntries(Object.entries(t).map(([k,v])=>[k,(100*v/all).toFixed(2)])), 'calm of changed', (100*t.calm/(all-t.asIs)).toFixed(2)); }
const names=['alternating dumbbell reverse lunge','seated band overhead press','slow single-leg glute bridge','lateral lunge with kettlebell','squat to side kick','zigzag dumbbell reverse lunge'];
for (let i=0;i<2000;i++) for (const n of names) readName(n,L.book);
for (const n of names) { const t=performance.now(); for (let i=0;i<3000;i++) readName(n,L.book); console.log(n, ((performance.now()-t)/3000*1000).toFixed(1),'µs'); }
