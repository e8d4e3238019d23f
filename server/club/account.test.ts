import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { joined, testClub, type TestClub } from '@/server/testing/test-club';
import { ownAccount } from './account';
import { actorOf, signIn } from './sign-in';

const PASSWORD = 'heron ladle quartz evening';
let club: TestClub;
beforeAll(async () => {
  club = await testClub();
});

async function signedIn(address: string, device: string) {
  const { token } = await signIn(club.services, { email: address, password: PASSWORD }, '10.9.0.7', device);
  return { ...club.services, actor: (await actorOf(club.services, token))! };
}

describe('the page of one’s own account', () => {
  it('has one’s address, clubs and sessions, the one it is looked at with told apart', async () => {
    const address = `own-${uuid()}@reed.example`;
    await joined(club, address, PASSWORD, 'assistant');
    await signedIn(address, 'Firefox on Linux');
    const here = await signedIn(address, 'Chrome on Android');
    const { email, sessions, clubs } = await ownAccount(here);
    expect(email).toBe(address);
    expect(sessions.map(({ device, here: own }) => [device, own]).sort()).toEqual([
      ['Chrome on Android', true],
      ['Firefox on Linux', false],
    ]);
    expect(clubs).toHaveLength(1);
    expect(JSON.stringify(clubs)).toContain('Reed Islet Grafters');
  });
  it('has nothing of anybody else’s', async () => {
    const [mine, theirs] = [`mine-${uuid()}@reed.example`, `theirs-${uuid()}@reed.example`];
    await joined(club, mine, PASSWORD);
    await joined(club, theirs, PASSWORD);
    await signedIn(theirs, 'Their phone');
    const account = await ownAccount(await signedIn(mine, 'My desk'));
    expect(account.sessions.map(({ device }) => device)).toEqual(['My desk']);
    expect(JSON.stringify(account)).not.toContain(theirs);
    // What proves who somebody is stays on the server.
    expect(JSON.stringify(account)).not.toMatch(/argon2|passwordHash|tokenHash/);
  });
});
