import { v7 as uuid } from 'uuid';
import { apiSignIn, expect, PEOPLE, test } from './setup/bench-test';
import { query } from './setup/query';

test.setTimeout(180_000);

/** What a page may ask of the database, whatever was changed before it. */
const MOST = 12;

/** Statements the application has sent so far; the one that asks is not among them. */
const sent = (): number =>
  Number(
    query(
      "SELECT SUM(variable_value) FROM information_schema.global_status WHERE variable_name IN ('COM_SELECT', 'COM_INSERT', 'COM_UPDATE', 'COM_DELETE', 'COM_REPLACE')",
    ),
  );

test('no page asks more than twelve statements, however many workshops there are', async ({ request }) => {
  await apiSignIn(request, PEOPLE.lead);
  const firstOf = (sql: string): string => query(sql).split('\n')[0]!;
  const workshop = firstOf("SELECT id FROM workshops WHERE title = 'Pears and medlars on the bench'");
  const clubId = firstOf(`SELECT club_id FROM workshops WHERE id = '${workshop}'`);
  const [site, lot, plan] = ['sites', 'wood_lots', 'topworking_plans'].map((table) =>
    firstOf(`SELECT id FROM ${table} WHERE club_id = '${clubId}' LIMIT 1`),
  );
  const code = firstOf(`SELECT code FROM plants WHERE workshop_id = '${workshop}' AND voided_at IS NULL LIMIT 1`);
  const union = firstOf(`SELECT id FROM unions WHERE workshop_id = '${workshop}' AND kind = 'practice' LIMIT 1`);
  const paths = [
    'plan',
    'plan/benches',
    'plan/quantities',
    'plan/pairs',
    'plan/roster',
    'plan/ready',
    'plan/season',
    'plan/wood',
    'plan/dates',
    'teach',
    'teach/briefing',
    'teach/healing',
    'score',
    'score/sheet',
    'score/readiness',
    'score/agreement',
    'score/agreement/recalibration',
    'score/cards',
    'score/settings',
    'score/rubric',
    `score/unions/${union}`,
    'aftercare',
    'follow-up',
    'findings',
    'findings/causes',
    'findings/differs',
    'findings/score',
    'findings/when',
    'findings/teach',
  ];
  const pages = [
    '/season',
    '/week',
    '/visits',
    `/plants/${code}`,
    `/plants/${code}/why`,
    '/findings',
    '/findings/differs',
    '/findings/score',
    '/findings/when',
    '/findings/when?by=cause',
    '/findings/causes',
    '/findings/teach',
    '/findings/unions?scoreFrom=60&scoreTo=74',
    '/club/causes',
    '/club',
    '/account',
    '/outbox',
    '/answers',
    '/answers/file',
    '/answers/inbox',
    '/wood',
    `/wood/${lot}`,
    '/places',
    ...['bed', 'tree', 'callus-box', 'pail'].map(
      (kind) => `/places/${firstOf(`SELECT id FROM places WHERE club_id = '${clubId}' AND kind = '${kind}'`)}`,
    ),
    '/sites',
    `/sites/${site}`,
    '/methods',
    '/methods/choose',
    '/methods/pairs',
    '/methods/chip',
    '/topworking',
    `/topworking/${plan}`,
    '/workshops/new',
    ...paths.map((page) => `/workshops/${workshop}/${page}`),
    `/wall/${workshop}`,
    `/screen/${workshop}`,
    '/cards/chip',
  ];
  const counts = async (): Promise<Map<string, number>> => {
    const found = new Map<string, number>();
    for (const page of pages) {
      // The first look reads what has changed; what counts is a page as it is looked at all day.
      await request.get(page);
      const before = sent();
      expect((await request.get(page)).status(), page).toBe(200);
      found.set(page, sent() - before - 1);
    }
    return found;
  };
  const few = await counts();
  expect([...few].filter(([, count]) => count > MOST)).toEqual([]);
  for (let i = 0; i < 12; i++) {
    const day = new Date(Date.now() + (i - 6) * 12 * 86_400_000).toISOString().slice(0, 10);
    expect(
      (
        await request.put(`/api/workshops/${uuid()}`, {
          data: {
            title: `Further day ${i}`,
            date: day,
            siteId: site,
            method: 'whip-and-tongue',
            promisedKeepers: 1,
            promise: '',
          },
        })
      ).ok(),
    ).toBe(true);
  }
  const many = await counts();
  expect([...many].filter(([page, count]) => count > few.get(page)! + 1)).toEqual([]);
  // After a change the season reads each table once, and not once a workshop.
  query(`UPDATE table_stamps SET stamp = UUID() WHERE club_id = '${clubId}'`);
  const before = sent();
  await request.get('/season');
  expect(sent() - before - 1).toBeLessThanOrEqual(MOST);
});
