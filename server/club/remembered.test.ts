import { beforeAll, beforeEach, describe, expect, it } from 'vitest';
import type { Role } from '@/core/club/role';
import { beginLook, type Stamps } from '@/db/remembering';
import { loggedStampsSql } from '@/db/table-changes';
import { STAMPED_TABLES } from '@/db/stamped-tables';
import type { Context } from '@/server/platform/context';
import { QueryTypes } from 'sequelize';
import { testClub, testWorkshop, type TestClub, type TestWorkshop } from '@/server/testing/test-club';
import { remembered } from './remembered';

let club: TestClub;
let workshop: TestWorkshop;
let made: number;
const DAY = new Date('2027-03-10T10:00:00Z');
beforeAll(async () => {
  club = await testClub();
  workshop = await testWorkshop(club);
});
beforeEach(() => {
  made = 0;
});

async function stamps(): Promise<Stamps> {
  const replacements = { clubId: club.clubId };
  const { sequelize } = club.services.db;
  const rows = await sequelize.query<{ t: string; s: string }>(
    'SELECT table_name AS t, stamp AS s FROM table_stamps WHERE club_id = :clubId',
    { replacements, type: QueryTypes.SELECT },
  );
  const [logged] = await sequelize.query<{ all: string | Stamps }>(`SELECT ${loggedStampsSql(':clubId')} AS \`all\``, {
    replacements,
    type: QueryTypes.SELECT,
  });
  const parsed = typeof logged!.all === 'string' ? (JSON.parse(logged!.all) as Stamps) : logged!.all;
  return { ...Object.fromEntries(rows.map(({ t, s }) => [t, s])), ...parsed };
}
async function looking(role: Role = 'viewer', now = DAY): Promise<Context> {
  const look = beginLook(club.services.db, club.clubId, await stamps());
  return { ...club.as(role, now), looking: look, db: look.database() };
}
/** How many workshops and rules of visits there are, counted by two reads. */
const counts = (context: Context, name: string, keep?: () => boolean) =>
  remembered(
    context,
    name,
    null,
    async ({ db, actor: { clubId } }) => {
      made++;
      return [await db.workshops.count({ where: { clubId } }), await db.visitRules.count({ where: { clubId } })];
    },
    keep ? { keep } : {},
  );

describe('what a page works out', () => {
  it('is given again until a table it was read from changes, whichever of them', async () => {
    for (let i = 0; i < 3; i++) expect(await counts(await looking(), 'twice')).toEqual([1, 0]);
    expect(made).toBe(1);
    await club.services.db.people.update({ phone: '7' }, { where: { id: workshop.personIds[0] } });
    await counts(await looking(), 'twice');
    expect(made).toBe(1);
    await club.services.db.workshops.update({ title: 'Another' }, { where: { id: workshop.id } });
    await counts(await looking(), 'twice');
    expect(made).toBe(2);
    await club.services.db.visitRules.create({
      siteId: workshop.siteId,
      clubId: club.clubId,
      weekdays: [],
      dates: [],
      most: null,
      version: 1,
    });
    expect(await counts(await looking(), 'twice')).toEqual([1, 1]);
    expect(made).toBe(3);
    await club.services.db.visitRules.destroy({ where: { clubId: club.clubId } });
  });
  it('is another for another day at the club’s sites, another role, and other arguments', async () => {
    const once = await looking();
    await counts(once, 'other');
    await counts(await looking('viewer', new Date('2027-03-10T21:00:00Z')), 'other');
    expect(made).toBe(1);
    await counts(await looking('viewer', new Date('2027-03-11T10:00:00Z')), 'other');
    await counts(await looking('lead'), 'other');
    await remembered(await looking(), 'other', 'this', async () => ++made);
    expect(made).toBe(4);
  });
  it('is worked out once for all who ask at the same moment', async () => {
    const all = await Promise.all(Array.from({ length: 6 }, async () => counts(await looking(), 'at once')));
    expect(all).toEqual(Array.from({ length: 6 }, () => [1, 0]));
    expect(made).toBe(1);
  });
  it('is worked out anew where it is not finished, failed, or somebody changes something', async () => {
    await counts(await looking(), 'unfinished', () => false);
    await counts(await looking(), 'unfinished');
    expect(made).toBe(2);
    const failing = async (): Promise<unknown> =>
      remembered(await looking(), 'failing', null, async () => {
        made++;
        throw new Error('no');
      });
    await expect(failing()).rejects.toThrow('no');
    await expect(failing()).rejects.toThrow('no');
    expect(made).toBe(4);
    await counts(club.as('viewer', DAY), 'twice');
    expect(made).toBe(5);
  });
  it('counts what an inner part was read from as its own', async () => {
    const outer = async (): Promise<unknown> =>
      remembered(await looking(), 'outer', null, async (look) => {
        made++;
        return counts(look, 'inner');
      });
    await outer();
    await outer();
    expect(made).toBe(2);
    // The inner part is remembered by now, and still the outer one depends on its tables.
    await remembered(await looking(), 'outer of a known inner', null, async (look) => counts(look, 'inner'));
    await club.services.db.workshops.update({ title: 'Once more' }, { where: { id: workshop.id } });
    await outer();
    expect(made).toBe(4);
    expect(STAMPED_TABLES).toContain('workshops');
  });
  it('cannot be changed by who was given it', async () => {
    const list = await counts(await looking(), 'frozen');
    expect(() => list.push(3)).toThrow(TypeError);
  });
});
