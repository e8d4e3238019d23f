import { request as send } from 'node:http';
import { v7 as uuid } from 'uuid';
import { exampleMeasures } from '@/core/methods/example-measures';
import { methodById } from '@/core/methods/registry';
import { signIn } from '@/ops/measure/signed-in';

/** A device with a queue of judgements: each is sent until the server has said that it has it. */
export interface ChaosPhone {
  /** What it has scored, by id, with the note that has to be found with it. */
  scored: Map<string, string>;
  refused: string[];
  /** Resolves once everything was taken. */
  done: Promise<void>;
}

interface Scoring {
  address: string;
  email: string;
  password: string;
  workshopId: string;
  seatId: string;
  count: number;
  random: () => number;
}

const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));
const PATH = '/api/judgements';
/** As many as a device sends at once. */
const BATCH = 20;

/** Scores `count` unions of a seat, and sends them as a device on a bad line does: twice, half, and hanging up meanwhile. */
export function startPhone(scoring: Scoring): ChaosPhone {
  const scored = new Map<string, string>();
  const refused: string[] = [];
  return { scored, refused, done: sendAll(scoring, scored, refused) };
}

async function sendAll(
  { address, email, password, workshopId, seatId, count, random }: Scoring,
  scored: Map<string, string>,
  refused: string[],
): Promise<void> {
  const queue: { id: string }[] = [];
  const measures = exampleMeasures(methodById('whip-and-tongue'));
  for (let number = 1; number <= count; number++) {
    const id = uuid();
    const note = `${seatId.slice(-4)}, union ${number}`;
    scored.set(id, note);
    const deviceAt = new Date().toISOString();
    queue.push({
      id,
      ...{ workshopId, seatId, number, stage: 'joined', marks: {}, note, deviceAt, sentAt: deviceAt, measures },
    });
  }
  let cookie = '';
  while (queue.length > 0) {
    try {
      cookie ||= await signIn(address, email, password);
      const batch = queue.slice(0, BATCH);
      const roll = random();
      // Sent, and not listened to: the server may have saved it or not.
      if (roll < 0.15) await put(address, cookie, PATH, { judgements: batch }, random() * 80).catch(() => undefined);
      const { status, body } = await put(
        address,
        cookie,
        PATH,
        { judgements: batch },
        roll < 0.25 ? random() * 400 : 20_000,
      );
      if (status === 401) cookie = '';
      if (status !== 200) throw new Error(`${status}`);
      const answered = new Map(
        (JSON.parse(body) as { results: { id: string; status: number; message?: string }[] }).results.map((result) => [
          result.id,
          result,
        ]),
      );
      for (let i = queue.length - 1; i >= 0; i--) {
        const result = answered.get(queue[i]!.id);
        if (!result || result.status >= 500) continue;
        if (result.status !== 200) refused.push(`${result.status} ${result.message}`);
        queue.splice(i, 1);
      }
    } catch {
      await pause(100 + random() * 900);
    }
  }
}

/** Somebody at a desk who enters what growers told, each answer until the server has said that it has it. */
export function startDesk(
  { address, email, password, random }: Pick<Scoring, 'address' | 'email' | 'password' | 'random'>,
  asked: readonly { unionId: string; roundId: string }[],
): { ids: string[]; refused: string[]; done: Promise<void> } {
  const ids = asked.map(() => uuid());
  const refused: string[] = [];
  const enter = async (): Promise<void> => {
    let cookie = '';
    for (let i = 0; i < asked.length;) {
      try {
        cookie ||= await signIn(address, email, password);
        const answer = { ...asked[i], said: 'alive', source: 'phone', note: `told by phone, ${i}` };
        const { status, body } = await put(
          address,
          cookie,
          `/api/reports/${ids[i]}`,
          answer,
          random() < 0.2 ? 60 : 20_000,
        );
        if (status === 401) cookie = '';
        else if (status < 500) {
          if (status !== 200) refused.push(`${status} ${body}`);
          i++;
        }
      } catch {
        await pause(100 + random() * 900);
      }
      await pause(random() * 800);
    }
  };
  return { ids, refused, done: enter() };
}

/** One request that is given up after `patience` ms. */
function put(
  address: string,
  cookie: string,
  path: string,
  sent: object,
  patience: number,
): Promise<{ status: number; body: string }> {
  return new Promise((resolve, reject) => {
    const asked = send(new URL(path, address), {
      method: 'PUT',
      headers: { cookie, 'Content-Type': 'application/json', Origin: address },
    });
    const timer = setTimeout(() => asked.destroy(new Error('given up')), patience);
    asked.once('error', reject);
    asked.once('close', () => {
      clearTimeout(timer);
      reject(new Error('closed'));
    });
    asked.once('response', (response) => {
      let body = '';
      response.setEncoding('utf8');
      response.on('data', (part: string) => (body += part));
      response.once('error', reject);
      response.once('end', () => resolve({ status: response.statusCode!, body }));
    });
    asked.end(JSON.stringify(sent));
  });
}
