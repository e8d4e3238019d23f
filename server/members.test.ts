import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { addMember, changeMember, changeUnits, listMembers, makeFirstLead } from './members';
import { limitAttempts } from './rate-limit';
import { actorOf, forgetOldSessions, signIn, signOut } from './sign-in';
import { addSite } from './sites';
import { getWorkshop, putWorkshop } from './workshops';
import { NOW, refusalOf, testClub, testWorkshop, type TestClub } from './testing/test-club';

let club: TestClub;
beforeAll(async () => {
  club = await testClub();
});
const email = `new-${uuid()}@reed.example`;
const password = 'a password of ten';

describe('members', () => {
  it('are added with a role, sign in, and their session follows their membership', async () => {
    await addMember(club.as('lead'), { name: 'New Hand', email: email.toUpperCase(), password, role: 'viewer' });
    expect(await refusalOf(addMember(club.as('lead'), { name: 'New Hand', email, password, role: 'viewer' }))).toMatchObject({ refusal: 'conflict' });
    const { token } = await signIn(club.services, { email, password }, '10.0.0.1');
    const actor = (await actorOf(club.services, token))!;
    expect(actor).toMatchObject({ role: 'viewer', name: 'New Hand', clubId: club.clubId, lengthUnit: 'mm' });
    await changeMember(club.as('lead'), actor.userId, { role: 'assistant' });
    expect((await actorOf(club.services, token))!.role).toBe('assistant');
    await changeUnits({ ...club.services, actor }, { lengthUnit: 'in', temperatureUnit: 'F' });
    expect(await actorOf(club.services, token)).toMatchObject({ lengthUnit: 'in', temperatureUnit: 'F' });
    await changeMember(club.as('lead'), actor.userId, { role: 'none' });
    expect(await actorOf(club.services, token)).toBeNull();
    expect(await refusalOf(signIn(club.services, { email, password }, '10.0.0.1'))).toMatchObject({ refusal: 'forbidden' });
  });
  it('always leave a lead, and only the lead looks after them', async () => {
    const lead = club.as('lead').actor.userId;
    expect((await refusalOf(changeMember(club.as('lead'), lead, { role: 'viewer' }))).message).toContain('needs a lead');
    expect(await refusalOf(changeMember(club.as('assistant'), lead, { role: 'viewer' }))).toMatchObject({ refusal: 'forbidden' });
    expect(await refusalOf(addMember(club.as('lead'), { name: '', email: 'x', password: 'short', role: 'king' }))).toMatchObject({ fields: { name: 'Enter a name.', password: expect.stringContaining('10 characters') as string, role: expect.any(String) as string, email: expect.any(String) as string } });
    expect((await listMembers(club.as('viewer'))).map(({ role }) => role).sort()).toEqual(['assistant', 'lead', 'viewer']);
  });
  it('make the first account of an installation only while there is none', async () => {
    expect(await refusalOf(makeFirstLead(club.services, { club: 'x', name: 'x', email, password }))).toMatchObject({ refusal: 'conflict' });
  });
});

describe('sessions', () => {
  it('end on the server when signed out, and by themselves after a fortnight', async () => {
    const address = `session-${uuid()}@reed.example`;
    await addMember(club.as('lead'), { name: 'Session Hand', email: address, password, role: 'viewer' });
    const { token, expiresAt } = await signIn(club.services, { email: address, password }, '10.0.0.2');
    expect(token).toHaveLength(43);
    expect(await actorOf({ ...club.services, now: new Date(expiresAt.getTime() - 1000) }, token)).not.toBeNull();
    expect(await actorOf({ ...club.services, now: expiresAt }, token)).toBeNull();
    await forgetOldSessions({ ...club.services, now: new Date(expiresAt.getTime() - 1000) });
    expect(await actorOf(club.services, token)).not.toBeNull();
    await forgetOldSessions({ ...club.services, now: expiresAt });
    expect(await actorOf(club.services, token)).toBeNull();
    const again = await signIn(club.services, { email: address, password }, '10.0.0.2');
    await signOut(club.services, again.token);
    expect(await actorOf(club.services, again.token)).toBeNull();
    await signOut(club.services, token);
    expect(await actorOf(club.services, token)).toBeNull();
    expect(await actorOf(club.services, 'made up')).toBeNull();
  });
});

describe('limits', () => {
  it('count exactly, also at the same time, and begin anew when their window is over', async () => {
    const bucket = `test ${uuid()}`;
    const tries = await Promise.allSettled(Array.from({ length: 12 }, () => limitAttempts(club.services, bucket, 5, 15)));
    expect(tries.filter(({ status }) => status === 'fulfilled').length).toBeLessThanOrEqual(5);
    expect(await refusalOf(limitAttempts(club.services, bucket, 5, 15))).toMatchObject({ refusal: 'too-many', message: expect.stringContaining('Wait 15 minutes') as string });
    await limitAttempts({ ...club.services, now: new Date(NOW.getTime() + 16 * 60_000) }, bucket, 5, 15);
  });
  it('hold back guesses at one account, wherever they come from, and not those who sign in', async () => {
    const address = `guessed-${uuid()}@reed.example`;
    await addMember(club.as('lead'), { name: 'Guessed Hand', email: address, password, role: 'viewer' });
    for (let i = 0; i < 12; i++) await signIn(club.services, { email: address, password }, '10.0.1.1');
    for (let i = 0; i < 8; i++) expect(await refusalOf(signIn(club.services, { email: address, password: 'wrong' }, `10.0.2.${i}`))).toMatchObject({ refusal: 'signed-out' });
    expect(await refusalOf(signIn(club.services, { email: address, password }, '10.0.3.1'))).toMatchObject({ refusal: 'too-many' });
  });
});

describe('workshops', () => {
  it('are made once for two clicks, changed, and keep their method once unions are scored', async () => {
    const site = await addSite(club.as('lead'), { name: 'Twice', hemisphere: 'south', timeZone: 'Pacific/Auckland' });
    const id = uuid();
    const body = { title: 'Once', date: '2027-07-10', siteId: site.id, method: 'whip-and-tongue', promisedKeepers: 1, promise: '' };
    await Promise.all([putWorkshop(club.as('lead'), id, body), putWorkshop(club.as('lead'), id, body)]);
    await putWorkshop(club.as('assistant'), id, { ...body, title: 'Twice' });
    expect((await getWorkshop(club.as('viewer'), id)).title).toBe('Twice');
    expect(await refusalOf(putWorkshop(club.as('lead'), uuid(), { ...body, date: '2027-02-30', promisedKeepers: -1, method: 'glue' }))).toMatchObject({
      fields: { date: expect.stringContaining('existing date') as string, promisedKeepers: expect.stringContaining('0 or more') as string, method: expect.any(String) as string },
    });
    expect(await refusalOf(addSite(club.as('lead'), { name: 'Twice', hemisphere: 'north', timeZone: 'Europe/Zurich' }))).toMatchObject({ refusal: 'conflict' });
    expect(await refusalOf(addSite(club.as('lead'), { name: 'Elsewhere', hemisphere: 'north', timeZone: 'Lake/Island' }))).toMatchObject({ fields: { timeZone: expect.stringContaining('such as') as string } });
  });
  it('of another club are not found', async () => {
    const other = await testClub();
    const theirs = await testWorkshop(other);
    expect(await refusalOf(getWorkshop(club.as('lead'), theirs.id))).toMatchObject({ refusal: 'not-found' });
  });
});
