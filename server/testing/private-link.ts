import { v7 as uuid } from 'uuid';
import { sendRound } from '@/server/follow-up/letters/send-round';
import { addRound } from '@/server/follow-up/rounds';
import { type Keeper, listKeepers } from '@/server/plan/keepers-of-workshop';
import { lettersTo, type TestClub, testKeepers, type TestWorkshop } from './test-club';

/** A day when what was grafted in March is asked about. */
export const ASKED_ON = new Date('2027-07-05T08:00:00Z');

export interface AskedGrower {
  workshop: TestWorkshop;
  /** What their private link ends with. */
  token: string;
  own: Keeper[];
  others: Keeper[];
}

/** A workshop whose people were written to: the first of them with their link, their plants and those of others. */
export async function askedGrower(club: TestClub): Promise<AskedGrower> {
  const workshop = await testKeepers(club, 2);
  const lead = club.as('lead');
  const keepers = await listKeepers(lead, workshop.id);
  const roundId = uuid();
  const days = { opensOn: '2027-06-20', closesOn: '2027-07-19' };
  await addRound(lead, workshop.id, roundId, { milestone: 'growing', ...days });
  await sendRound(club.as('lead', ASKED_ON), roundId, { sentSoFar: 0 });
  const person = await club.services.db.people.findOne({ where: { id: workshop.personIds[0]! }, raw: true });
  return {
    workshop,
    token: (await lettersTo(club, person!.email!)).at(-1)!.link!,
    own: keepers.filter(({ seatId }) => seatId === workshop.seatIds[0]),
    others: keepers.filter(({ seatId }) => seatId !== workshop.seatIds[0]),
  };
}
