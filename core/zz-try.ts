import loadHighs from 'highs';
import { planCutting, solverOf, USUAL_CUT_RULES, gapInWords, gapOf, seededRandom } from './src/index';
import { plain, sheets } from './test/shelf/cutting-requests';
const highs = await loadHighs();
let n=0, tt=0; let log:any[]=[];
const base = solverOf(highs);
const solve = (p:any,q?:any) => { const t=performance.now(); const r=base(p,q); const d=performance.now()-t; n++; tt+=d; log.push([p.whole?'int':'lp',p.cost.length,p.rows.length,Math.round(d),r?.value,r?.proven]); return r; };
function request(seed: number, kinds: number, count: number, most: number) {
  const random = seededRandom(seed);
  const mm = (low: number, high: number): number => Math.round(low + (high - low) * random());
  const counts = Array.from({ length: kinds }, () => 1);
  for (let k = kinds; k < count; k++) counts[Math.floor(random() * kinds)]++;
  return counts.map((n, k) => {
    const side = mm(60, most);
    return k % 3 === 0 ? plain(side, side, n) : k % 3 === 1 ? plain(side, mm(50, most), n) : plain(mm(25, 60), side, n);
  });
}
const st=(id:string,w:number,h:number,c:number)=>({...sheets(w,h,c),id});
const SHELF=[st('A4', 210, 297, 30),st('A3', 297, 420, 12),st('200 square', 200, 200, 20),st('350 square', 350, 350, 8),st('half metre', 500, 700, 4),st('strip', 120, 600, 10)];
const run=(asked:any)=>{ n=0;tt=0; log=[]; const t=performance.now(); const w=planCutting({rules:USUAL_CUT_RULES,aims:['paper'],patience:process.argv[3]??'short',...asked},solve); let r; let stages:any={}; let last=t; for(;;){ r=w.next(); const now=performance.now(); if(r.done){stages.end=now-last;break;} stages[r.value.stage]=(stages[r.value.stage]??0)+now-last; last=now;} const p=r.value as any; console.log((performance.now()-t).toFixed(0),'ms; solves',n,tt.toFixed(0),JSON.stringify(Object.fromEntries(Object.entries(stages).map(([k,v]:any)=>[k,Math.round(v)]))), gapInWords(p.proof), gapOf(p.proof), p.proof, p.parents.map((q:any)=>q.stockId+'×'+q.sheets).join(' ')); return p;};
const seed=Number(process.argv[2]??100);
const wanted=request(seed,8,40,190);
for (let k=0;k<3;k++) {const wanted=request(seed+k,8,40,190);console.log(wanted.reduce((s,w)=>s+w.count*w.outline.widthMm*w.outline.heightMm,0)); run({wanted,stock:SHELF});}process.exit();
run({wanted,stock:SHELF});run({wanted,stock:SHELF});
for (const l of log) console.log(l.join(' '));
