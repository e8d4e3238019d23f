import { METHODS } from '@/core/methods/registry';
import { woodOf } from '@/core/methods/shown-technique';
import { stepBodies } from '@/core/teach/step-bodies';
import { stepSheets } from '@/core/teach/step-sheets';
import { shownWrong } from '@/core/teach/shown-wrong';
import { pathData } from '@/ui/kit/union/union-drawing';
import { chromium } from '@playwright/test';
import { readFileSync } from 'node:fs';
const [which, out, what='right', w='240', unit='mm'] = process.argv.slice(2);
const css = readFileSync('app/globals.css','utf8').split('\n').filter(l=>/^\.drawing/.test(l)).join('\n');
const { COLOURS } = await import('@/core/drawing/colours');
const vars = Object.entries(COLOURS).map(([k,v])=>`--color-${k}:${v}`).join(';');
let html='';
const fig=(d:any,t:string)=>{const W=Number(w), sc=W/d.width; return `<figure style="display:inline-block;margin:4px;vertical-align:top;width:${W}px"><svg class="drawing" viewBox="0 0 ${d.width} ${d.height}" width="${W}" height="${d.height*sc}">${d.items.map((it:any)=>it.kind==='path'?`<path class="r-${it.role}${it.fill?' filled':''}" d="${pathData(it.points,it.closed)}"/>`:`<text x="${it.at[0]}" y="${it.at[1]}" text-anchor="${it.anchor}" font-size="${12/sc}">${it.text}</text>`).join('')}</svg><figcaption>${t}</figcaption></figure>`;};
for (const m of METHODS) { if (which!=='all' && m.id!==which) continue;
  const wood=woodOf(m.shownWith);
  const bodies=stepBodies(m,{},wood,unit as any), sheets=stepSheets(m,{},wood,unit as any);
  sheets.forEach((s,i)=>{
    if (what==='right' || (what==='nocut' && s.noCut)) html+=fig(bodies[i]!().right,m.id+' '+s.id);
    if (what==='flat') html+=fig(s.drawing,m.id+' '+s.id);
    if (what==='wrong') { const b=bodies[i]!(); const g=shownWrong(s,b); if(g) html+=fig(g.wrong,m.id+' '+s.id+': '+s.wrong.what); }
    if (what==='wrong3') { const b=bodies[i]!(); if(b.wrong) html+=fig(b.wrong,m.id+' '+s.id+': '+s.wrong.what); }
  });
}
const b=await chromium.launch({executablePath:'/usr/bin/chromium',args:['--no-sandbox','--disable-gpu']});
const p=await b.newPage({viewport:{width:1280,height:800}});
await p.setContent(`<style>:root{${vars}} body{font:11px sans-serif;background:#f5f8f4} figure{margin:0} ${css}</style>${html}`);
await p.screenshot({path:out,fullPage:true}); await b.close();
