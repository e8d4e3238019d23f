import { v7 as uuid } from 'uuid';
import { beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { readSentForm } from '@/exchange/sent-form';
import type { Keeper } from '@/server/plan/keepers-of-workshop';
import { ASKED_ON, askedGrower } from '@/server/testing/private-link';
import { refusalOf, testClub, type TestClub } from '@/server/testing/test-club';
import { growerPage } from './grower-page';
import { saveForm } from './save-form';

let club: TestClub;
let token = '';
let own: Keeper[];
let others: Keeper[];
const services = () => ({ ...club.services, now: ASKED_ON });
/** Saves a form as a browser sends it. */
const save = async (link: string, form: FormData) =>
  saveForm(services(), link, await readSentForm(new Request('http://bench.example', { method: 'POST', body: form })));

beforeAll(async () => {
  club = await testClub();
  ({ token, own, others } = await askedGrower(club));
});
beforeEach(async () => {
  await club.services.db.reports.destroy({ where: { clubId: club.clubId } });
});

/** A page's form: what each graft's fields hold. */
function formOf(fields: Record<string, Record<string, string>>, rendering: string = uuid()): FormData {
  const form = new FormData();
  form.set('form', rendering);
  for (const [unionId, said] of Object.entries(fields))
    for (const [name, value] of Object.entries(said)) form.set(`${unionId}.${name}`, value);
  return form;
}
const kept = async (): Promise<{ unionId: string; said: string; note: string }[]> =>
  (await club.services.db.reports.findAll({ where: { clubId: club.clubId }, raw: true })).map(
    ({ unionId, said, note }) => ({ unionId, said, note }),
  );

describe('the form of a whole page', () => {
  it('keeps what was chosen of each graft, and nothing of those that were left alone', async () => {
    const [first, second] = own as [Keeper, Keeper];
    const form = formOf({
      [first.unionId]: { said: 'alive', note: ' by the wall ', unit: 'mm', seenOn: '' },
      // A unit and a day alone are no answer.
      [second.unionId]: { said: '', note: '', growth: '', unit: 'mm', seenOn: '2027-06-01' },
    });
    expect(await save(token, form)).toEqual({ saved: 1, photos: 0, refused: new Map() });
    expect(await kept()).toEqual([{ unionId: first.unionId, said: 'alive', note: 'by the wall' }]);
  });
  it('sent twice is one answer, and changed it is another', async () => {
    const [first] = own as [Keeper];
    const rendering = uuid();
    const once = () => formOf({ [first.unionId]: { said: 'alive' } }, rendering);
    await save(token, once());
    await save(token, once());
    expect(await kept()).toHaveLength(1);
    await save(token, formOf({ [first.unionId]: { said: 'dead' } }, rendering));
    expect((await kept()).map(({ said }) => said).sort()).toEqual(['alive', 'dead']);
  });
  it('takes what was changed last where both cannot be so, and asks where both are new', async () => {
    const [first] = own as [Keeper];
    const shown = JSON.stringify([[['growth', 'shoot']], '', false, '', '', '', '']);
    const both = { 'sign.growth': 'shoot', said: 'dead', unit: 'mm' };
    // It was told of a shoot before; now the page says dead as well.
    expect((await save(token, formOf({ [first.unionId]: { ...both, before: shown } }))).saved).toBe(1);
    expect(await kept()).toEqual([{ unionId: first.unionId, said: 'dead', note: '' }]);
    const dead = JSON.stringify([[], 'dead', false, '', '', '', '']);
    await save(token, formOf({ [first.unionId]: { ...both, before: dead } }));
    const [, last] = await club.services.db.reports.findAll({
      where: { clubId: club.clubId },
      order: [['turn', 'ASC']],
      raw: true,
    });
    expect(last).toMatchObject({ said: '', signs: { growth: 50 } });
    const { refused, saved } = await save(token, formOf({ [first.unionId]: both }));
    expect(saved).toBe(0);
    expect(refused.get(first.unionId)!.error.key).toBe('error.both');
  });
  it('says nothing anew of what stood on the page already', async () => {
    const [first] = own as [Keeper];
    await save(token, formOf({ [first.unionId]: { said: 'alive' } }));
    const page = await growerPage(services(), token);
    const shown = page.grafts.find(({ unionId }) => unionId === first.unionId)!;
    expect(shown).toBeDefined();
    // The page names what it showed; the same again is no answer.
    const before = JSON.stringify([[], 'alive', false, '', '', '', '']);
    const form = formOf({ [first.unionId]: { said: 'alive', before } });
    expect((await save(token, form)).saved).toBe(0);
    expect(await kept()).toHaveLength(1);
  });
  it('keeps what can be kept where another graft’s answer is refused, and gives back what was typed', async () => {
    const [first, second] = own as [Keeper, Keeper];
    const form = formOf({
      [first.unionId]: { growth: 'a hand', unit: 'mm', said: 'alive' },
      [second.unionId]: { said: 'dead' },
    });
    const { saved, refused } = await save(token, form);
    expect(saved).toBe(1);
    expect([...refused.keys()]).toEqual([first.unionId]);
    expect(refused.get(first.unionId)).toMatchObject({ typed: { growth: 'a hand', said: 'alive' } });
    expect(await kept()).toEqual([{ unionId: second.unionId, said: 'dead', note: '' }]);
  });
  it('cannot tell of another’s graft, of one that is none, or of a day to come', async () => {
    const [foreign] = others as [Keeper];
    const [first] = own as [Keeper];
    const form = formOf({
      [foreign.unionId]: { said: 'dead' },
      [uuid()]: { said: 'dead' },
      [first.unionId]: { said: 'alive', seenOn: '2027-08-01' },
    });
    const { saved, refused } = await save(token, form);
    expect([saved, refused.size]).toEqual([0, 3]);
    expect(await kept()).toEqual([]);
  });
  it('refuses a picture that is none, beside the answer it keeps', async () => {
    const [first] = own as [Keeper];
    const form = formOf({ [first.unionId]: { said: 'alive' } });
    form.set(`${first.unionId}.photo`, new File(['no picture'], 'leaf.jpg', { type: 'image/jpeg' }));
    const { saved, refused } = await save(token, form);
    expect([saved, refused.size]).toEqual([1, 1]);
    // An empty choice of a file is no picture.
    const empty = formOf({ [first.unionId]: { said: 'dead' } });
    empty.set(`${first.unionId}.photo`, new File([], ''));
    expect((await save(token, empty)).refused.size).toBe(0);
  });
  it('loses no answer with a photo that is too large, and says which one it was', async () => {
    const [first, second] = own as [Keeper, Keeper];
    const form = formOf({ [first.unionId]: { said: 'alive' }, [second.unionId]: { said: 'dead' } });
    form.set(`${first.unionId}.photo`, new File([new Uint8Array(41_000_000)], 'leaf.jpg', { type: 'image/jpeg' }));
    const { saved, photos, refused } = await save(token, form);
    expect([saved, photos]).toEqual([2, 0]);
    expect([...refused].map(([unionId, { error }]) => [unionId, error.refusal])).toEqual([
      [first.unionId, 'too-large'],
    ]);
    expect((await kept()).map(({ said }) => said).sort()).toEqual(['alive', 'dead']);
  });
  it('behind no link is not opened', async () => {
    expect(await refusalOf(save('made-up', formOf({})))).toMatchObject({ refusal: 'not-found' });
  });
});
