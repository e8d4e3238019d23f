import { seededRandom } from '@/core/chance/seeded-random';
import { CAUSE_GROUPS } from '@/core/findings/causes/cause-tables';
import { diagnose } from '@/core/findings/causes/diagnose';
import { sharesOfCauses } from '@/core/findings/causes/shares-of-causes';
import { SHIPPED_MODEL } from '@/core/findings/causes/shipped-tables';
import { drawnDeath } from '@/core/findings/causes/testing/drawn-death';
import { type KnownFate, LEVEL_KINDS, sharedFactors } from '@/core/findings/shared/shared-factors';

/*
 * node --import tsx bench/diagnosis.ts
 * 10,000 deaths drawn from the tables: of what is said with so many per cent, how many are right, tenth by tenth (each
 * within 3 points); how long 500 deaths and the shared factors of 20,000 unions take. Ends with status 1 when one is off.
 */

const DEATHS = 10_000;
const WITHIN = 0.03;

let wrong = 0;
const fail = (words: string): void => {
  console.log(`  NOT SO: ${words}`);
  wrong++;
};

const random = seededRandom(11);
const tenths = Array.from({ length: 10 }, () => ({ all: 0, right: 0, said: 0 }));
let [first, amongThree] = [0, 0];
for (let i = 0; i < DEATHS; i++) {
  const group = CAUSE_GROUPS[i % CAUSE_GROUPS.length]!;
  const { cause, codes } = drawnDeath(random, SHIPPED_MODEL, group);
  const shares = sharesOfCauses(SHIPPED_MODEL, group, codes);
  shares.forEach((share, at) => {
    const tenth = tenths[Math.min(9, Math.floor(share * 10))]!;
    tenth.all++;
    tenth.said += share;
    tenth.right += Number(SHIPPED_MODEL.causes[at] === cause);
  });
  const { likely } = diagnose(SHIPPED_MODEL, group, codes);
  first += Number(likely[0]!.cause === cause);
  amongThree += Number(likely.slice(0, 3).some((likelyCause) => likelyCause.cause === cause));
}
console.log(
  `Right first in ${percent(first / DEATHS)}, within three in ${percent(amongThree / DEATHS)} of ${DEATHS} deaths.`,
);
for (const [at, { all, right, said }] of tenths.entries()) {
  if (all === 0) continue;
  console.log(
    `  ${at * 10} to ${at * 10 + 10} %: said ${percent(said / all)}, right ${percent(right / all)} of ${all}`,
  );
  if (Math.abs(said / all - right / all) > WITHIN)
    fail(`the shares from ${at * 10} % on are off by more than 3 points`);
}

const few = Array.from({ length: 500 }, (_, i) => {
  const group = CAUSE_GROUPS[i % CAUSE_GROUPS.length]!;
  return { group, codes: drawnDeath(random, SHIPPED_MODEL, group).codes };
});
const diagnosing = timed(() => few.forEach(({ group, codes }) => diagnose(SHIPPED_MODEL, group, codes)));
console.log(`500 deaths diagnosed in ${diagnosing.toFixed(0)} ms (1000 at most).`);
if (diagnosing > 1000) fail('500 deaths take longer than a second');

const fates = Array.from({ length: 20_000 }, (_, i): KnownFate => {
  const day = Math.floor(random() * 220);
  const level = (kind: string, many: number): string[] => [`${kind} ${day % 40} ${Math.floor(random() * many)}`];
  return {
    unionId: String(i),
    workshopId: `day ${day}`,
    method: 'whip',
    dead: random() < 0.2,
    levels: Object.fromEntries(LEVEL_KINDS.map((kind) => [kind, level(kind, kind === 'grafter' ? 20 : 5)])),
  };
});
const sharing = timed(() => sharedFactors(fates));
console.log(`Shared factors of 20,000 unions in ${sharing.toFixed(0)} ms (500 at most).`);
if (sharing > 500) fail('shared factors take longer than half a second');
process.exitCode = wrong > 0 ? 1 : 0;

function timed(work: () => unknown): number {
  const from = performance.now();
  work();
  return performance.now() - from;
}

function percent(share: number): string {
  return `${(share * 100).toFixed(1)} %`;
}
