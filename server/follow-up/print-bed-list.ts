import { madeWords } from '@/core/methods/made-words';
import { printJob } from '@/server/jobs/run-job';
import { formatCode } from '@/core/codes/plant-code';
import { spotWords } from '@/core/aftercare/places/place';
import { questionSaid } from '@/core/follow-up/round-question';
import { SAID } from '@/core/follow-up/said';
import type { Wording } from '@/core/follow-up/wording/wording';
import { paperInput } from '@/core/inputs/fields';
import type { LengthUnit } from '@/core/units/length';
import type { BedListPlant } from '@/exchange/pdf/bed-list';
import { inPlantingOrder } from '@/server/aftercare/places/print-place';
import { getPlace } from '@/server/aftercare/places/places';
import { standingPlants } from '@/server/aftercare/places/standing-plants';
import { allow, type Context } from '@/server/platform/context';
import { parse } from '@/server/platform/parse';
import { UseCaseError } from '@/server/platform/use-case-error';
import { type AskedUnion, askedUnions } from './asks/asked-unions';
import { wordingIn } from './wordings';

/** A list of what stands in a place, in planting order, to be ticked there and entered at home. */
export async function printBedList(context: Context, placeId: string, input: unknown): Promise<Buffer> {
  allow(context, 'viewer');
  const { paper } = parse(paperInput, input);
  const { db, actor } = context;
  const [place, club] = await Promise.all([
    getPlace(context, placeId),
    db.clubs.findOne({ where: { id: actor.clubId }, raw: true }),
  ]);
  const plants = inPlantingOrder(await standingPlants(context, placeId), place);
  if (plants.length === 0)
    throw new UseCaseError(
      'invalid',
      'Nothing stands in this place, so there is nothing to look at. Move plants there first.',
    );
  const asked = await askedUnions(context, { plantIds: plants.map(({ plantId }) => plantId) });
  const wording = wordingIn(club!.language);
  return printJob(
    'print bed list',
    {
      title: wording.say('list.title', { place: place.name }),
      intro: wording.say('list.intro'),
      answers: SAID.map((said) => wording.say(`slip.${said}`)),
      growth: wording.say('slip.growth'),
      plants: plants.flatMap(({ plantId, standing }) =>
        asked
          .filter(({ plant }) => plant.id === plantId)
          .map((union) => lineOf(union, spotWords(standing!.spot), { wording, unit: actor.lengthUnit })),
      ),
    },
    paper,
  );
}

/** A line of the list: what to look for, where something is due. */
function lineOf(
  { plant, wood, union, due, signDays }: AskedUnion,
  spot: string,
  { wording, unit }: { wording: Wording; unit: LengthUnit },
): BedListPlant {
  const where = union.position === 'sole' ? '' : `, ${wording.say(`place.${union.position}`)}`;
  return {
    spot,
    code: formatCode(plant.code),
    variety: `${wood.variety}${where}`,
    made: wording.trade(madeWords(union), unit),
    question: due ? questionSaid(wording, due, unit, signDays.grown) : wording.say('page.asked-done'),
    resting: due === null,
  };
}
