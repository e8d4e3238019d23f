import type { APIRequestContext, Page } from '@playwright/test';
import { v7 as uuid } from 'uuid';
import { demoSite, expect } from './bench-test';

/** A workshop of its own, far off, with so many people, made through the routes by whoever is signed in. */
export async function makeDay(
  page: Page,
  { method = 'whip-and-tongue', people = 3, date = '2031-03-12', title = 'A day of tests' } = {},
): Promise<string> {
  const siteId = demoSite();
  const id = uuid();
  const put = async (path: string, data: object): Promise<void> =>
    expect((await page.request.put(path, { data })).ok(), path).toBe(true);
  await put(`/api/workshops/${id}`, { title, date, siteId, method, promisedKeepers: 1, promise: '' });
  for (let i = 1; i <= people; i++)
    await put(`/api/workshops/${id}/walk-ins/${uuid()}`, {
      name: `${['Sedge', 'Rill', 'Alder', 'Merrow', 'Tansy', 'Wren', 'Bracken', 'Ferrow'][(i - 1) % 8]} Marlow ${i}`,
      email: '',
    });
  return id;
}

export interface BenchAnswer {
  seats: { id: string; number: number; name: string }[];
  unions: {
    id: string;
    seatId: string;
    number: number;
    counts: string;
    judgements: { id: string; score: number | null; assessor: string; note: string }[];
  }[];
  unseen: { id: string; seatId: string; number: number }[];
}

export async function benchOf(request: APIRequestContext, workshopId: string): Promise<BenchAnswer> {
  return (await (await request.get(`/api/workshops/${workshopId}/bench`)).json()) as BenchAnswer;
}

/** A union as the bench would send it. */
export function judgement(
  workshopId: string,
  seatId: string,
  number: number,
  marks: object = {},
  changes: object = {},
): object {
  const figure = (value: number) => ({ value, origin: 'measured' });
  return {
    workshopId,
    seatId,
    number,
    stage: 'joined',
    marks,
    note: '',
    deviceAt: new Date().toISOString(),
    sentAt: new Date().toISOString(),
    measures: {
      stockDiameter: figure(10),
      scionDiameter: figure(10),
      stockBark: figure(1),
      scionBark: figure(1),
      stockLength: figure(35),
      scionLength: figure(35),
      stockHollow: figure(0),
      scionHollow: figure(0),
      placement: { pick: 'middle' },
      lift: figure(0),
      turn: figure(0),
    },
    ...changes,
  };
}

/** Fills in a clean whip at the bench. */
export async function enterWhip(page: Page, note = ''): Promise<void> {
  for (const [name, value] of [
    ['stockDiameter', '10'],
    ['scionDiameter', '10'],
    ['stockLength', '35'],
    ['scionLength', '35'],
  ])
    await page.locator(`[name=${name}]`).fill(value!);
  if (note) await page.getByLabel('Note').fill(note);
}

export const strip = (page: Page) => page.getByRole('region', { name: 'Waiting on this device' });
