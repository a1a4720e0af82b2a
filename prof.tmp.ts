import { largeHouse } from './tools/large-house.ts';
import { buildHouse, withRows, newId } from './core/index.ts';
const r = largeHouse(100000,'looks'); let h = buildHouse(r);
const jar = h.batches.flatMap(b=>b.vessels).find(v=>v.state.phase==='running')!; const look = r.entries.find(e=>e.kind==='inspected')!;
for (let i=0;i<2000;i++){ const e={...look,id:newId(Date.now()+i,Math.random),at:new Date().toISOString(),notedAt:new Date(Date.now()+i).toISOString(),vesselIds:[jar.vessel.id],fraction:0.5} as never; h=withRows(h,{entries:[e]}); }
