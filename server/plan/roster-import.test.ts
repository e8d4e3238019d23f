import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { acceptRoster, previewRoster } from './roster-import';
import { listSeats } from './seats';
import { refusalOf, testClub, testWorkshop, type TestClub, type TestWorkshop } from '@/server/testing/test-club';

let club: TestClub;
let first: TestWorkshop;
let second: TestWorkshop;
beforeAll(async () => {
  club = await testClub();
  first = await testWorkshop(club);
  second = await testWorkshop(club);
});

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const ROSTER = bytes(
  'name,email,phone,leave\nOna Ferrel,ona@reed.example,1,yes\nBram Ode,bram@reed.example,,no\nNo Mail,,,\n',
);
const matches = async (workshop: TestWorkshop, text: string) =>
  (await previewRoster(club.as('lead'), workshop.id, bytes(text))).lines.map(({ match }) => match);
const names = async (workshop: TestWorkshop) =>
  (await listSeats(club.as('lead'), workshop.id)).map(({ person }) => person.name);

describe('a roster', () => {
  it('is previewed without saving anything', async () => {
    expect(
      await matches(first, 'name,email\nOna Ferrel,ona@reed.example\nOna Ferrel,ona@reed.example\n,x@reed.example'),
    ).toEqual(['new', 'problem', 'problem']);
    expect(await names(first)).toHaveLength(3);
  });
  it('is accepted once however often it is sent, also at the same time', async () => {
    const importId = uuid();
    const counts = await Promise.all(
      [1, 2, 3].map(() => acceptRoster(club.as('assistant'), first.id, ROSTER, { importId, decisions: {} })),
    );
    expect(counts).toEqual([3, 3, 3]);
    expect(await names(first)).toEqual(['Person 1', 'Person 2', 'Person 3', 'Ona Ferrel', 'Bram Ode', 'No Mail']);
    const ona = (await listSeats(club.as('lead'), first.id)).find(({ person }) => person.name === 'Ona Ferrel')!;
    expect(ona.person).toMatchObject({ email: 'ona@reed.example', phone: '1', mayContact: true });
  });
  it('knows people by address and name, says who sits already, and asks in doubt', async () => {
    const text =
      'name,email\nona  FERREL,ONA@reed.example\nOna Ferrel-Ode,ona@reed.example\nNo Mail,\nSomebody New,new@reed.example';
    expect(await matches(first, text)).toEqual(['seated', 'ask', 'ask', 'new']);
    expect(await matches(second, text)).toEqual(['known', 'ask', 'ask', 'new']);
  });
  it('waits for a decision on each doubt, and then does as it says', async () => {
    const text = bytes(
      'name,email,leave\nOna Ferrel-Ode,ona@reed.example,\nBram Oak,bram@reed.example,yes\nNo Mail,,\n',
    );
    const undecided = acceptRoster(club.as('lead'), second.id, text, {
      importId: uuid(),
      decisions: { 2: 'same', 4: 'skip' },
    });
    expect((await refusalOf(undecided)).message).toContain('line 3');
    expect(await names(second)).toHaveLength(3);
    expect(
      await acceptRoster(club.as('lead'), second.id, text, {
        importId: uuid(),
        decisions: { 2: 'same', 3: 'new', 4: 'skip' },
      }),
    ).toBe(2);
    expect(await names(second)).toEqual(['Person 1', 'Person 2', 'Person 3', 'Ona Ferrel-Ode', 'Bram Oak']);
    // The same person everywhere, with leave and number kept though the file had none.
    const renamed = (await listSeats(club.as('lead'), first.id)).find(
      ({ person }) => person.name === 'Ona Ferrel-Ode',
    )!;
    expect(renamed.person).toMatchObject({ phone: '1', mayContact: true });
    expect(await names(first)).toContain('Bram Ode');
  });
  it('asks who the second is when two of one file have one address', async () => {
    const text = bytes(
      'name,email\nLark Hollin,house@reed.example\nFinn Hollin,house@reed.example\nFenn Hollin,house@reed.example\n',
    );
    const preview = await previewRoster(club.as('lead'), second.id, text);
    expect(preview.lines.map(({ match, personName, sameAddressAs }) => [match, personName, sameAddressAs])).toEqual([
      ['new', null, null],
      ['ask', 'Lark Hollin', 2],
      ['ask', 'Lark Hollin', 2],
    ]);
    expect(
      (await refusalOf(acceptRoster(club.as('lead'), second.id, text, { importId: uuid(), decisions: {} }))).message,
    ).toContain('line 3, 4');
    const before = (await names(second)).length;
    expect(
      await acceptRoster(club.as('lead'), second.id, text, { importId: uuid(), decisions: { 3: 'new', 4: 'same' } }),
    ).toBe(2);
    expect((await names(second)).slice(before)).toEqual(['Lark Hollin', 'Finn Hollin']);
  });
  it('takes no decision that is none', async () => {
    for (const decisions of [5, [], 'same', null])
      expect(
        (await refusalOf(acceptRoster(club.as('lead'), second.id, ROSTER, { importId: uuid(), decisions }))).refusal,
      ).toBe('invalid');
  });
  it('that cannot be read seats nobody', async () => {
    const broken = acceptRoster(club.as('lead'), second.id, bytes('name\n"Bram\n'), {
      importId: uuid(),
      decisions: {},
    });
    expect((await refusalOf(broken)).message).toContain('quotation mark');
    expect((await refusalOf(previewRoster(club.as('viewer'), second.id, ROSTER))).refusal).toBe('forbidden');
  });
});
