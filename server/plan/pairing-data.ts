import { daySchools } from '@/server/plan/taught';
import { shownTechnique } from '@/core/methods/shown-technique';
import type { Place } from '@/core/methods/use';
import { methodById } from '@/core/methods/registry';
import type { SkillLevel } from '@/core/plan/pairing/hand';
import { graftsPerStick } from '@/core/plan/quantities/needs';
import type { Context } from '@/server/platform/context';
import { workshopLots } from './lots';
import { measuredWood, type PairsPart } from './measured-wood';
import { readPart } from './plan-parts';
import { pairWarnings, type PairWarning } from '@/core/plan/wood/pair-warnings';
import { clubPairings } from './club-pairings';
import { pairsOf } from './pairs-of-day';
import { plannedMethods } from './planned-methods';
import { listSeats } from './seats';
import { seatSkills } from './skill';
import { getWorkshop } from './workshops';

export interface PairingData {
  version: number;
  method: string;
  place: Place;
  pieces: {
    id: string;
    kind: 'stick' | 'stock';
    lotId: string;
    number: number;
    caliper: number;
    usableBuds: number | null;
  }[];
  woodLots: { id: string; name: string }[];
  stockLots: { id: string; name: string }[];
  /** Stocks dealt to the seats in turn. */
  stocks: { id: string; number: number; caliper: number; seat: string; skill: SkillLevel }[];
  /** Pieces that the sticks give, in their order. */
  scions: { id: string; stick: string; piece: number; caliper: number }[];
  seats: { id: string; name: string; skill: SkillLevel; earlier: number }[];
  /** Kinds of scion and stock that there is something to mind of. */
  warnings: PairWarning[];
  saved: { pairs: PairsPart['pairs']; inOrder: number } | null;
}

/** All that pairing needs: what was measured, whose hands, and what was paired already. */
export async function pairingData(context: Context, workshopId: string): Promise<PairingData> {
  const workshop = await getWorkshop(context, workshopId);
  const [pieces, lots, plan, all, skills, part, pairings] = await Promise.all([
    measuredWood(context, workshopId),
    workshopLots(context, workshopId),
    plannedMethods(context, workshop),
    listSeats(context, workshopId),
    seatSkills(context, workshopId),
    readPart<PairsPart>(context, workshopId, 'pairs'),
    clubPairings(context),
  ]);
  const method = methodById(workshop.method);
  const { settings, methods } = plan.body;
  const seats = all
    .filter(({ absent }) => !absent)
    .map(({ id, number, person }) => ({
      id,
      name: `${number} ${person.name ?? ''}`.trim(),
      skill: skills.get(id)!.level,
      earlier: skills.get(id)!.earlier,
    }));
  const stocks = pieces.filter(({ kind }) => kind === 'stock');
  const sticks = pieces.filter(({ kind }) => kind === 'stick');
  const { buds } = shownTechnique(method, await daySchools(context, workshop)).takes;
  return {
    version: part.version,
    method: method.id,
    place: methods.find((plannedMethod) => plannedMethod.method === method.id)!.place,
    seats,
    pieces: pieces.map(({ id, kind, lotId, number, caliper, usableBuds }) => ({
      id,
      kind,
      lotId,
      number,
      caliper,
      usableBuds,
    })),
    woodLots: lots.wood.map(({ id, variety }) => ({ id, name: variety })),
    stockLots: lots.stocks.map(({ id, stockType }) => ({ id, name: stockType })),
    stocks:
      seats.length === 0
        ? []
        : stocks.map(({ id, number, caliper }, i) => ({
            id,
            number,
            caliper,
            seat: seats[i % seats.length]!.id,
            skill: seats[i % seats.length]!.skill,
          })),
    scions: sticks.flatMap((stick) => {
      const usable =
        stick.usableBuds ?? lots.wood.find(({ id }) => id === stick.lotId)?.usableBuds ?? settings.usableBuds;
      return Array.from(
        { length: graftsPerStick(usable, buds, method.use.takes.piece, settings.waste) },
        (_, piece) => ({ id: `${stick.id}/${piece}`, stick: stick.id, piece, caliper: stick.caliper }),
      );
    }),
    warnings: pairWarnings(
      pairsOf(
        methods.map((planned) => ({ plan: planned })),
        lots,
      ),
      pairings,
    ),
    saved: part.body ? { pairs: part.body.pairs, inOrder: part.body.inOrder } : null,
  };
}
