import { SAID } from '@/core/follow-up/said';
import { contradicts } from '@/core/follow-up/signs/contradicts';
import { asksWithoutWinter } from '@/core/follow-up/asks/without-winter';
import { Op } from 'sequelize';
import { isPlantCode, normaliseCode } from '@/core/codes/plant-code';
import type { AnswerCard } from '@/core/follow-up/entering/answer-card';
import { questionOfRound, questionSaid } from '@/core/follow-up/round-question';
import { askedSigns } from '@/core/follow-up/signs/asked-signs';
import { ENGLISH } from '@/core/follow-up/wording/english';
import type { WordingKey } from '@/core/follow-up/wording/wording';
import { ANSWER_WORDS } from '@/core/methods/milestones';
import { POSITION_WORDS } from '@/core/methods/position';
import { formatDate } from '@/core/units/iso-date';
import { saidLength } from '@/core/units/prose';
import { UNSET } from '@/db/unset';
import { standingWords } from '@/server/aftercare/places/standing-words';
import { allow, type Context } from '@/server/platform/context';
import { ERASED_NAME } from '@/server/platform/erased-name';
import { hashToken } from '@/server/platform/secrets';
import { type AskedUnion, askedUnions } from '../asks/asked-unions';
import { plantsOfPeople } from '../asks/plants-of-people';
import { roundToAnswer } from '../reports';

/** Plants that one search shows at most. */
const MOST_PLANTS = 60;

/**
 * Grafts to enter answers for, found by a code (typed, or scanned as the address on a tag), by the square on a slip, by part of a name, or by
 * part of the name of a place; what is due first.
 */
export async function findCards(context: Context, search: string): Promise<AnswerCard[]> {
  allow(context, 'assistant');
  const plantIds = await plantsFound(context, search.trim().slice(0, 200));
  if (plantIds.length === 0) return [];
  const [asked, stands] = await Promise.all([askedUnions(context, { plantIds }), standingWords(context, plantIds)]);
  const order = { due: 0, tellable: 1, 'too-early': 2 };
  return asked
    .map((each) => cardOf(context, each, stands.get(each.plant.id) ?? ''))
    .sort(
      (a, b) => order[a.state] - order[b.state] || a.grower.localeCompare(b.grower) || a.code.localeCompare(b.code),
    );
}

async function plantsFound(context: Context, search: string): Promise<string[]> {
  const { db, actor } = context;
  const { clubId } = actor;
  if (search.length < 2) return [];
  const code = codeIn(search);
  const living = { clubId, voidedAt: UNSET };
  const token = /\/r\/([\w-]{20,})/.exec(search)?.[1];
  if (token) return plantsOfLink(context, token);
  if (code) {
    const plant = await db.plants.findOne({ where: { ...living, code }, attributes: ['id'], raw: true });
    return plant ? [plant.id] : [];
  }
  const like = { [Op.like]: `%${search.replace(/[\\%_]/g, (sign) => `\\${sign}`)}%` };
  const [people, places] = await Promise.all([
    db.people.findAll({ where: { clubId, name: like, erasedAt: UNSET }, attributes: ['id'], limit: 20, raw: true }),
    db.places.findAll({ where: { clubId, name: like, putAwayAt: UNSET }, attributes: ['id'], limit: 5, raw: true }),
  ]);
  const [own, standing] = await Promise.all([
    plantsOfPeople(
      context,
      people.map(({ id }) => id),
    ),
    db.plantPlaces.findAll({
      where: { clubId, placeId: places.map(({ id }) => id) },
      attributes: ['plantId'],
      limit: MOST_PLANTS,
      raw: true,
    }),
  ]);
  return [...new Set([...own, ...standing.map(({ plantId }) => plantId)])].slice(0, MOST_PLANTS);
}

/** The plants of whoever a slip's square, when it is scanned here, was printed for. */
async function plantsOfLink(context: Context, token: string): Promise<string[]> {
  const { db, actor } = context;
  const { clubId } = actor;
  const link = await db.reportLinks.findOne({ where: { clubId, tokenHash: hashToken(token) }, raw: true });
  if (!link) return [];
  return plantsOfPeople(context, [link.personId]);
}

/** A code as it is typed, or at the end of an address that was scanned. */
function codeIn(search: string): string | null {
  const last = search.split('/').at(-1)!.split('?')[0]!;
  const code = normaliseCode(last);
  return isPlantCode(code) ? code : null;
}

function cardOf({ actor }: Context, asked: AskedUnion, stands: string): AnswerCard {
  const { union, plant, wood, person, workshop, variant, signVariant, signDays, due, asks, reports } = asked;
  const round = roundToAnswer(asked);
  const kind = round?.milestone ?? due?.kind ?? 'healed';
  const { say } = ENGLISH;
  const length = saidLength({ mm: signDays.grown }, actor.lengthUnit);
  const groups = askedSigns(signVariant, kind, signDays.grown, !asksWithoutWinter(variant));
  const last = reports.at(-1);
  const next = asks.find(({ state }) => state === 'to-come' || state === 'again');
  return {
    unionId: union.id,
    code: plant.code,
    variety: wood.variety,
    position: union.position === 'sole' ? '' : POSITION_WORDS[union.position],
    stands,
    grower: person.name ?? ERASED_NAME,
    personId: person.id,
    phone: person.phone ?? '',
    workshop: workshop.title,
    madeOn: union.madeOn,
    question: questionSaid(
      ENGLISH,
      { kind, question: questionOfRound(variant, kind) },
      actor.lengthUnit,
      signDays.grown,
    ),
    groups: groups.map(({ id, options, after }) => ({
      id,
      words: say(`sign.${id}`),
      options: options.map((option) => ({
        id: option.id,
        words: say(`sign.${id}.${option.id}` as WordingKey, { length }),
        against: SAID.filter((said) => contradicts(said, option.signs)),
      })),
      after: after ? `${after.group}:${after.options.join(',')}` : '',
    })),
    sayings: SAID.map((said) => ({
      said,
      words: say(kind === 'crop' && (said === 'alive' || said === 'unsure') ? `said.crop-${said}` : `said.${said}`),
    })),
    measured: groups.some(({ options }) => options.some(({ signs }) => signs.growth !== undefined)),
    state: due?.roundId ? 'due' : round ? 'tellable' : 'too-early',
    told: last
      ? `Told ${formatDate(last.seenOn)}: ${ANSWER_WORDS[last.answer].toLowerCase()}${next ? `; asked again about ${formatDate(next.askOn)}` : ''}`
      : due
        ? 'Due now, nothing told yet'
        : next
          ? `Asked about ${formatDate(next.askOn)}`
          : 'Nothing more is asked',
  };
}
