import { existsSync, utimesSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { deliverLetters, outbox, sweepOutbox, waitingLetters } from './outbox';
import { testClub, testWorkshop, type TestClub } from '@/server/testing/test-club';

let club: TestClub;
let letter: (state: 'queued' | 'delivered') => Promise<string>;
const file = (id: string, ending: string): string => join(club.mailFolder, `${id}.${ending}`);
beforeAll(async () => {
  club = await testClub();
  const workshop = await testWorkshop(club);
  const { db, now } = club.services;
  const roundId = uuid();
  await db.rounds.create({
    id: roundId,
    clubId: club.clubId,
    workshopId: workshop.id,
    milestone: 'healed',
    asks: '',
    opensOn: '2027-04-01',
    closesOn: '2027-05-01',
  });
  let nth = 0;
  letter = async (state) => {
    const id = uuid();
    await club.services.mail.prepare(id, Buffer.from('To: x@reed.example\r\n\r\nhello'));
    await db.messages.create({
      id,
      clubId: club.clubId,
      roundId,
      personId: workshop.personIds[0]!,
      nth: ++nth,
      subject: 'x',
      state,
      createdAt: now,
    });
    return id;
  };
});

describe('the outbox of a server that died', () => {
  it('goes on by itself, says what waits, and lets no letter that cannot go keep the others back', async () => {
    const ids = [await letter('queued'), await letter('queued'), await letter('queued')];
    expect(await waitingLetters(club.as('assistant'))).toMatchObject({ count: 3 });
    const { mail } = club.services;
    const stubborn = {
      ...club.services,
      mail: {
        ...mail,
        release: async (id: string) => {
          if (id === ids[1]) throw new Error('no room');
          return mail.release(id);
        },
      },
    };
    expect(await deliverLetters(stubborn, club.clubId)).toBe(1);
    expect(ids.map((id) => existsSync(file(id, 'eml')))).toEqual([true, false, true]);
    expect(await waitingLetters(club.as('assistant'))).toMatchObject({ count: 1, since: club.services.now });
    expect(await deliverLetters(club.services, club.clubId)).toBe(0);
    expect(existsSync(file(ids[1]!, 'eml'))).toBe(true);
    expect(await waitingLetters(club.as('assistant'))).toMatchObject({ count: 0 });
  });
  it('lists what was sent, the latest first and never more than asked', async () => {
    const { db, now } = club.services;
    const ids = [await letter('delivered'), await letter('delivered'), await letter('delivered')];
    for (const [i, id] of [ids[1]!, ids[2]!, ids[0]!].entries())
      await db.messages.update({ createdAt: new Date(now.getTime() + (i + 1) * 1000) }, { where: { id } });
    for (const id of ids) await club.services.mail.release(id);
    expect((await outbox(club.as('lead'))).slice(0, 3).map(({ id }) => id)).toEqual([ids[0], ids[2], ids[1]]);
    expect((await outbox(club.as('lead'), 2)).map(({ id }) => id)).toEqual([ids[0], ids[2]]);
  });
  it('is swept of files that no letter speaks of, once they are old, and of nothing else', async () => {
    const [known, orphan, young] = [await letter('queued'), uuid(), uuid()];
    for (const id of [orphan, young])
      await club.services.mail.prepare(id, Buffer.from('To: secret@reed.example\r\n\r\nhello'));
    writeFileSync(join(club.mailFolder, 'notes.txt'), 'not ours');
    for (const id of [known, orphan])
      utimesSync(file(id, 'pending'), 0, new Date(club.services.now.getTime() - 11 * 60_000));
    utimesSync(file(young, 'pending'), 0, new Date(club.services.now.getTime() - 60_000));
    expect(await sweepOutbox(club.services)).toBe(1);
    expect([known, orphan, young].map((id) => existsSync(file(id, 'pending')))).toEqual([true, false, true]);
    expect(existsSync(join(club.mailFolder, 'notes.txt'))).toBe(true);
  });
});
