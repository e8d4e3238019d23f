import { UNSET } from '@/db/unset';
import type { Services } from '@/server/platform/context';
import { openLink } from './open-link';

/**
 * All that is kept about the person behind a link, as plain data: who they are, what they made, how it was judged, what
 * they told, and what was written to them. Names of others are left out.
 */
export async function ownCopy(services: Services, token: string): Promise<Record<string, unknown>> {
  const { person, club, reader } = await openLink(services, token);
  const { db } = reader;
  const clubId = club.id;
  const seats = await db.seats.findAll({ where: { clubId, personId: person.id }, raw: true });
  const seatId = seats.map(({ id }) => id);
  const [workshops, plants, unions, messages, links] = await Promise.all([
    db.workshops.findAll({ where: { clubId, id: seats.map(({ workshopId }) => workshopId) }, raw: true }),
    db.plants.findAll({ where: { clubId, seatId }, raw: true }),
    db.unions.findAll({ where: { clubId, seatId }, raw: true }),
    db.messages.findAll({ where: { clubId, personId: person.id }, order: [['createdAt', 'ASC']], raw: true }),
    db.reportLinks.findAll({ where: { clubId, personId: person.id }, order: [['createdAt', 'ASC']], raw: true }),
  ]);
  const unionId = unions.map(({ id }) => id);
  const [reports, judgements, photos, replies, wood] = await Promise.all([
    db.reports.findAll({ where: { clubId, unionId }, order: [['recordedAt', 'ASC']], raw: true }),
    db.judgements.findAll({ where: { clubId, unionId, withdrawnAt: UNSET }, raw: true }),
    db.photos.findAll({ where: { clubId, unionId, withdrawn: false }, raw: true }),
    db.mailReplies.findAll({ where: { clubId, personId: person.id }, raw: true }),
    db.woodLots.findAll({ where: { clubId, id: plants.map(({ woodLotId }) => woodLotId) }, raw: true }),
  ]);
  const code = (id: string): string | null => {
    const union = unions.find((each) => each.id === id);
    return plants.find((plant) => plant.id === union?.plantId)?.code ?? null;
  };
  return {
    club: club.name,
    person: {
      name: person.name,
      email: person.email,
      phone: person.phone,
      mayBeWrittenTo: person.mayContact,
      language: person.language,
    },
    workshops: seats.map(({ number, workshopId, leftHanded, absent }) => {
      const workshop = workshops.find(({ id }) => id === workshopId);
      return { title: workshop?.title, date: workshop?.date, seat: number, leftHanded, absent };
    }),
    plants: plants.map((plant) => ({
      code: plant.code,
      variety: wood.find(({ id }) => id === plant.woodLotId)?.variety ?? null,
      voided: plant.voidedAt !== null,
    })),
    unions: unions.map(({ id, kind, method, variant, madeOn, number }) => ({
      code: code(id),
      kind,
      method,
      variant,
      madeOn,
      number,
      judgements: judgements
        .filter((judgement) => judgement.unionId === id)
        .map(({ score, contact, note, madeAt }) => ({ score, contact, note, judgedAt: madeAt })),
      photos: photos
        .filter((photo) => photo.unionId === id)
        .map(({ addedAt, bytes }) => ({ addedAt, jpegBase64: bytes.toString('base64') })),
    })),
    answers: reports.map((report) => ({
      code: code(report.unionId),
      said: report.said,
      signs: report.signs,
      reading: report.reading,
      countedAs: report.answer,
      seenOn: report.seenOn,
      cameOn: report.cameOn,
      wayIn: report.source,
      note: report.note,
    })),
    lettersToYou: messages.map(({ subject, createdAt }) => ({ subject, writtenAt: createdAt })),
    lettersFromYou: replies.map(({ subject, text, arrivedAt }) => ({ subject, text, arrivedAt })),
    links: links.map(({ kind, createdAt, withdrawnAt }) => ({ kind, createdAt, withdrawnAt })),
  };
}
