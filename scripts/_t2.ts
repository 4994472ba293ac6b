import { FORMS } from '@/core/forms';
import { lampPlaces, parametersAt, changesOf } from '@/core/evaluate/search/shells';
import { partsWith } from '@/core/evaluate/search/judge';
import { measure, throwsApart } from '@/core/evaluate/search/measure';
import { questionOf } from '@/core/evaluate/search/question';
import { small } from '@/core/evaluate/search/testing';
const q = questionOf(small(['globe-a60-8-hicri']),'clerk')!;
const form = FORMS.get('bulb-ring')!;
const [lamp]=lampPlaces(form,q.document);
const base=partsWith(form,lamp!,q)!;
const axes=form.search!.map(a=>changesOf(a,form,q));
for (const n of [2,4,6,10,20,24,26,28,34,40]) { const p={...parametersAt(base,axes,[2,1],form),socketCount:n}; const m=measure(form.resolve(p as never,q.context),q)!; console.log(n,m.perM,m.emitterWidthM,m.stopped,throwsApart(m,q)); }
import { Sieve, judgeLamp } from '@/core/evaluate/search/judge';
import { objectives } from '@/core/evaluate/search/front';
const t = Sieve.prototype.take;
Sieve.prototype.take = function (j) { if (/2.1 (2|4|6|10|20|24|26|28|34|40)$/.test(j.id)) console.log(j.id, j.separate, JSON.stringify(objectives(j,q))); return t.call(this, j); };
judgeLamp(form, lamp!, q, Infinity);
