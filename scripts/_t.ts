import { nightFerry } from '@/demo/nightFerry';
import { questionOf } from '@/core/evaluate/search/question';
import { search, ownHelper } from '@/core/evaluate/search/run';
import { doTask } from '@/core/evaluate/search/tasks';
import { refined } from '@/core/evaluate/search/refine';
import { weightOf } from '@/core/evaluate/search/answers';
async function main(){
const demo = nightFerry();
const shotId = process.argv[2] ?? 'clerk';
const edit = process.argv[3]; if (edit) eval(edit);
const q = questionOf(demo, shotId)!;
const t0=performance.now();
let stage='', n=0;
const out = await search(q, [ownHelper(q, doTask, refined)], (so)=>{n++; if(n%8&&n>1)return; const s=so(); if(s.stage!==stage){console.log(stage=s.stage, (performance.now()-t0).toFixed(0), s.judged, s.answers.length)}}, new AbortController().signal);
console.log('done',(performance.now()-t0).toFixed(0), out!.judged, JSON.stringify(out!.fell), 'front', out!.front.length);
const line=(x:any)=>[x.id.padEnd(46), x.what.padEnd(30), x.stops.toFixed(2), x.angleDeg.toFixed(0)+'°', x.separate?'sep':'', 'Ra',x.ra, Math.round(x.miredOff)+'mired', (x.nowMinor/100).toFixed(2),(x.fullMinor/100).toFixed(2), x.hours.toFixed(1)+'h', x.watts.toFixed(0)+'W', 'ev',x.evennessStops?.toFixed(2), x.layers.join('+'), 'w',weightOf(x,q).toFixed(2), x.sure].join(' ');
for (const a of out!.answers) console.log(a.bests.join(', ').padEnd(30), line(a.found));
console.log('near'); for (const [k,v] of Object.entries(out!.near)) console.log(k, line(v));
console.log('nearest', out!.nearest && line(out!.nearest));

}
void main();
