import { QueryTypes } from 'sequelize';
import { object } from 'yup';
import { codeIn } from '@/core/plan/benches/find-seat';
import { allow, type Context } from '@/server/platform/context';
import { trimmed } from '@/core/inputs/fields';
import { parse } from '@/server/platform/parse';
import { ERASED_NAME } from '@/server/platform/erased-name';

const findInput = object({
  q: trimmed()
    .required('Enter a name, or the code of a tag.')
    .min(2, 'Enter two letters or more.')
    .max(120, 'Enter 120 characters at most.'),
});

export interface FoundPerson {
  workshopId: string;
  workshop: string;
  date: string;
  seat: number;
  name: string;
}

const MOST = 12;

/** Somebody of the club, at whichever workshop: by a tag's code, or by the start of a name or one of its parts. Latest first. */
export async function findPerson(context: Context, input: unknown): Promise<FoundPerson[]> {
  allow(context, 'viewer');
  const {
    db,
    actor: { clubId },
  } = context;
  const { q } = parse(findInput, input);
  const code = codeIn(q);
  const seats = `SELECT w.id AS workshopId, w.title AS workshop, w.date, s.number AS seat, p.name FROM seats s JOIN workshops w ON w.id = s.workshop_id JOIN people p ON p.id = s.person_id`;
  if (code) {
    const tagged = await db.sequelize.query<FoundPerson>(
      `${seats} JOIN plants t ON t.seat_id = s.id WHERE t.code = :code AND t.club_id = :clubId`,
      { replacements: { code, clubId }, type: QueryTypes.SELECT },
    );
    if (tagged.length > 0) return tagged.map((found) => ({ ...found, name: found.name ?? ERASED_NAME }));
  }
  // People first, latest first: few of them answer to a name, and each sat somewhere.
  const pattern = q.replace(/[\\%_]/g, (sign) => `\\${sign}`);
  return db.sequelize.query<FoundPerson>(
    `SELECT w.id AS workshopId, w.title AS workshop, w.date, s.number AS seat, p.name FROM (SELECT id, name FROM people WHERE club_id = :clubId AND (name LIKE :starts OR name LIKE :part) ORDER BY id DESC LIMIT ${4 * MOST}) p
     STRAIGHT_JOIN seats s ON s.person_id = p.id STRAIGHT_JOIN workshops w ON w.id = s.workshop_id ORDER BY w.date DESC, s.number LIMIT ${MOST}`,
    { replacements: { clubId, starts: `${pattern}%`, part: `% ${pattern}%` }, type: QueryTypes.SELECT },
  );
}
