import { methodNeed, type NeedInput } from './needs';

/** One way to manage with the wood there is. */
export interface GiveUp {
  says: string;
  /** Sticks needed then. */
  sticks: number;
  enough: boolean;
  /** What it costs besides. */
  costs: string;
}

/**
 * What could be given up when wood is short, each with the number of sticks it would need.
 *
 * @param sticks that there are of this species.
 * @param budding a method that takes one bud a graft, with what is believed and counted of it, for trees of the same stocks.
 */
export function waysWithLess(
  input: NeedInput,
  sticks: number,
  budding: Pick<NeedInput, 'method' | 'history' | 'spoils'> | null,
): GiveUp[] {
  const now = methodNeed(input);
  if (now.sticks <= sticks) return [];
  const ways: GiveUp[] = [];
  const offer = (says: string, costs: string, changed: Partial<NeedInput>): void => {
    const need = methodNeed({ ...input, ...changed }).sticks;
    if (need < now.sticks) ways.push({ says, sticks: need, enough: need <= sticks, costs });
  };
  const { plan, method, choices } = input;
  if (plan.practiceOn === 'good') {
    offer('Practise on prunings', 'Prunings of a like caliper have to be found; the cuts are the same.', {
      plan: { ...plan, practiceOn: 'prunings' },
    });
    for (let fewer = plan.practiceEach - 1; fewer >= 1; fewer--) {
      const need = methodNeed({ ...input, plan: { ...plan, practiceEach: fewer } }).sticks;
      if (need > sticks && fewer > 1) continue;
      offer(
        `${fewer} practice ${fewer === 1 ? 'union' : 'unions'} each on good wood instead of ${plan.practiceEach}`,
        'Fewer will be ready for living wood on the day.',
        { plan: { ...plan, practiceEach: fewer } },
      );
      break;
    }
  }
  if (method.schools.some(({ id }) => id === 'buds') && choices.buds !== 'one')
    offer('One bud on a scion', 'No spare bud; it saves a pruning job next winter.', {
      choices: { ...choices, buds: 'one' },
    });
  if (budding && method.use.takes.piece === 'scion')
    offer(
      `${budding.method.name} for the keepers`,
      'One bud a graft. Another cut has to be taught, and another aftercare follows.',
      { method: budding.method, history: budding.history, spoils: budding.spoils },
    );
  if (plan.keepersEach > 1)
    offer(`Promise ${plan.keepersEach - 1} each instead of ${plan.keepersEach}`, 'Tell people before the day.', {
      plan: { ...plan, keepersEach: plan.keepersEach - 1 },
    });
  if (input.settings.aim !== 'pooled')
    offer('Share what is over', 'Whose graft died gets one of those left over: tags have to say whose it was.', {
      settings: { ...input.settings, aim: 'pooled' },
    });
  return ways.sort((a, b) => Number(b.enough) - Number(a.enough) || a.sticks - b.sticks);
}
