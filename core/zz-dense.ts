import { denseLayouts } from './src/shelf/dense-layouts';
import { waysOf } from './src/shelf/lying';
import { seededRandom } from './src/index';
import { plain } from './test/shelf/cutting-requests';
function request(seed: number, kinds: number, count: number, most: number) {
  const random = seededRandom(seed);
  const mm = (low: number, high: number): number => Math.round(low + (high - low) * random());
  const counts = Array.from({ length: kinds }, () => 1);
  for (let k = kinds; k < count; k++) counts[Math.floor(random() * kinds)]++;
  return counts.map((n, k) => { const side = mm(60, most);
    return k % 3 === 0 ? plain(side, side, n) : k % 3 === 1 ? plain(side, mm(50, most), n) : plain(mm(25, 60), side, n); });
}
const rooms=[[210,297],[297,420],[200,200],[350,350],[500,700],[120,600]].map(([widthMm,heightMm])=>({widthMm,heightMm}));
const wanted=request(100,8,40,190); const rnd=seededRandom(1);
for (let i=0;i<4;i++){ console.log(rooms.map(r=>{const t=performance.now(); const d=denseLayouts(wanted.map(waysOf),wanted.map(w=>w.count),[r],0,rnd); return Math.max(...d.map(b=>b.area/(r.widthMm*r.heightMm))).toFixed(4)+' '+(performance.now()-t).toFixed(0)}).join(' | '));}