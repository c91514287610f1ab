import { writeFileSync } from 'node:fs';
import { renderToStaticMarkup } from 'react-dom/server';
import { newBracelet } from '@/core/piece';
import { planPiece, planSolved } from '@/core/plan';
import { STRUCTURES } from '@/core/structures/registry';
import { SketchDrawing } from '@/ui/piece/SketchDrawing';
const out: string[]=[];
const variants: [string, Record<string,unknown>][] = [];
for (const s of STRUCTURES) { variants.push([s.id,{}]); }
variants.push(['flat-herringbone',{columns:4}],['ladder',{high:2}],['flat-peyote',{wide:7}],['right-angle-weave',{rows:3}],['cross-weave',{rows:2}],['strung-line',{sequence:['A','B','A','B'],swags:1}],['strung-line',{sequence:['A','B','A','B','A','B'],swags:2,swag:['C','C','C','C','C','D','C','C','C','C','C']}],['tubular-herringbone',{around:6,sequence:['A','B']}]);
const solve = process.argv[2]==='solve';
for (const [id,params] of variants) {
  const p=newBracelet('x',id,null); const piece={...p, units: 14, structure:{id, params:{...p.structure.params,...params}}};
  const t=performance.now(); const plan=(solve?planSolved:planPiece)(piece, solve?undefined:()=>undefined); 
  if(!plan.ok){console.log(id,JSON.stringify(plan.problem));continue;}
  const cells=(['above','side','end'] as const).map(v=>{const sk=plan.sketch(v); let [a,b,c,d]=[1e9,-1e9,1e9,-1e9]; for(const part of sk.parts) for(const bd of part.beads){const e=sk.shapes.get(bd.shape)!.edge; const r=Math.max(...e.flat().map(Math.abs)); for (const k of [0,part.times-1]) {const x=bd.at[0]+part.atMm+k*part.stepMm; a=Math.min(a,x-r);b=Math.max(b,x+r);} c=Math.min(c,bd.at[1]-r);d=Math.max(d,bd.at[1]+r);}
   const W=v==='end'?150:520; const sc=v==='end'?9:7; if(v!=='end')b=Math.min(b,a+W/sc);
   return `<svg width="${W}" height="${(d-c)*sc+6}" viewBox="${a} ${c-0.4} ${W/sc} ${(d-c)+0.8}">${renderToStaticMarkup(<SketchDrawing piece={piece} sketch={sk}/>, {identifierPrefix: 'p'+out.length+v})}</svg>`;});
  out.push(`<div style="margin:4px"><div style="font:13px sans-serif">${id} ${JSON.stringify(params)} pitch ${plan.gauge.pitchMm.toFixed(2)} ${plan.gauge.source} w ${plan.widthMm.toFixed(1)} t ${plan.thicknessMm.toFixed(1)} in ${plan.gauge.insideMm} ${plan.gauge.drape} ${plan.gauge.settled}</div><div style="display:flex;gap:10px;align-items:center">${cells.join('')}</div></div>`);
  console.log(id,JSON.stringify(params),(performance.now()-t).toFixed(0));
}
writeFileSync(process.argv[3]??'/tmp/shots/all.html', `<body style="background:#FFFDF7">${out.join('')}</body>`);
