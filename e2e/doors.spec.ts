import { type ClientRequest, request as open } from 'node:http';
import { v7 as uuid } from 'uuid';
import { signIn as sessionOf } from '../ops/measure/signed-in';
import { expect, PASSWORD, PEOPLE, signIn, test } from './setup/bench-test';
import { query } from './setup/query';
import { judgement, makeDay } from './setup/score-day';

interface Answer {
  status: number;
  retryAfter: string | undefined;
  took: number;
}

/** One request from an address of its own line, as a phone behind a router sends it. */
function send(url: string, method: string, cookie: string, body?: object): Promise<Answer> {
  const began = performance.now();
  return new Promise((resolve, reject) => {
    const asked = open(url, { method, agent: false, headers: { cookie, 'Content-Type': 'application/json' } });
    asked.once('error', reject);
    asked.once('response', (response) => {
      response.resume();
      response.once('end', () =>
        resolve({
          status: response.statusCode!,
          retryAfter: response.headers['retry-after'],
          took: performance.now() - began,
        }),
      );
    });
    asked.end(body && JSON.stringify(body));
  });
}

/** A body that is announced and never comes. */
function unfinished(url: string): ClientRequest {
  const asked = open(url, {
    method: 'POST',
    agent: false,
    headers: { 'Content-Type': 'application/json', 'Content-Length': '5000' },
  });
  asked.on('error', () => undefined);
  asked.write('{"email":');
  return asked;
}

test('sixty phones behind one router all save, though forty bodies of signed-out callers never end', async ({
  page,
  baseURL,
}) => {
  await signIn(page);
  const day = await makeDay(page, { people: 6, title: 'A day behind one router' });
  const seats = query(`SELECT id FROM seats WHERE workshop_id = '${day}'`).split('\n');
  const cookie = await sessionOf(baseURL!, PEOPLE.lead, PASSWORD);
  const held = Array.from({ length: 40 }, () => unfinished(`${baseURL}/api/session`));
  try {
    await new Promise((resolve) => setTimeout(resolve, 300));
    expect((await send(`${baseURL}/api/health`, 'GET', '')).status).toBe(200);
    const answers = await Promise.all(
      Array.from({ length: 60 }, (_, i) =>
        send(
          `${baseURL}/api/judgements/${uuid()}`,
          'PUT',
          cookie,
          judgement(day, seats[i % 6]!, 1 + Math.floor(i / 6), {}, { note: `phone ${i}` }),
        ),
      ),
    );
    // Whoever is refused is told when to come again; a whole class at once is not.
    expect(answers.filter(({ status }) => status !== 200)).toEqual([]);
    expect(
      query(`SELECT COUNT(*) FROM judgements j JOIN unions u ON u.id = j.union_id WHERE u.workshop_id = '${day}'`),
    ).toBe('60');
  } finally {
    for (const asked of held) asked.destroy();
  }
  // A form of somebody else on the same router still gets in afterwards.
  expect((await send(`${baseURL}/api/health`, 'GET', '')).status).toBe(200);
});

test('whoever finds the queue full is told when to come again, and nothing of theirs is half saved', async ({
  page,
  baseURL,
}) => {
  await signIn(page);
  const day = await makeDay(page, { people: 4, title: 'A day with too many at once' });
  const [seat] = query(`SELECT id FROM seats WHERE workshop_id = '${day}'`).split('\n');
  const cookie = await sessionOf(baseURL!, PEOPLE.lead, PASSWORD);
  // Pages are the dearest thing to ask for; with so many at once some cannot have their turn in time.
  const flood = Array.from({ length: 900 }, () => send(`${baseURL}/findings/causes`, 'GET', cookie).catch(() => null));
  const id = uuid();
  const body = judgement(day, seat!, 1);
  let saved = await send(`${baseURL}/api/judgements/${id}`, 'PUT', cookie, body);
  for (let tries = 0; saved.status !== 200 && tries < 60; tries++) {
    expect(saved.status).toBe(503);
    expect(Number(saved.retryAfter)).toBeGreaterThan(0);
    await new Promise((resolve) => setTimeout(resolve, 1000));
    saved = await send(`${baseURL}/api/judgements/${id}`, 'PUT', cookie, body);
  }
  expect(saved.status).toBe(200);
  const answers = (await Promise.all(flood)).filter((answer) => answer !== null);
  expect(answers.filter(({ status }) => ![200, 503].includes(status))).toEqual([]);
  expect(answers.filter(({ status, retryAfter }) => status === 503 && !(Number(retryAfter) > 0))).toEqual([]);
  expect(query(`SELECT COUNT(*) FROM judgements WHERE id = '${id}'`)).toBe('1');
});
