import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import type { Actor } from '@/server/platform/context';
import { handOverPassword } from './members';
import { changePassword, forgotPassword, openPasswordLink, setPasswordByLink } from './passwords';
import { limitAttempts } from '@/server/platform/rate-limit';
import { confirmSession, endOtherSessions, endSession, keepSession, needConfirmed, ownSessions } from './sessions';
import { actorOf, forgetOldSessions, signIn, signOut } from './sign-in';
import { waitAfter } from '@/server/platform/slow-down';
import { joined, lettersTo, NOW, refusalOf, testClub, type TestClub } from '@/server/testing/test-club';

let club: TestClub;
beforeAll(async () => {
  club = await testClub();
});
const password = 'heron ladle quartz evening';
const later = (minutes: number) => ({ ...club.services, now: new Date(NOW.getTime() + minutes * 60_000) });

async function member(name: string): Promise<{
  address: string;
  userId: string;
  enter: (from?: string, minutes?: number, word?: string) => Promise<{ token: string; actor: Actor; expiresAt: Date }>;
}> {
  const address = `${name}-${uuid()}@reed.example`;
  const userId = await joined(club, address, password);
  return {
    address,
    userId,
    enter: async (from = '10.9.0.1', minutes = 0, word = password) => {
      const services = later(minutes);
      const session = await signIn(services, { email: address, password: word }, from, 'Firefox on Linux');
      return { ...session, actor: (await actorOf(services, session.token))! };
    },
  };
}

describe('sessions', () => {
  it('end on the server when signed out, and by themselves after a fortnight of use', async () => {
    const { enter } = await member('fortnight');
    const { token, expiresAt } = await enter();
    expect(token).toHaveLength(43);
    for (let day = 0; day < 14; day += 0.75)
      expect(await actorOf(later(day * 1440), token), `day ${day}`).not.toBeNull();
    expect(await actorOf({ ...club.services, now: expiresAt }, token)).toBeNull();
    const again = await enter();
    await signOut(club.services, again.token);
    expect(await actorOf(club.services, again.token)).toBeNull();
    expect(await actorOf(club.services, 'made up')).toBeNull();
  });
  it('end after a day without use, unless a bench is kept on the device', async () => {
    const { enter } = await member('idle');
    const [idle, kept] = [await enter(), await enter()];
    await keepSession({ ...club.services, actor: kept.actor }, { keptOffline: true });
    expect(await actorOf(later(23 * 60), idle.token)).not.toBeNull();
    expect(await actorOf(later(48 * 60), idle.token)).toBeNull();
    expect(await actorOf(later(9 * 1440), kept.token)).not.toBeNull();
    await forgetOldSessions(later(10 * 1440));
    expect(await actorOf(club.services, idle.token)).toBeNull();
    expect(await actorOf(club.services, kept.token)).not.toBeNull();
  });
  it('are listed to their owner, and ended one by one or all but one', async () => {
    const { enter } = await member('many');
    const [first, two, three] = [await enter(), await enter(), await enter()];
    const context = { ...club.services, actor: first.actor };
    const listed = await ownSessions(context);
    expect(listed.map(({ here, device }) => [here, device]).sort()).toEqual([
      [false, 'Firefox on Linux'],
      [false, 'Firefox on Linux'],
      [true, 'Firefox on Linux'],
    ]);
    await endSession(context, two.actor.sessionId);
    expect(await actorOf(club.services, two.token)).toBeNull();
    await endOtherSessions(context);
    expect(await actorOf(club.services, three.token)).toBeNull();
    expect(await actorOf(club.services, first.token)).not.toBeNull();
    // Nobody ends another's.
    const other = await (await member('other')).enter();
    expect(await refusalOf(endSession(context, other.actor.sessionId))).toMatchObject({ refusal: 'not-found' });
  });
  it('are confirmed by the password, for a quarter of an hour', async () => {
    const { enter } = await member('confirms');
    const { token } = await enter();
    const at = async (minutes: number) => ({ ...later(minutes), actor: (await actorOf(later(minutes), token))! });
    needConfirmed(await at(14));
    await expect(at(16).then(needConfirmed)).rejects.toMatchObject({
      fields: { confirm: expect.any(String) as string },
    });
    expect(await refusalOf(confirmSession(await at(16), { password: 'not this one at all' }))).toMatchObject({
      refusal: 'invalid',
    });
    await expect(at(16).then(needConfirmed)).rejects.toThrow();
    await confirmSession(await at(16), { password });
    needConfirmed(await at(30));
  });
});

describe('passwords', () => {
  it('are changed with the old one, which ends every other session', async () => {
    const { address, enter } = await member('changes');
    const [here, elsewhere] = [await enter(), await enter()];
    const context = { ...club.services, actor: here.actor };
    expect(
      await refusalOf(
        changePassword(context, { old: 'another one entirely', password: 'magpie cellar oblong tuesday' }),
      ),
    ).toMatchObject({ fields: { old: expect.any(String) as string } });
    await changePassword(context, { old: password, password: 'magpie cellar oblong tuesday' });
    expect(await actorOf(club.services, elsewhere.token)).toBeNull();
    expect(await actorOf(club.services, here.token)).not.toBeNull();
    expect(await refusalOf(signIn(club.services, { email: address, password }, '10.9.0.1'))).toMatchObject({
      refusal: 'signed-out',
    });
    await enter('10.9.0.1', 1, 'magpie cellar oblong tuesday');
  });
  it.each([
    'short',
    'elevenchars',
    'password1234',
    '123456789012',
    'qwertyuiopas',
    'aaaaaaaaaaaaaaa',
    'Reed Islet Grafters',
    'trustno1trustno1',
    'reed-islet-grafters-reed-islet-grafters',
    'Gr4ft3rs of the Reed Islet!!',
    'grafters.islet.reed.common.2027',
  ])('are refused when they are short or common: %s', async (word) => {
    const { enter } = await member('common');
    const { actor } = await enter();
    expect(
      await refusalOf(changePassword({ ...club.services, actor }, { old: password, password: word })),
    ).toMatchObject({ refusal: 'invalid', fields: { password: expect.any(String) as string } });
  });
  it('are set by a link from a letter, once and within twenty minutes, and end all sessions', async () => {
    const { address, enter } = await member('forgets');
    const { token: open } = await enter();
    await forgotPassword(club.services, { email: ` ${address.toUpperCase()} ` });
    const [, letter] = await lettersTo(club, address);
    expect(letter!.text).toContain('within 20 minutes');
    const link = letter!.link!;
    expect(await openPasswordLink(later(19), link)).toMatchObject({ purpose: 'forgotten' });
    expect(await refusalOf(openPasswordLink(later(21), link))).toMatchObject({ refusal: 'gone' });
    expect(
      await refusalOf(setPasswordByLink(later(21), { token: link, password: 'violet ladder parsnip noon' })),
    ).toMatchObject({ refusal: 'gone' });
    expect(await refusalOf(setPasswordByLink(club.services, { token: link, password: 'short' }))).toMatchObject({
      refusal: 'invalid',
    });
    const sets = await Promise.allSettled(
      [1, 2, 3].map(() => setPasswordByLink(club.services, { token: link, password: 'violet ladder parsnip noon' })),
    );
    expect(sets.filter(({ status }) => status === 'fulfilled')).toHaveLength(1);
    expect(await actorOf(club.services, open)).toBeNull();
    await enter('10.9.0.1', 1, 'violet ladder parsnip noon');
    expect(await refusalOf(openPasswordLink(club.services, 'made-up'))).toMatchObject({ refusal: 'not-found' });
  });
  it('answer a forgotten one alike and as slowly whether the address exists, and flood no mailbox', async () => {
    const { address } = await member('asks');
    const took = async (email: string): Promise<number> => {
      const began = performance.now();
      await forgotPassword(club.services, { email });
      return performance.now() - began;
    };
    const times = [await took(address), await took(`nobody-${uuid()}@reed.example`)];
    for (const time of times) expect(time).toBeGreaterThanOrEqual(390);
    expect(Math.abs(times[0]! - times[1]!)).toBeLessThan(150);
    await Promise.all(Array.from({ length: 8 }, () => forgotPassword(club.services, { email: address })));
    for (let i = 0; i < 3; i++) await forgotPassword(club.services, { email: address });
    expect((await lettersTo(club, address)).length).toBeLessThanOrEqual(1 + 9);
  });
  it('are handed over by the lead as a link and never typed for others', async () => {
    const { userId, enter } = await member('handed');
    const { token } = await enter();
    const { url } = await handOverPassword(club.as('lead'), userId);
    await setPasswordByLink(club.services, { token: url.split('/').at(-1), password: 'copper window thistle bread' });
    expect(await actorOf(club.services, token)).toBeNull();
    await enter('10.9.0.1', 1, 'copper window thistle bread');
    expect(await refusalOf(handOverPassword(club.as('assistant'), userId))).toMatchObject({ refusal: 'forbidden' });
    expect(await refusalOf(handOverPassword(club.as('lead'), uuid()))).toMatchObject({ refusal: 'not-found' });
  });
});

describe('addresses', () => {
  it('compare by their bytes: an accent makes another address, case and width do not', async () => {
    const [plain, accented] = [`edda-${uuid()}@reed.example`, ''];
    await joined(club, plain, password);
    for (const other of [plain.replace('edda', 'éddà'), plain.replace('edda', 'edda\u200b'), accented]) {
      const refusal = await refusalOf(signIn(club.services, { email: other, password }, '10.9.5.1'));
      expect(['signed-out', 'invalid'], other).toContain(refusal.refusal);
    }
    await signIn(club.services, { email: plain.toUpperCase(), password }, '10.9.5.1');
    await signIn(club.services, { email: plain.replace('e', '\uff45'), password }, '10.9.5.1');
    // An account of their own for the accented one.
    await joined(club, plain.replace('edda', 'éddà'), password);
    const [first, two] = await Promise.all(
      [plain, plain.replace('edda', 'éddà')].map(
        async (email) =>
          (await actorOf(club.services, (await signIn(club.services, { email, password }, '10.9.5.2')).token))!.userId,
      ),
    );
    expect(first).not.toBe(two);
  });
});

describe('guesses', () => {
  it('at one account are slowed down wherever they come from; its owner signs in from home all the same', async () => {
    const { address, enter } = await member('guessed');
    await enter('192.0.2.7');
    const guess = (i: number, minutes = 0) =>
      refusalOf(signIn(later(minutes), { email: address, password: 'wrong' }, `198.51.100.${i}`));
    for (let i = 0; i < 8; i++) expect(await guess(i)).toMatchObject({ refusal: 'signed-out' });
    expect(await guess(9)).toMatchObject({
      refusal: 'too-many',
      message: expect.stringContaining('30 seconds') as string,
    });
    // Spelled otherwise it is the same account, and the same pace.
    expect(
      await refusalOf(signIn(club.services, { email: ` ${address.toUpperCase()}`, password }, '198.51.100.77')),
    ).toMatchObject({ refusal: 'too-many' });
    await enter('192.0.2.7');
    // Nobody is shut out for good: the wait ends, and grows with each miss.
    expect(await guess(10, 0.6)).toMatchObject({ refusal: 'signed-out' });
    expect(await guess(11, 1.2)).toMatchObject({ refusal: 'too-many' });
  });
  it('let in everybody with a right password who comes at the same moment, from a new network too', async () => {
    const { enter } = await member('crowd');
    for (const from of ['198.18.0.1', '198.18.0.1', '198.18.0.2']) {
      const sessions = await Promise.all(Array.from({ length: 30 }, () => enter(from)));
      expect(new Set(sessions.map(({ token }) => token)).size).toBe(30);
    }
    const seated = await Promise.all(Array.from({ length: 70 }, (_, i) => member(`seat-${i}`)));
    const all = await Promise.all(seated.map((seat) => seat.enter('198.18.0.3')));
    expect(new Set(all.map(({ actor }) => actor.userId)).size).toBe(70);
    // Some 230 passwords are worked through on purpose slowly.
  }, 60_000);
  it('at one account sent all at once get no more tries than one by one', async () => {
    const { address } = await member('flooded');
    const tries = await Promise.all(
      Array.from({ length: 40 }, (_, i) =>
        refusalOf(signIn(club.services, { email: address, password: 'wrong' }, `203.0.113.${i}`)),
      ),
    );
    expect(tries.filter(({ refusal }) => refusal === 'signed-out')).toHaveLength(8);
  });
  it('from one network hold back neither a class that signs in there, nor who did before', async () => {
    const { enter } = await member('classmate');
    const known = await member('regular');
    await known.enter('192.0.2.50');
    for (let i = 0; i < 61; i++)
      await refusalOf(signIn(club.services, { email: `nobody-${i}@reed.example`, password: 'wrong' }, '192.0.2.50'));
    await known.enter('192.0.2.50');
    // Somebody new waits seconds, not a quarter of an hour.
    const { message } = await refusalOf(enter('192.0.2.50'));
    expect(message).toMatch(/Wait [1-9] seconds/);
    await enter('192.0.2.50', 0.2);
    // A right password counts for nothing against the network.
    for (let i = 0; i < 80; i++) await enter('192.0.2.60');
  });
  it('wait twice as long each time, up to a limit', () => {
    const pace = { free: 3, first: 10, most: 60 };
    expect([0, 2, 3, 4, 5, 6, 1000].map((tries) => waitAfter(tries, pace))).toEqual([0, 0, 10, 20, 40, 60, 60]);
  });
});

describe('limits', () => {
  it('count exactly, also at the same time, and begin anew when their window is over', async () => {
    const bucket = `test ${uuid()}`;
    const tries = await Promise.allSettled(
      Array.from({ length: 12 }, () => limitAttempts(club.services, bucket, 5, 15)),
    );
    expect(tries.filter(({ status }) => status === 'fulfilled').length).toBeLessThanOrEqual(5);
    expect(await refusalOf(limitAttempts(club.services, bucket, 5, 15))).toMatchObject({
      refusal: 'too-many',
      message: expect.stringContaining('Wait 15 minutes') as string,
    });
    await limitAttempts(later(16), bucket, 5, 15);
  });
});
