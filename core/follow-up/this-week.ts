import type { Answer, Milestone } from '../methods/milestones';
import type { AftercareTask } from '../methods/timetable/aftercare-task';
import { triggerWords } from '../methods/timetable/trigger-words';
import type { WayOn } from '../methods/variant';
import type { LengthUnit } from '../units/length';
import { written } from '../units/prose';
import { ASLEEP_WORDS } from '../methods/timetable/first-movement';

interface Advice {
  words?: string;
  /** Tasks of the method's aftercare that are said after the words, where it has them. */
  tasks?: string[];
  /** Said where the method has none of them. */
  otherwise?: string;
}

type ByAnswer = Partial<Record<Exclude<Answer, 'not-found'>, Advice>>;

const SECOND_BUD =
  'If the bark still slips, or with a chip where it does not, a second bud can go on the other side this season. Leave the stock whole.';
const STOCK_STAYS =
  'Keep the best one or two shoots of the stock, cut back what died to live wood so that the stock heals, and keep it: it can be worked again.';
const ASLEEP_STILL = 'Buds that slept wake late. Rub off the stock’s own shoots around it and look again in two weeks.';

/*
 * What a person can do this week about a union, by what they saw: what the method's own timetable asks for then,
 * and what usual practice says of looking again (signs and milestones), of a second try and of cutting back
 * (aftercare), and of keeping the stock of a dead union.
 */
const USUAL: Record<Milestone, Required<ByAnswer>> = {
  healed: {
    yes: {
      tasks: ['reseal', 'suckers', 'low-branches'],
      otherwise: 'It holds. Leave it shut, keep wind and sun off it, and look again in two weeks.',
    },
    'not-sure': {
      words:
        'Leave the wrapping shut, keep it moist and out of wind, and look again in ten days; cold weeks take longer.',
    },
    dead: {
      words:
        'Leave it standing for now: sleeping buds can look like nothing for weeks. Keep the stock watered and look once more before you cut anything.',
    },
  },
  growing: {
    yes: { tasks: ['suckers', 'low-branches', 'one-shoot', 'tie-up'] },
    'not-sure': {
      words: 'Rub off what grows from the stock, so that the scion is not starved, and look again in two weeks.',
    },
    dead: { tasks: ['second-chance'], otherwise: STOCK_STAYS },
  },
  season: {
    yes: { words: 'Check that no tie cuts into the bark.', tasks: ['label'] },
    'not-sure': {
      words: 'Scratch the bark near the tip with a nail: green means alive. Then change your answer here.',
    },
    dead: {
      words:
        'Keep the stock if it is healthy: it can be worked again. Note anything you saw, such as a bulge, a tie or a bite.',
    },
  },
  wintered: {
    yes: { words: 'Take off any tape that is left, prune for one leader and check stake and guard.' },
    'not-sure': {
      words: 'Wait until plants of its kind nearby are in leaf, then look again and change your answer here.',
    },
    dead: { words: 'Bring the tag back, or tell its code: even a failed graft says what to teach next year.' },
  },
};

const sleeps = (what: string): Record<'healed' | 'growing', ByAnswer> => ({
  healed: {
    yes: { words: `${what} has knitted and sleeps now: before spring nothing more will show. Leave the stock whole.` },
    'not-sure': {
      words: 'Plump and green is alive, brown and shrunken is not. Leave the tie on and look again in a week.',
    },
    dead: { words: SECOND_BUD },
  },
  growing: {
    yes: { tasks: ['suckers', 'binding-off', 'tie-up'] },
    'not-sure': { words: ASLEEP_STILL },
    dead: { words: STOCK_STAYS },
  },
});
const grows = (what: string, tasks: string[]): Record<'healed' | 'growing', ByAnswer> => ({
  healed: {
    yes: { words: `${what} has knitted.`, tasks },
    'not-sure': {
      words: 'Plump and green is alive, brown and shrunken is not. Leave the tie on and look again in a week.',
    },
    dead: { words: SECOND_BUD },
  },
  growing: { yes: { tasks: ['suckers', 'binding-off', 'tie-up'] }, dead: { words: STOCK_STAYS } },
});

/** What differs from the usual, by how a union lives on. */
const BY_WAY_ON: Record<WayOn, Partial<Record<Milestone, ByAnswer>>> = {
  bench: {
    healed: {
      yes: { words: 'It has knitted. Keep it cool and frost-free, moist and in the light.', tasks: ['plant-out'] },
      'not-sure': {
        words:
          'A dry line and a wrinkled scion are bad signs, a pale ring along the cut is a good one. Keep it warm and moist and look again in a week.',
      },
      dead: {
        words:
          'Look once more before you throw it away: a ring of callus that has only begun is easily missed. The stock can be worked again while it sleeps.',
      },
    },
  },
  outdoors: {},
  covered: {
    healed: {
      yes: {
        words: 'It lives. Leave the cover shut until the shoot reaches the tie.',
        tasks: ['suckers', 'low-branches'],
      },
      'not-sure': {
        words: `Leave the cover shut: buds may sleep ${ASLEEP_WORDS}. Look again in ten days.`,
      },
    },
  },
  'spring-chip': {
    healed: {
      yes: { words: 'The bud is alive.', tasks: ['suckers', 'head-back'] },
      'not-sure': {
        words: `Dormant buds may sleep ${ASLEEP_WORDS}. Leave the tie on and look again in ten days.`,
      },
      dead: { words: `Look once more in a week. ${SECOND_BUD}` },
    },
    growing: { yes: { tasks: ['suckers', 'binding-off', 'tie-up'] }, dead: { words: STOCK_STAYS } },
  },
  'forced-bud': grows('The bud', ['unwrap-bud', 'head-back', 'suckers']),
  'sleeping-bud': sleeps('The bud'),
  'spring-patch': grows('The patch', ['patch-top', 'support', 'suckers']),
  'sleeping-patch': sleeps('The patch'),
  tip: {
    healed: {
      yes: { words: 'The tip is alive.', tasks: ['unwrap-tip', 'suckers'] },
      'not-sure': {
        words: 'A black tip is dead, a green one may only wait. Leave it shut and shaded, and look again in ten days.',
      },
      dead: {
        words: 'If the tip is black, the stock can be worked again lower down while it grows. Leave its leaves on.',
      },
    },
    growing: { dead: { words: STOCK_STAYS } },
    wintered: {
      yes: { words: 'Take off any tape that is left, and check stake and guard.' },
      'not-sure': { words: 'Wait for the next flush, then look again and change your answer here.' },
    },
  },
};

const NOT_FOUND: Advice = {
  words:
    'Look on the wire or the stake for the tag; the code on it is the name of the graft. If it turns up, change your answer here.',
};

/**
 * What to do this week, after an answer.
 * @param wayOn how the union lives on, by the variant of its method.
 * @param aftercare what the union's method asks for with the schools that are followed.
 */
export function thisWeek(
  wayOn: WayOn,
  milestone: Milestone,
  answer: Answer,
  aftercare: AftercareTask[],
  unit: LengthUnit,
): string {
  const {
    words,
    tasks = [],
    otherwise,
  } = answer === 'not-found' ? NOT_FOUND : (BY_WAY_ON[wayOn][milestone]?.[answer] ?? USUAL[milestone][answer]);
  const asked = tasks.flatMap((id) => aftercare.find((task) => task.id === id) ?? []);
  const said = [...(words ? [words] : []), ...asked.map((task) => sentence(task, unit))].join(' ');
  return said || (otherwise ?? '');
}

/** Days since the union are past or now; growth, seasons and what is seen say when. */
function sentence({ name, trigger }: AftercareTask, unit: LengthUnit): string {
  const said = written(name, unit);
  return trigger.kind === 'days' ? `${said}.` : `${said}: ${triggerWords(trigger, unit)}.`;
}
