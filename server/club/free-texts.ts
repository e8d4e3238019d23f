import type { Database } from '@/db/database';

/** Models whose rows hold words that people wrote freely. */
type Model = Exclude<keyof Database, 'sequelize'>;

/** A column of free words: where a person may be named though nothing links it to them. */
export interface FreeText {
  model: Model;
  /** Attributes that make up the row's key besides the club. */
  key: string[];
  columns: string[];
  /** Columns that hold JSON with words in it. */
  json?: string[];
  /** What it is, for whoever mends it. */
  what: string;
  /** The page to mend it on. */
  page: (row: Record<string, unknown>) => string;
}

const workshopPage =
  (page: string) =>
  (row: Record<string, unknown>): string =>
    `/workshops/${String(row.workshopId ?? row.id)}/${page}`;

/**
 * Every column of free words there is. A test holds this against the models, so that a new column is
 * either here or said to hold no words of people.
 */
export const FREE_TEXTS: readonly FreeText[] = [
  {
    model: 'workshops',
    key: ['id'],
    columns: ['title', 'promise', 'scionSpecies', 'stockSpecies'],
    what: 'a workshop',
    page: workshopPage('plan'),
  },
  {
    model: 'sites',
    key: ['id'],
    columns: ['name', 'region', 'climateSource'],
    json: ['assumptions', 'quarantine'],
    what: 'a site',
    page: ({ id }) => `/sites/${String(id)}`,
  },
  {
    model: 'woodLots',
    key: ['id'],
    columns: ['variety', 'species', 'source', 'place', 'wrap', 'leaveWords', 'certificate', 'region'],
    what: 'a lot of wood',
    page: ({ id }) => `/wood/${String(id)}`,
  },
  { model: 'stockLots', key: ['id'], columns: ['stockType', 'species'], what: 'a lot of stocks', page: () => '/wood' },
  {
    model: 'woodChecks',
    key: ['id'],
    columns: ['note'],
    what: 'a look at wood',
    page: ({ lotId }) => `/wood/${String(lotId)}`,
  },
  {
    model: 'loggerRuns',
    key: ['id'],
    columns: ['fileName'],
    json: ['notes'],
    what: 'a temperature log',
    page: ({ lotId }) => `/wood/${String(lotId)}`,
  },
  {
    model: 'woodSources',
    key: ['id'],
    columns: ['name', 'variety', 'species', 'region', 'note'],
    what: 'a plant to cut from',
    page: () => '/wood',
  },
  { model: 'woodSourceBookings', key: ['id'], columns: ['whom'], what: 'a promise of sticks', page: () => '/wood' },
  {
    model: 'observations',
    key: ['id'],
    columns: ['species', 'note'],
    what: 'something seen at a site',
    page: ({ siteId }) => `/sites/${String(siteId)}`,
  },
  {
    model: 'compatibility',
    key: ['id'],
    columns: ['stock', 'scion', 'note', 'source'],
    what: 'a pair of kinds',
    page: () => '/methods/pairs',
  },
  {
    model: 'topworkingPlans',
    key: ['id'],
    columns: ['tree', 'species'],
    json: ['limbs'],
    what: 'a topworking plan',
    page: ({ id }) => `/topworking/${String(id)}`,
  },
  {
    model: 'briefings',
    key: ['workshopId'],
    columns: ['firstAid', 'kit', 'localRules'],
    what: 'a briefing',
    page: workshopPage('teach/briefing'),
  },
  {
    model: 'unions',
    key: ['id'],
    columns: ['variantReason'],
    what: 'why a graft lives on as it does',
    page: workshopPage('aftercare'),
  },
  {
    model: 'planParts',
    key: ['workshopId', 'part'],
    columns: [],
    json: ['body'],
    what: 'a page of a plan',
    page: workshopPage('plan'),
  },
  {
    model: 'calendarEntries',
    key: ['workshopId', 'entry'],
    columns: ['title'],
    what: 'an entry of a calendar',
    page: workshopPage('plan/dates'),
  },
  {
    model: 'rubricEdits',
    key: ['method'],
    columns: [],
    json: ['body'],
    what: 'the words of a rubric',
    page: () => '/season',
  },
  { model: 'judgements', key: ['id'], columns: ['note'], what: 'a note on a union', page: () => '/season' },
  { model: 'cutLooks', key: ['id'], columns: ['note'], what: 'a note on a union cut open', page: () => '/season' },
  {
    model: 'reports',
    key: ['id'],
    columns: ['note', 'setAsideWhy'],
    what: 'a note with an answer',
    page: () => '/season',
  },
  { model: 'causeLooks', key: ['id'], columns: ['note'], what: 'a note on a dead union', page: () => '/season' },
  {
    model: 'struckEvidence',
    key: ['id'],
    columns: ['reason'],
    what: 'why evidence was struck out',
    page: () => '/season',
  },
  { model: 'settledCauses', key: ['id'], columns: ['reason'], what: 'why a cause was settled', page: () => '/season' },
  {
    model: 'causeTables',
    key: ['id'],
    columns: ['source'],
    json: ['body'],
    what: 'the tables of causes',
    page: () => '/club/causes',
  },
  {
    model: 'mailReplies',
    key: ['id'],
    columns: ['subject', 'text', 'fileName', 'sender'],
    what: 'a reply by mail',
    page: () => '/answers/inbox',
  },
  {
    model: 'keeperPermits',
    key: ['id'],
    columns: ['reason'],
    what: 'the reason of a permit',
    page: workshopPage('score/readiness'),
  },
  { model: 'taskMarks', key: ['id'], columns: ['reason'], what: 'a note on a task', page: () => '/week' },
  { model: 'unionObservations', key: ['id'], columns: ['note'], what: 'a note on a plant', page: () => '/week' },
  {
    model: 'places',
    key: ['id'],
    columns: ['name', 'liveName', 'logger', 'owner', 'leaveBy', 'told'],
    what: 'a place where plants stand',
    page: ({ id }) => `/places/${String(id)}`,
  },
  {
    model: 'plantPlaces',
    key: ['plantId'],
    columns: ['limb'],
    what: 'the limb of a tree',
    page: ({ placeId }) => `/places/${String(placeId)}`,
  },
  {
    model: 'plantMoves',
    key: ['id'],
    columns: ['note'],
    json: ['fromSpot', 'toSpot'],
    what: 'a note on a move',
    page: () => '/places',
  },
  {
    model: 'placeLogs',
    key: ['id'],
    columns: ['fileName'],
    json: ['notes'],
    what: 'a temperature log of a place',
    page: ({ placeId }) => `/places/${String(placeId)}`,
  },
  {
    model: 'openedGrafts',
    key: ['id'],
    columns: ['note'],
    what: 'a note on a graft that was opened',
    page: ({ placeId }) => `/places/${String(placeId)}`,
  },
  {
    model: 'tagFinds',
    key: ['id'],
    columns: ['note'],
    what: 'a note on a lost tag',
    page: ({ placeId }) => `/places/${String(placeId)}`,
  },
  { model: 'messages', key: ['id'], columns: ['subject'], what: 'the subject of a message', page: () => '/outbox' },
];

/** The row a text stands in, as one text. */
export function rowKey({ key }: FreeText, row: Record<string, unknown>): string {
  return key.map((part) => String(row[part])).join(' ');
}
