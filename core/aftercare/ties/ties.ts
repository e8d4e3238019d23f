import { addDays, type IsoDate } from '../../units/iso-date';
import { BINDING_OFF, BINDINGS, bindingOf } from '../plan/actual-binding';
import type { PlannedTask } from '../plan/union-plan';

/** What is round the stem of a young graft, each a tie of its own. */
export const TIES = {
  union: 'Tie of the union',
  foil: 'Foil round the union',
  'bag-top': 'Upper tie of the bag',
  'bag-bottom': 'Lower tie of the bag',
  brace: 'Tie to the brace',
  stake: 'Tie to the stake',
  label: 'Tie of the label',
} as const;
export type TieId = keyof typeof TIES;
export const TIE_IDS = Object.keys(TIES) as TieId[];

/** That somebody saw a tie on, or off. */
export interface TieSeen {
  tie: TieId;
  on: IsoDate;
  is: 'on' | 'off';
}

/** A tie of one union, as it stands on a day. */
export interface Tie {
  id: TieId;
  /** The day from which it has been on, or since which it is off. */
  since: IsoDate;
  /** The last day it may stay on; null for what stays, and where nobody can say. */
  latest: IsoDate | null;
  /** Growth strains it, so it comes off sooner. */
  strained: boolean;
  state: 'on' | 'soon' | 'alarm' | 'off';
  /** The task that is marked when it comes off. */
  offTask: string;
}

/** Days before its last day from which on a tie is said to come off soon. */
const SOON = 14;

interface TiesOf {
  /** Ids of the materials it was made with. */
  materials: readonly string[];
  tasks: readonly PlannedTask[];
  /** When tasks were done, by their id. */
  doneOn: (task: string) => IsoDate | null;
  seen: readonly TieSeen[];
  madeOn: IsoDate;
  /** Days a brace may stay on. */
  braceDays: number;
  today: IsoDate;
}

/**
 * The ties of a union, each by itself: what is on, until when at the latest, and whether that day has come. A tie is off
 * once its task is done or somebody saw it off; on again when somebody saw it on later.
 *
 * @example tiesOf(whip).find(({ id }) => id === 'union')?.state // 'alarm'
 */
export function tiesOf({ materials, tasks, doneOn, seen, madeOn, braceDays, today }: TiesOf): Tie[] {
  const task = (...ids: string[]): PlannedTask | undefined => tasks.find(({ id }) => ids.includes(id));
  const braced = materials.includes('brace') || task('guard') !== undefined;
  const tie = (
    id: TieId,
    from: IsoDate | null,
    off: PlannedTask | undefined,
    latest = off?.latest ?? null,
  ): Tie | null => {
    const known = seen
      .filter((look) => look.tie === id)
      .sort((a, b) => (a.on < b.on ? -1 : 1))
      .at(-1);
    const offTask = off?.id ?? `${id}-off`;
    const takenOff = doneOn(offTask);
    const began = from ?? (known?.is === 'on' ? known.on : null);
    if (began === null) return null;
    const isOff = known && (takenOff === null || known.on >= takenOff) ? known.is === 'off' : takenOff !== null;
    const since = isOff ? (known?.is === 'off' ? known.on : takenOff!) : known?.is === 'on' ? known.on : began;
    const strained = off?.strained ?? false;
    if (isOff) return { id, since, latest, strained, state: 'off', offTask };
    const state = latest === null || today < addDays(latest, -SOON) ? 'on' : today >= latest ? 'alarm' : 'soon';
    return { id, since, latest, strained, state, offTask };
  };
  const binding = bindingOf(materials);
  const off = task(...BINDING_OFF);
  const rots = binding !== null && BINDINGS[binding].off({}) === null;
  const bag = materials.includes('bag') ? madeOn : null;
  const staked = doneOn('tie-up');
  const braceLatest = (from: IsoDate | null): IsoDate | null => from && addDays(from, braceDays);
  return [
    binding === null || rots ? null : tie('union', madeOn, off),
    tie('foil', task('foil-off') ? madeOn : null, task('foil-off')),
    tie('bag-top', bag, task('bag-open') ?? task('cover-off')),
    tie('bag-bottom', bag, task('cover-off')),
    tie('brace', braced ? madeOn : null, undefined, braced ? braceLatest(madeOn) : null),
    tie('stake', braced ? null : staked, undefined, braced ? null : braceLatest(staked)),
    // A label outlives the tie it hangs on.
    tie('label', materials.includes('label') ? madeOn : null, undefined),
  ].filter((found): found is Tie => found !== null);
}
