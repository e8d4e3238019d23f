import type { Answer, Milestone } from '../methods/milestones';

/*
 * What a person can do this week about a bench-grafted or field-grafted dormant scion, by what they
 * saw. Windows and consequences follow the aftercare table of the trade handbook: reseal at day 7,
 * stock shoots every two or three weeks in the first summer, one shoot when two exceed 100 mm,
 * ties at 150 to 250 mm and every 300 mm, tape perforated at 300 mm, cut back the dead scion and
 * bud again in late summer where the stock is vigorous.
 */
const LINES: Record<Milestone, Partial<Record<Answer, string>>> = {
  healed: {
    yes: 'Look at the seal this week and close any crack; rub off shoots that come from below the union.',
    'not-sure':
      'Leave the wrapping shut, keep it moist and out of wind, and look again in ten days; cold weeks take longer.',
    dead: 'Leave it standing for now: sleeping buds can look like nothing for weeks. Keep the stock watered and look once more before you cut anything.',
  },
  growing: {
    yes: 'Rub off shoots below the union, and when two shoots pass 100 mm keep the better one. At 150 to 250 mm tie it to a stake.',
    'not-sure': 'Rub off what grows from the stock, so that the scion is not starved, and look again in two weeks.',
    dead: 'Cut the dead scion back to live wood so that the stump heals. If the stock grows strongly it can be budded in late summer.',
  },
  season: {
    yes: 'Check that no tie cuts into the bark, and renew the label before winter.',
    'not-sure': 'Scratch the bark near the tip with a nail: green means alive. Then change your answer here.',
    dead: 'Keep the stock if it is healthy: it can be grafted again. Note anything you saw, such as a bulge, a tie or a bite.',
  },
  wintered: {
    yes: 'Take off any tape that is left, prune for one leader and check stake and guard.',
    'not-sure': 'Wait until plants of its kind nearby are in leaf, then look again and change your answer here.',
    dead: 'Bring the tag back, or tell its code: even a failed graft says what to teach next year.',
  },
};

/** One line on what to do this week, after an answer. */
export function thisWeek(milestone: Milestone, answer: Answer): string {
  return (
    LINES[milestone][answer] ??
    'Look on the wire or the stake for the tag; the code on it is the name of the graft. If it turns up, change your answer here.'
  );
}
