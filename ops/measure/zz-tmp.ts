import { demoPages } from '@/ops/measure/demo-pages';
import { pageCosts } from '@/ops/measure/page-costs';
import { get, signIn } from '@/ops/measure/signed-in';
import { statementsSent } from '@/ops/measure/statements-sent';
import { writeFileSync } from 'node:fs';
const [address, password, pid, socket, only, out] = process.argv.slice(2) as string[];
const cookie = await signIn(address!, 'maren@tarnholm.example', password!);
const statements = () => statementsSent(socket!);
let pages = await demoPages(async (p) => (await get(address!, p, cookie)).text);
if (only && only !== 'all') pages = pages.filter((p) => new RegExp(only).test(p.name));
const costs = await pageCosts(pages, { address: address!, cookie, pid: Number(pid), statements: () => statements() });
for (const c of costs)
  console.log(
    `${c.name.padEnd(48)} cpu ${c.cpu.toFixed(1).padStart(7)} st ${String(c.statements - 1).padStart(3)} html ${(c.html / 1000).toFixed(0).padStart(6)} js ${(c.script / 1000).toFixed(0).padStart(5)}`,
  );
if (out) writeFileSync(out, JSON.stringify(costs));
