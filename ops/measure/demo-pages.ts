/** A page of the demo that is measured: what it is called in tables, and where it is. */
export interface DemoPage {
  name: string;
  path: string;
}

const PLAN = ['benches', 'quantities', 'pairs', 'roster', 'ready', 'season', 'wood', 'dates'].map(
  (page) => `plan/${page}`,
);
const SCORE = ['sheet', 'readiness', 'agreement', 'agreement/recalibration', 'cards', 'settings', 'rubric'];
const FINDINGS = ['differs', 'score', 'when', 'causes', 'teach'];
const OF_A_WORKSHOP = [
  'plan',
  ...PLAN,
  ...['teach', 'teach/briefing', 'teach/healing', 'score'],
  ...SCORE.map((page) => `score/${page}`),
  ...['aftercare', 'follow-up', 'findings'],
  ...FINDINGS.map((page) => `findings/${page}`),
];
const OF_THE_CLUB = [
  ...['/week', '/season', '/visits', '/answers', '/answers/file', '/answers/inbox', '/wood', '/places', '/sites'],
  ...['/methods', '/methods/choose', '/methods/pairs', '/methods/chip', '/methods/cleft', '/topworking'],
  ...[
    '/workshops/new',
    '/club',
    '/club/status',
    '/club/causes',
    '/account',
    '/outbox',
    '/cards/chip',
    '/stand-ins/weather',
  ],
  ...[
    '',
    ...FINDINGS.map((page) => `/${page}`),
    '/care',
    '/report',
    '/when?by=cause',
    '/unions?scoreFrom=60&scoreTo=74',
  ].map((page) => `/findings${page}`),
];

/** Where pages that list things lead to: the first link of each shape is measured. */
const LED_TO: [from: string, shape: RegExp, name: string][] = [
  ['/wood', /\/wood\/[0-9a-f-]{36}/, '/wood/[lot]'],
  ['/sites', /\/sites\/[0-9a-f-]{36}/, '/sites/[site]'],
  ['/topworking', /\/topworking\/[0-9a-f-]{36}/, '/topworking/[plan]'],
  ['/visits', /\/visits\/[0-9a-f-]{36}\/\d{4}-\d\d-\d\d/, '/visits/[site]/[day]'],
];

/** How many places of the club are measured, each kind among them. */
const PLACES = 6;

/**
 * Every page of the demo that a lead works with, found by following links of a running server.
 *
 * @param text reads a page or an answer as text, signed in.
 * @throws Error when the demo is not there.
 */
export async function demoPages(text: (path: string) => Promise<string>): Promise<DemoPage[]> {
  const season = await text('/season');
  const workshops = [...new Set([...season.matchAll(/workshops\/([0-9a-f-]{36})\/plan/g)].map(([, id]) => id!))];
  const benches = await Promise.all(
    workshops.map(async (id) => ({
      id,
      bench: JSON.parse(await text(`/api/workshops/${id}/bench`)) as { unions: { id: string; kind: string }[] },
    })),
  );
  // The one that was scored has most to show.
  const [past] = benches.sort((a, b) => b.bench.unions.length - a.bench.unions.length);
  if (!past || past.bench.unions.length === 0) throw new Error('There is no scored workshop: start with the demo.');
  const codes = (await text(`/api/workshops/${past.id}/export/unions.csv`))
    .split('\r\n')
    .flatMap((line) => line.split(',')[4] ?? [])
    .filter((cell) => /^[2-9A-HJ-NP-Z]{6}$/.test(cell));
  const led = await Promise.all(
    LED_TO.map(async ([from, shape, name]) => {
      const [path] = shape.exec(await text(from)) ?? [];
      if (!path) throw new Error(`${from} leads to no ${name}.`);
      return { name, path };
    }),
  );
  const places = [...new Set((await text('/places')).match(/\/places\/[0-9a-f-]{36}/g) ?? [])].slice(0, PLACES);
  return [
    ...OF_THE_CLUB.map((path) => ({ name: path, path })),
    ...led,
    ...places.map((path, i) => ({ name: `/places/[place] ${i + 1}`, path })),
    { name: '/plants/[code]', path: `/plants/${codes[0]}` },
    { name: '/plants/[code]/why', path: `/plants/${codes[0]}/why` },
    ...OF_A_WORKSHOP.map((page) => ({
      name: `/workshops/[workshop]/${page}`,
      path: `/workshops/${past.id}/${page}`,
    })),
    { name: '/wall/[workshop]', path: `/wall/${past.id}` },
    { name: '/screen/[workshop]', path: `/screen/${past.id}` },
    { name: '/remote/[workshop]', path: `/remote/${past.id}` },
    { name: 'bench of a workshop (data)', path: `/api/workshops/${past.id}/bench` },
  ];
}
