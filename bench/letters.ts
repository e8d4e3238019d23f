import { mkdirSync, readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { seededRandom } from '@/core/chance/seeded-random';
import { loadDemo } from '@/demo/load-demo';
import { readInbox } from '@/server/follow-up/inbox/read-inbox';
import { runJob } from '@/server/jobs/run-job';
import { benchServices } from './bench-services';
import { randomLetter } from './random-letter';

/*
 * node --import tsx bench/letters.ts [COUNT] [SEED]
 * Reads random letters (10,000), each as the server does: none may take longer than its two seconds, and each has to be found
 * again afterwards, as a reply that was kept, among those put aside, or among those for no club.
 */

const count = Number(process.argv[2] ?? 10_000);
const seed = Number(process.argv[3] ?? 1);
const random = seededRandom(seed);
const now = new Date('2027-05-05T09:00:00Z');
const { folder, own, db, services } = await benchServices('letters', now);
console.log('Loading the demo.');
await loadDemo(services, 'heron ladle quartz evening');

const messages = await db.messages.findAll({ raw: true });
const people = new Map((await db.people.findAll({ raw: true })).map((person) => [person.id, person]));
const plants = await db.plants.findAll({ raw: true });
const plantOf = new Map((await db.unions.findAll({ raw: true })).map((union) => [union.id, union.plantId]));
const codeOf = new Map(plants.map((plant) => [plant.id, plant.code]));
const asks = await db.letterAsks.findAll({ raw: true });
// Each letter with a plant that it asks of.
const answerable = messages.flatMap(({ id, personId }) => {
  const sender = people.get(personId)?.email;
  const code = asks
    .filter(({ messageId }) => messageId === id)
    .map(({ unionId }) => codeOf.get(plantOf.get(unionId) ?? ''))
    .find((found) => found !== undefined);
  return sender && code ? [{ messageId: id, sender, code }] : [];
});
const inbox = join(folder, 'inbox');
mkdirSync(inbox, { recursive: true });

// The thread starts with the first.
await runJob('read letter', [new Uint8Array(Buffer.from('From: a@b.example\r\n\r\nx'))], { limit: 20_000 });
let slowest = { ms: 0, bytes: 0, index: -1 };
let refused = 0;
const repliesBefore = await db.mailReplies.count();
const took: number[] = [];
for (let i = 0; i < count; i++) {
  const message = answerable[Math.floor(random() * answerable.length)]!;
  const letter = randomLetter(random, message);
  writeFileSync(join(inbox, `${String(i).padStart(6, '0')}.eml`), letter);
  const began = performance.now();
  await runJob('read letter', [new Uint8Array(letter)], { limit: 2000 }).catch(() => refused++);
  const ms = performance.now() - began;
  took.push(ms);
  if (ms > slowest.ms) slowest = { ms, bytes: letter.length, index: i };
  if (i % 1000 === 999) console.log(`${i + 1} parsed; the slowest took ${Math.round(slowest.ms)} ms.`);
}
took.sort((a, b) => a - b);
console.log(
  `Parsed ${count}: median ${took[Math.floor(count / 2)]!.toFixed(1)} ms, 99 % under ${took[Math.floor(count * 0.99)]!.toFixed(0)} ms, slowest ${Math.round(slowest.ms)} ms (letter ${slowest.index}, ${slowest.bytes} bytes); ${refused} were given up.`,
);

const [log, warn] = [console.error, console.warn];
console.error = console.warn = () => undefined;
const total = { read: 0, aside: 0, nobodys: 0 };
for (let left = Infinity; left > 0;) {
  const turn = await readInbox(services);
  for (const key of ['read', 'aside', 'nobodys'] as const) total[key] += turn[key];
  const now = readdirSync(inbox).filter((name) => name.endsWith('.eml')).length;
  if (now >= left) break;
  left = now;
}
[console.error, console.warn] = [log, warn];
const lying = (name: string): number => {
  try {
    return readdirSync(join(inbox, name)).length;
  } catch {
    return 0;
  }
};
const rows = (await db.mailReplies.count()) - repliesBefore;
const left = readdirSync(inbox).filter((name) => name.endsWith('.eml')).length;
console.log(
  `Read ${total.read}, put aside ${total.aside} (${lying('put-aside')} files), for no club ${total.nobodys} (${lying('no-club')} files), left ${left}; ${rows} kept as replies.`,
);
const reasons = new Map<string, number>();
for (const { problem } of await db.mailReplies.findAll({ attributes: ['problem'], raw: true }))
  reasons.set(problem || 'read whole', (reasons.get(problem || 'read whole') ?? 0) + 1);
console.log([...reasons].map(([reason, n]) => `${reason} ${n}`).join(', '));
const lost = count - total.read - lying('put-aside') - lying('no-club') - left;
const kept = total.read + total.aside - rows;
console.log(
  lost === 0 && left === 0 && kept === 0
    ? 'None is lost.'
    : `${lost} are lost, ${left} were left, ${kept} read without being kept.`,
);
await db.sequelize.close();
await own.stop();
process.exit(lost === 0 && left === 0 && slowest.ms <= 2200 ? 0 : 1);
