import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { answerByLink, answerInvitation, ownClubs } from './invitations';
import { addMember, changeMember, changeUnits, handOverPassword, listMembers, makeFirstLead } from './members';
import { setPasswordByLink } from './passwords';
import { changeClub } from './sessions';
import { actorOf, signIn } from './sign-in';
import { addSite } from './sites';
import { getWorkshop, putWorkshop } from '@/server/plan/workshops';
import { joined, NOW, refusalOf, testClub, testWorkshop, type TestClub } from '@/server/testing/test-club';

let club: TestClub;
beforeAll(async () => {
  club = await testClub();
});
const email = `new-${uuid()}@reed.example`;
const password = 'heron ladle quartz evening';

describe('members', () => {
  it('are asked with a role, choose their password, sign in, and their session follows their membership', async () => {
    const { url } = await addMember(club.as('lead'), { name: 'New Hand', email: email.toUpperCase(), role: 'viewer' });
    expect((await listMembers(club.as('lead'))).find((member) => member.email === email)).toMatchObject({
      asked: true,
      role: 'viewer',
    });
    // Who was asked is the lead's to know, and nothing opens before they say yes.
    expect((await listMembers(club.as('viewer'))).some((member) => member.email === email)).toBe(false);
    expect(await refusalOf(signIn(club.services, { email, password }, '10.0.0.1'))).toMatchObject({
      refusal: 'signed-out',
    });
    await setPasswordByLink(club.services, { token: url.split('/').at(-1), password });
    expect(await refusalOf(addMember(club.as('lead'), { name: 'New Hand', email, role: 'viewer' }))).toMatchObject({
      refusal: 'conflict',
    });
    const { token } = await signIn(club.services, { email, password }, '10.0.0.1');
    const actor = (await actorOf(club.services, token))!;
    expect(actor).toMatchObject({ role: 'viewer', name: 'New Hand', clubId: club.clubId, lengthUnit: 'mm' });
    await changeMember(club.as('lead'), actor.userId, { role: 'assistant' });
    expect((await actorOf(club.services, token))!.role).toBe('assistant');
    await changeUnits({ ...club.services, actor }, { lengthUnit: 'in', temperatureUnit: 'F' });
    expect(await actorOf(club.services, token)).toMatchObject({ lengthUnit: 'in', temperatureUnit: 'F' });
    await changeMember(club.as('lead'), actor.userId, { role: 'none' });
    expect(await actorOf(club.services, token)).toBeNull();
    expect(await refusalOf(signIn(club.services, { email, password }, '10.0.0.1'))).toMatchObject({
      refusal: 'forbidden',
    });
  });
  it('always leave a lead, and only the lead looks after them', async () => {
    const lead = club.as('lead').actor.userId;
    expect((await refusalOf(changeMember(club.as('lead'), lead, { role: 'viewer' }))).message).toContain(
      'needs a lead',
    );
    expect(await refusalOf(changeMember(club.as('assistant'), lead, { role: 'viewer' }))).toMatchObject({
      refusal: 'forbidden',
    });
    expect(await refusalOf(addMember(club.as('lead'), { name: '', email: 'x', role: 'king' }))).toMatchObject({
      fields: { name: 'Enter a name.', role: expect.any(String) as string, email: expect.any(String) as string },
    });
    expect((await listMembers(club.as('viewer'))).map(({ role }) => role).sort()).toEqual([
      'assistant',
      'lead',
      'viewer',
    ]);
  });
  it('always leave a lead, also when two leads put each other out in the same moment', async () => {
    const own = await testClub();
    const { memberships } = own.services.db;
    const [first, second] = [own.as('lead'), own.as('assistant')];
    for (let round = 0; round < 5; round++) {
      await memberships.update(
        { role: 'lead' },
        { where: { clubId: own.clubId, userId: [first.actor.userId, second.actor.userId] } },
      );
      const asLead = { ...second, actor: { ...second.actor, role: 'lead' as const } };
      const done = await Promise.allSettled([
        changeMember(first, second.actor.userId, { role: 'viewer' }),
        changeMember(asLead, first.actor.userId, { role: 'viewer' }),
      ]);
      expect(done.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected']);
      expect(await memberships.count({ where: { clubId: own.clubId, role: 'lead' } })).toBe(1);
    }
  });
  it('are changed only by a lead who entered the password a short while ago', async () => {
    const late = {
      ...club.as('lead'),
      now: new Date(NOW.getTime() + 16 * 60_000),
      actor: { ...club.as('lead').actor, confirmedAt: NOW },
    };
    for (const work of [
      addMember(late, { name: 'x', email: 'x@reed.example', role: 'viewer' }),
      changeMember(late, club.as('viewer').actor.userId, { role: 'lead' }),
      handOverPassword(late, club.as('viewer').actor.userId),
    ]) {
      expect(await refusalOf(work)).toMatchObject({
        refusal: 'forbidden',
        fields: { confirm: expect.any(String) as string },
      });
    }
  });
  it('of another club join with their own yes, and nobody learns whether they had an account', async () => {
    const other = await testClub();
    const address = `both-${uuid()}@reed.example`;
    const userId = await joined(other, address, password);
    const asked = await addMember(club.as('lead'), { name: 'Called Otherwise', email: address, role: 'assistant' });
    const fresh = await addMember(club.as('lead'), {
      name: 'Nobody Yet',
      email: `none-${uuid()}@reed.example`,
      role: 'assistant',
    });
    expect(asked.url.replace(/[^/]+$/, '')).toBe(fresh.url.replace(/[^/]+$/, ''));
    const token = asked.url.split('/').at(-1)!;
    // The link opens no account that has a password.
    expect(
      await refusalOf(setPasswordByLink(club.services, { token, password: 'taken over quietly by them' })),
    ).toMatchObject({ refusal: 'conflict' });
    expect(
      await refusalOf(answerByLink(club.services, { token, password: 'a guess at the password', answer: 'yes' })),
    ).toMatchObject({ refusal: 'invalid' });
    expect(await club.services.db.memberships.count({ where: { userId } })).toBe(1);
    await answerByLink(club.services, { token, password, answer: 'yes' });
    expect(await club.services.db.memberships.count({ where: { userId } })).toBe(2);
    expect(await refusalOf(answerByLink(club.services, { token, password, answer: 'yes' }))).toMatchObject({
      refusal: 'gone',
    });
    // Signed in, they go from one club to the other.
    const session = await signIn(club.services, { email: address, password }, '10.0.0.5');
    const actor = (await actorOf(club.services, session.token))!;
    const there = actor.clubId === club.clubId ? other.clubId : club.clubId;
    await changeClub({ ...club.services, actor }, { clubId: there });
    expect((await actorOf(club.services, session.token))!.clubId).toBe(there);
    expect(await refusalOf(changeClub({ ...club.services, actor }, { clubId: uuid() }))).toMatchObject({
      refusal: 'not-found',
    });
    // A lead cannot take over an account that is another club's too.
    expect(await refusalOf(handOverPassword(club.as('lead'), userId))).toMatchObject({ refusal: 'conflict' });
  });
  it('say no, or are no longer asked', async () => {
    const other = await testClub();
    const address = `no-${uuid()}@reed.example`;
    const userId = await joined(other, address, password);
    await addMember(club.as('lead'), { name: 'Says No', email: address, role: 'viewer' });
    const actor = { ...other.as('viewer').actor, userId };
    expect((await ownClubs({ ...other.services, actor })).filter(({ asked }) => asked)).toHaveLength(1);
    await answerInvitation({ ...other.services, actor }, club.clubId, { answer: 'no' });
    expect(await ownClubs({ ...other.services, actor })).toHaveLength(1);
    expect(
      await refusalOf(answerInvitation({ ...other.services, actor }, club.clubId, { answer: 'yes' })),
    ).toMatchObject({ refusal: 'not-found' });
    await addMember(club.as('lead'), { name: 'Says No', email: address, role: 'viewer' });
    await changeMember(club.as('lead'), userId, { role: 'none' });
    expect(await ownClubs({ ...other.services, actor })).toHaveLength(1);
  });
  it('make the first account of an installation only while there is none', async () => {
    expect(await refusalOf(makeFirstLead(club.services, { club: 'x', name: 'x', email, password }))).toMatchObject({
      refusal: 'conflict',
    });
  });
});

describe('workshops', () => {
  it('are made once for two clicks, changed, and keep their method once unions are scored', async () => {
    const site = await addSite(club.as('lead'), { name: 'Twice', hemisphere: 'south', timeZone: 'Pacific/Auckland' });
    const id = uuid();
    const body = {
      title: 'Once',
      date: '2027-07-10',
      siteId: site.id,
      method: 'whip-and-tongue',
      promisedKeepers: 1,
      promise: '',
    };
    await Promise.all([putWorkshop(club.as('lead'), id, body), putWorkshop(club.as('lead'), id, body)]);
    await putWorkshop(club.as('assistant'), id, { ...body, title: 'Twice' });
    expect((await getWorkshop(club.as('viewer'), id)).title).toBe('Twice');
    expect(
      await refusalOf(
        putWorkshop(club.as('lead'), uuid(), { ...body, date: '2027-02-30', promisedKeepers: -1, method: 'glue' }),
      ),
    ).toMatchObject({
      fields: {
        date: expect.stringContaining('existing date') as string,
        promisedKeepers: expect.stringContaining('0 or more') as string,
        method: expect.any(String) as string,
      },
    });
    expect(
      await refusalOf(addSite(club.as('lead'), { name: 'Twice', hemisphere: 'north', timeZone: 'Europe/Zurich' })),
    ).toMatchObject({ refusal: 'conflict' });
    expect(
      await refusalOf(addSite(club.as('lead'), { name: 'Elsewhere', hemisphere: 'north', timeZone: 'Lake/Island' })),
    ).toMatchObject({ fields: { timeZone: expect.stringContaining('such as') as string } });
  });
  it('of another club are not found', async () => {
    const other = await testClub();
    const theirs = await testWorkshop(other);
    expect(await refusalOf(getWorkshop(club.as('lead'), theirs.id))).toMatchObject({ refusal: 'not-found' });
  });
});
