import { daysBetween } from '@/core/units/iso-date';
import type { ClubRow, PersonRow } from '@/db/models/club-rows';
import type { ReportLinkRow } from '@/db/models/follow-up-rows';
import type { Wording } from '@/core/follow-up/wording/wording';
import type { Context, Services } from '@/server/platform/context';
import { linkReader } from '@/server/platform/link-reader';
import { hashToken } from '@/server/platform/secrets';
import { wordingFor } from '../wordings';
import { GrowerError } from './grower-error';

/** Days for which a private link opens. */
const OPENS_DAYS = 400;

export interface OpenedLink {
  link: ReportLinkRow;
  person: PersonRow;
  club: ClubRow;
  wording: Wording;
  /** Reads in the name of the link: a viewer of the club. */
  reader: Context;
}

/**
 * Finds what a private link opens. Changes nothing: mail programs and previews open links, too.
 *
 * @throws GrowerError for a link that is unknown, withdrawn or expired
 */
export async function openLink(services: Services, token: string): Promise<OpenedLink> {
  const { db, now } = services;
  const link = await db.reportLinks.findOne({ where: { tokenHash: hashToken(token) }, raw: true });
  if (!link) throw new GrowerError('not-found', 'error.link-unknown');
  const { clubId } = link;
  const [person, club] = await Promise.all([
    db.people.findOne({ where: { clubId, id: link.personId }, raw: true }),
    db.clubs.findOne({ where: { id: clubId }, raw: true }),
  ]);
  const wording = wordingFor(person!, club!);
  const refused = (key: 'error.link-withdrawn' | 'error.link-expired'): GrowerError =>
    Object.assign(new GrowerError('gone', key), { wording });
  if (link.withdrawnAt) throw refused('error.link-withdrawn');
  const age = daysBetween(link.createdAt.toISOString().slice(0, 10), now.toISOString().slice(0, 10));
  if (age > OPENS_DAYS) throw refused('error.link-expired');
  return { link, person: person!, club: club!, wording, reader: await linkReader(services, club!) };
}
