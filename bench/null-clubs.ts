import { claimsOf } from '@/core/findings/claims/claims';
import { drawnClub, NULL_KINDS, type Truth } from '@/core/findings/claims/testing/drawn-club';

/*
 * node --import tsx bench/null-clubs.ts [CLUBS]
 * Of clubs of each kind in which neither a score nor a fault does anything, in how many something is claimed, and how often
 * what is true is found. Ends with status 1 where claims are oftener than the goals, or truths found less often.
 */
const clubs = Number(process.argv[2] ?? 40);
let wrong = 0;
const share = (count: number, all: number): string => `${count} of ${all}`;
const all = { clubs: 0, score: 0, costs: 0, shared: 0, alone: 0 };
for (const [kind, differ] of Object.entries(NULL_KINDS)) {
  const found = { score: 0, costs: 0, shared: 0, alone: 0, days: 0 };
  for (let seed = 1; seed <= clubs; seed++) {
    const said = claimsOf(drawnClub(seed, differ).unions);
    found.score += Number(said.score?.claims === true);
    found.costs += Number(said.costs.length > 0);
    const levels = said.shared;
    found.shared += Number(levels.some(({ group }) => ['wood_lot', 'stock_lot', 'material'].includes(group)));
    found.days += Number(said.differs.some(({ group }) => group === 'workshop'));
    found.alone += Number(
      [...said.differs, ...levels].some(
        ({ group, twins }) => group === 'grafter' && !twins.some((twin) => twin.group === 'home'),
      ),
    );
  }
  all.clubs += clubs;
  for (const what of ['score', 'costs', 'shared', 'alone'] as const) all[what] += found[what];
  console.log(
    `${kind}: a score in ${share(found.score, clubs)}, a cost in ${found.costs}, lots or materials shared in ${found.shared}, a day in ${found.days}, a hand without its home in ${found.alone}.`,
  );
}
const goals = { score: 0.1, costs: 0.1, shared: 0.05, alone: 0 };
for (const [what, goal] of Object.entries(goals) as [keyof typeof goals, number][])
  if (all[what] > goal * all.clubs) {
    console.log(`  NOT SO: ${what} in ${share(all[what], all.clubs)}, ${goal * 100} % at most`);
    wrong++;
  }

const TRUTHS: Partial<Record<Truth, (name: string) => boolean>> = {
  'dead wood': (name) => name === 'wood_lot lot 1.0',
  'weak hand': (name) => name === 'grafter hand 0',
  binding: (name) => name === 'material raffia',
  'lot is the workshop': (name) => name === 'workshop day 2',
};
for (const [truth, is] of Object.entries(TRUTHS) as [Truth, (name: string) => boolean][]) {
  let [found, both, told] = [0, 0, 0];
  for (let seed = 1; seed <= clubs; seed++) {
    const { differs, shared } = claimsOf(drawnClub(seed, NULL_KINDS.days!, truth).unions);
    const levels = [...differs, ...shared].filter(
      ({ group, level, twins }) => is(`${group} ${level}`) || twins.some((twin) => is(`${twin.group} ${twin.level}`)),
    );
    found += Number(levels.length > 0);
    if (truth !== 'lot is the workshop') continue;
    told += levels.length;
    both += levels.filter(({ twins }) => twins.length > 0).length;
  }
  console.log(
    `${truth}: found in ${share(found, clubs)}${truth === 'lot is the workshop' ? `, told as both in ${share(both, told)}` : ''}.`,
  );
  if ((truth !== 'lot is the workshop' && found < 0.75 * clubs) || both < told) {
    console.log(`  NOT SO: ${truth} is to be found in three of four, and never as one of two`);
    wrong++;
  }
}
process.exitCode = wrong > 0 ? 1 : 0;
