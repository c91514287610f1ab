import { boundStitch } from '@/core/structures/registry';
import { BEADS, byId } from '@/core/materials/catalogue';
import { layoutRequest } from '@/core/layout/cellLayout';
import { solveLayout } from '@/core/layout/solveLayout';
import { NO_LOOP } from '@/core/closures/sewnLoop';
import { seeded } from '@/core/layout/solver/random';
const rnd = seeded(Number(process.argv[2] ?? 7));
const pick = <T,>(xs: readonly T[]): T => xs[Math.floor(rnd() * xs.length)] as T;
const ids = ['seed-15','seed-11','seed-11','seed-8','seed-6','pressed-4','cube-3','bicone-4','cylinder-11'].filter((id) => BEADS.some((b) => b.id === id));
const B = (n: number) => [...Array((n-1)/2).fill('B'), 'C', ...Array((n-1)/2).fill('B')];
const rows: { off: number; line: string }[] = [];
let unsettled = 0, nulls = 0, n = 0; const times: number[] = [];
for (let i = 0; i < Number(process.argv[3] ?? 80); i++) {
  const params = { points: 4 + Math.floor(rnd()*13), ring: Array(1 + Math.floor(rnd()*4)).fill('A'), rounds: 1 + Math.floor(rnd()*3), first: B(pick([1,3,3,5,5,7])), second: B(pick([1,3,5,7,9])), third: B(pick([3,5,7,9,11])) };
  const beads: Record<string,string> = rnd() < 0.5 ? {} : { A: pick(ids), B: pick(ids), C: pick(ids) };
  let b = boundStitch({ id: 'round-motif', params } as never);
  if (!b.ok) continue;
  const size = ((r: string) => ({ ...byId(BEADS, beads[r] ?? 'seed-11') })) as never;
  let used: unknown = params;
  if ((b.weaveable.advise?.(size) ?? []).length) { const s = b.weaveable.suited?.(size); if (!s) continue; used = s; b = boundStitch({ id: 'round-motif', params: s } as never); if (!b.ok) continue; }
  n++;
  const path = b.weaveable.weave(1, { start: NO_LOOP, end: NO_LOOP });
  const form = b.weaveable.form(size, new Set());
  const req = layoutRequest(path, size, form);
  if (!req) { nulls++; continue; }
  const t = process.cpuUsage().user;
  const l = solveLayout(req);
  const s = (process.cpuUsage().user - t) / 1e3; times.push(s);
  if (!l.settled) unsettled++;
  const p = used as typeof params;
  rows.push({ off: l.widthMm/form.widthMm - 1, line: `${l.settled ? '' : 'UNSETTLED '}${(100*(l.widthMm/form.widthMm-1)).toFixed(1)}% pitch ${(100*(l.pitchMm/form.pitchMm-1)).toFixed(1)}% p${p.points} ring${p.ring.length} loops ${[p.first,p.second,p.third].slice(0,p.rounds).map((x) => x.length)} ${JSON.stringify(beads)} ${s.toFixed(0)}ms` });
}
rows.sort((a, b) => Math.abs(b.off) - Math.abs(a.off));
console.log(n, 'nulls', nulls, 'unsettled', unsettled, 'median off', rows[Math.floor(rows.length/2)]?.off, 'p90', rows[Math.floor(rows.length/10)]?.off, 'max ms', Math.max(...times));
for (const r of rows.slice(0, 45)) console.log(r.line);
