import { seededRandom, aroundZero } from '@/core/chance/seeded-random';
import { drawnClub, NULL_KINDS } from '@/core/findings/claims/testing/drawn-club';
import { adjustedDesign } from '@/core/findings/mixed/adjusted-design';
import { adjustedFit } from '@/core/findings/mixed/adjusted-model';
import { levelIntervals } from '@/core/findings/mixed/level-intervals';
import { chanceOfLiving, howMany } from '@/core/plan/quantities/how-many';
import { newWorkshopTake } from '@/core/plan/quantities/new-workshop-take';
import { logistic } from '@/core/statistics/logistic';

/*
 * node --import tsx bench/coverage.ts [CLUBS]
 * How often 90 % intervals of workshops hold what is true of them, in drawn clubs of five to nine workshops, and how often a
 * promise of 90 % is kept, however days differ. Ends with status 1 where either falls short of its goal.
 */
const clubs = Number(process.argv[2] ?? 40);
let wrong = 0;
const fail = (words: string): void => {
  console.log(`  NOT SO: ${words}`);
  wrong++;
};
const percent = (share: number): string => `${(share * 100).toFixed(1)} %`;

for (const days of [0, 0.5, 0.9]) {
  let [held, all, open] = [0, 0, 0];
  for (let seed = 1; seed <= clubs; seed++) {
    const size = { workshops: 5 + (seed % 5), hands: 10, each: 4 };
    const club = drawnClub(seed + 1000, { ...NULL_KINDS.hands!, days }, 'none', size);
    const { levels } = levelIntervals(adjustedFit(adjustedDesign(club.unions, 'nothing')));
    for (const { level, low, high } of levels.workshop!) {
      const truth = logistic(1.4 + club.days.get(level)!);
      all++;
      held += Number(low <= truth && truth <= high);
      open += high - low;
    }
  }
  console.log(
    `Days differ by ${days}: ${percent(held / all)} of ${all} intervals hold the truth, ${percent(open / all)} wide.`,
  );
  if (held < 0.85 * all) fail('85 % of intervals at least');
}

const PLANS = 25 * clubs;
for (const spread of [0, 0.5, 0.8, 1.2]) {
  const random = seededRandom(Math.round(spread * 100) + 3);
  let [kept, made, needed] = [0, 0, 0];
  for (let plan = 0; plan < PLANS; plan++) {
    const mean = 0.8 + 1.2 * random();
    const draw = (): number => logistic(mean + spread * aroundZero(random));
    const history = Array.from({ length: 3 + (plan % 6) }, () => {
      const take = draw();
      const known = 15 + Math.floor(random() * 20);
      return { alive: Array.from({ length: known }, () => Number(random() < take)).reduce((a, b) => a + b), known };
    });
    const promise = { keepers: 2, people: 10, confidence: 0.9 };
    const each = howMany(promise, newWorkshopTake(history)).each ?? 60;
    const take = draw();
    kept += chanceOfLiving(each, 2, certain([take]));
    made += each;
    // Who knows mean and spread makes as many as a thousand draws of a workshop ask for.
    needed += howMany(promise, certain(Array.from({ length: 300 }, draw))).each ?? 60;
  }
  console.log(
    `Days differ by ${spread}: a promise of 90 % is kept in ${percent(kept / PLANS)}, with ${(made / PLANS).toFixed(2)} grafts a person where ${(needed / PLANS).toFixed(2)} would do.`,
  );
  if (kept < 0.87 * PLANS) fail('87 % of promises kept at least');
  if (made > needed + PLANS) fail('one graft a person too many at most');
}
process.exitCode = wrong > 0 ? 1 : 0;

/** A belief that a take is one of some, all alike likely. */
function certain(takes: readonly number[]): ReturnType<typeof newWorkshopTake> {
  return {
    logOdds: Float64Array.from(takes, (take) => Math.log(take / (1 - take))),
    chances: new Float64Array(takes.length).fill(1 / takes.length),
    workshops: 0,
    known: 0,
  };
}
