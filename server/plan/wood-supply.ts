import { kindOf } from '@/core/methods/compatibility/compatibility';
import type { MethodNeed, NeedInput } from '@/core/plan/quantities/needs';
import { type GiveUp, waysWithLess } from '@/core/plan/quantities/short-wood';
import { heldBack } from '@/core/plan/quantities/held-back';
import type { Method } from '@/core/methods/method';
import { kept } from '@/server/platform/kept';
import { type LedgerLot, ofSpecies } from './wood-ledger';

/** What wood of a species there is for a plan. */
export interface WoodSupply {
  species: string;
  needed: number;
  /** Sticks booked for the workshop, and free in the lots chosen for it. */
  booked: number;
  free: number;
  /** Sticks to hold back in the cold for a second try of those that are expected to fail. */
  holdBack: number;
  /** What could be given up, when it is short. */
  ways: GiveUp[];
}

/** An input without the method's functions, which its id stands for. */
export function plainly(input: NeedInput): unknown {
  return { ...input, method: input.method.id };
}

function waysWith(
  sticks: number,
  input: NeedInput,
  budding: Pick<NeedInput, 'method' | 'history' | 'spoils'> | null,
): GiveUp[] {
  return kept(
    'ways with less wood',
    { sticks, input: plainly(input), budding: budding && { ...budding, method: budding.method.id } },
    () => waysWithLess(input, sticks, budding),
  );
}

/** Sticks of each species: needed, booked, free, and what could be given up. */
export function woodSupply(
  needs: MethodNeed[],
  own: LedgerLot[],
  workshopId: string,
  inputs: NeedInput[],
  budding: Method | null,
  known: (method: Method) => Pick<NeedInput, 'history' | 'spoils'>,
): WoodSupply[] {
  return [...new Set(needs.map((need) => kindOf(need.plan.scionSpecies)))].map((species): WoodSupply => {
    const theirs = ofSpecies(own, species);
    const booked = theirs
      .flatMap(({ bookings }) => bookings)
      .filter((booking) => booking.workshopId === workshopId)
      .reduce((sum, { sticks }) => sum + sticks, 0);
    const free = theirs.reduce((sum, lot) => sum + lot.sticks - lot.booked, 0);
    const mine = needs
      .map((need, i) => ({ need, input: inputs[i]! }))
      .filter(({ need }) => kindOf(need.plan.scionSpecies) === species);
    const needed = mine.reduce((sum, { need }) => sum + need.sticks, 0);
    const short = booked + free < needed;
    // The method that takes most is the one that could give most up; the others keep what they need.
    const [largest] = [...mine].sort((a, b) => b.need.sticks - a.need.sticks);
    const rest = needed - (largest?.need.sticks ?? 0);
    return {
      species,
      needed,
      booked,
      free,
      holdBack: mine.reduce((sum, { need }) => sum + sticksToHoldBack(need), 0),
      ways:
        short && largest
          ? waysWith(
              Math.max(0, booked + free - rest),
              largest.input,
              budding && budding.id !== largest.need.method.id ? { method: budding, ...known(budding) } : null,
            )
          : [],
    };
  });
}

/** Dormant wood keeps until the first look; buds and tips of the season do not. */
function sticksToHoldBack({ method, keepers, piecesEach, graftsPerStick, take }: MethodNeed): number {
  if (method.use.takes.piece !== 'scion' || graftsPerStick <= 0) return 0;
  return Math.ceil((heldBack(keepers, take.expected) * piecesEach) / graftsPerStick);
}
