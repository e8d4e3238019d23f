import { addDays, daysBetween, formatDate } from '../../../units/iso-date';
import { HAPPENING_EVIDENCE } from '../../../aftercare/happening';
import type { Signs } from '../../../follow-up/signs/signs';
import type { FactsOfUnion, Gathered } from './facts-of-union';

/** Growth up to this day is that of the first week or two; what is seen after the next is more. */
const FIRST_WEEKS = 14;
const COLLAPSED_BY = 35;

/** What growers and helpers told of it in their answers, and what that makes of its course. */
export function answeredEvidence(facts: FactsOfUnion): Gathered[] {
  const found: Gathered[] = [];
  for (const { on, signs } of facts.signs)
    for (const code of codesOf(signs))
      if (!found.some((known) => known.code === code)) found.push({ code, from: `Answer of ${formatDate(on)}` });
  for (const { on, code } of facts.happened) {
    const evidence = HAPPENING_EVIDENCE[code];
    if (evidence && !found.some((known) => known.code === evidence))
      found.push({ code: evidence, from: `Told on ${formatDate(on)}` });
  }
  const course = courseOf(facts);
  return course ? [...found, course] : found;
}

function codesOf({ scion, shield, patch, bud }: Signs): string[] {
  const codes: string[] = [];
  if (scion === 'wrinkled') codes.push('scion-wrinkled');
  if (scion === 'black') codes.push('scion-black');
  if (scion === 'plump') codes.push('scion-plain');
  if (shield === 'brown' || patch === 'brown') codes.push('shield-brown');
  if (bud === 'hollow' && (patch === 'green' || shield === 'plump')) codes.push('patch-green-no-bud');
  return codes;
}

/** Growth seen over so long a time reaches into a second season. */
const A_SEASON = 200;

/** How long it grew. That it never moved nobody can say who was not there, so it is asked. */
function courseOf({ grewOn, madeOn, deadOn, leavesFall, wayOn }: FactsOfUnion): Gathered | null {
  const [first, last] = [grewOn[0], grewOn.at(-1)];
  if (first === undefined || last === undefined) return null;
  const from = `Growth seen on ${formatDate(last)}`;
  // What sleeps grows in its second year first.
  const sleeps = wayOn === 'sleeping-bud' || wayOn === 'sleeping-patch';
  const untilFall = !sleeps && leavesFall !== null && last >= leavesFall;
  if (untilFall || daysBetween(first, last) >= A_SEASON) return { code: 'grew-seasons-then-died', from };
  if (!sleeps && last <= addDays(madeOn, FIRST_WEEKS))
    return deadOn <= addDays(madeOn, COLLAPSED_BY) ? { code: 'grew-then-collapsed', from } : null;
  return { code: 'grew-weeks-then-died', from };
}
