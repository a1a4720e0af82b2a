import { largeHouse } from './tools/large-house.ts';
import { buildHouse, withRows, dueItems, newId, seededRandom, sittingOf, consequencesOf } from './core/index.ts';
for (const shape of ['looks','vessels'] as const) for (const n of [1000, 10000, 100000]) {
  const t0=performance.now(); const r = largeHouse(n, shape); const t1=performance.now(); let h = buildHouse(r); const t2=performance.now(); h=buildHouse(r); const t3=performance.now();
  const jar = h.batches.flatMap(b=>b.vessels).find(v=>v.state.phase==='running')!;
  const look = r.entries.find(e=>e.kind==='inspected')!;
  const times:number[]=[]; const undo:number[]=[]; const dueT:number[]=[]; const sit:number[]=[];
  for (let i=0;i<200;i++){ const e={...look,id:newId(Date.now()+i,Math.random),at:new Date().toISOString(),notedAt:new Date(Date.now()+i).toISOString(),vesselIds:[jar.vessel.id],fraction:0.5} as never; const a=performance.now(); h=withRows(h,{entries:[e]}); times.push(performance.now()-a); const b=performance.now(); dueItems(h, Date.now()); dueT.push(performance.now()-b); const s=performance.now(); sittingOf(h.workings.index.noted, undefined); sit.push(performance.now()-s); const c=performance.now(); consequencesOf(h,[{...(e as any),kind:'takenBack',entryId:(e as any).id,id:newId(Date.now(),Math.random)}] as never); undo.push(performance.now()-c);}
  const p=(t:number[])=>{t.sort((a,b)=>a-b); return `${t[100].toFixed(2)}/${t[190].toFixed(2)}`};
  console.log(shape,n,'entries',r.entries.length,'vessels',r.vessels.length,'make',Math.round(t1-t0),'build',Math.round(t2-t1),Math.round(t3-t2),'press',p(times),'due',p(dueT),'sitting',p(sit),'conseq',p(undo),'troubles',h.troubles.length);
}
