import { analyseText } from '../../core/session/analyse.ts';
import { baseLibrary } from '../../core/movement/library.ts';
for (const text of ['Main: amrap 6:00\n5 push-up\n8 split squat each side','Main: pyramid +2 in 1:15 rest 0:45\npush-up\nsquat','Main: climb 4 +2 every 1:00\nsquat\npush-up','Main: 3 windows of 2:00 rest 1:00\n10 squat\nmax push-up','Main: 21-15-9 for time cap 8:00\nsquat\npush-up','Main: amrap 6:00\n2+2 push-up\n4+2 squat','Main: amrap 6:00\n10 squat\nmax push-up','Main: every 1:00 for 6:00 in turn\n8 squat\nmax push-up', '2 sets of amrap 6:00 rest 1:00\n5 push-up\n10 squat']) {
  const a = analyseText(text, baseLibrary);
  console.log(text.split('\n')[0], a.issues?.map((i: any)=>i.code+i.at), JSON.stringify(a.plan.reps), JSON.stringify(a.plan.blocks.map(b=>[b.scoreForm?.kind, b.reps, b.scoreForm?.fields.map(f=>f.label)])), JSON.stringify(a.plan.movements.map(m=>[m.name,m.reps,m.hasOpenDose])));
}
