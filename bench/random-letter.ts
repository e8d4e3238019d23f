import { v4 as uuid } from 'uuid';

/** A source of chance between 0 and 1. */
type Random = () => number;

/** What a letter may answer, so that some of them are read whole. */
export interface Answerable {
  messageId: string;
  sender: string;
  code: string;
}

const pick = <Each>(random: Random, all: readonly Each[]): Each => all[Math.floor(random() * all.length)]!;
const times = (count: number, make: (i: number) => string): string =>
  Array.from({ length: count }, (_, i) => make(i)).join('');

const WORDS = [
  'the',
  'bud',
  'took',
  'green',
  'wrap',
  'heron',
  'pear',
  'medlar',
  'alive',
  'dead',
  'maybe',
  'Grüße',
  '接ぎ木',
  '🌱',
  '\u202Eshoots',
];
const prose = (random: Random, words: number): string => times(words, () => `${pick(random, WORDS)} `);

/** Texts that mail programs and people write, and those that slow a reader down. */
const TEXTS: Record<string, (random: Random, answer: Answerable) => string> = {
  answer: (random, { code }) => `${code} ${pick(random, ['alive', 'dead', 'not sure', 'not found', 'doing fine'])}\r\n`,
  prose: (random) => prose(random, 40 + random() * 400),
  'line feeds': (random) => `well${'\n'.repeat(20_000 * random())}dead`,
  spaces: (random) => `${' '.repeat(200_000 * random())}x`,
  'one long line': (random) => prose(random, 30_000 * random()),
  'quoted deep': (random) => times(400, (i) => `${'>'.repeat(i)} ${pick(random, WORDS)}\r\n`),
  'quoted often': (random) =>
    times(
      300,
      () => `On Tue, 4 May 2027 at 18:00, ${pick(random, WORDS)} <a@b.example> wrote:\r\n> ${prose(random, 6)}\r\n`,
    ),
  signatures: (random) => times(2000, () => `-- \r\n${pick(random, WORDS)}\r\n`),
  'no characters': (random) => times(5000 * random(), () => String.fromCharCode(Math.floor(random() * 32))),
  empty: () => '',
};
const HTMLS: Record<string, (random: Random, text: string) => string> = {
  plain: (_, text) => `<html><body><p>${text}</p></body></html>`,
  'nested lists': (random, text) => `${'<ul><li>'.repeat(3000 * random())}${text}`,
  'nested tables': (random, text) => `${'<table><tr><td>'.repeat(800 * random())}${text}`,
  'unclosed tags': (random, text) => `${'<b'.repeat(20_000 * random())}${text}`,
  entities: (random) => '&amp;&#x0;&#999999999;'.repeat(20_000 * random()),
  links: (random, text) => `<a href="https://x.example/${'a'.repeat(2000)}">${text}</a>`.repeat(1 + 300 * random()),
  styles: (random, text) => `<style>${'a{b:c}'.repeat(50_000 * random())}</style>${text}`,
};

/** Quoted-printable that is none, base64 that is none, and what is right. */
function encoded(random: Random, text: string): { encoding: string; body: string } {
  const encoding = pick(random, ['7bit', '8bit', 'quoted-printable', 'base64', 'base64', 'binary', 'uuencode', '']);
  const bytes = Buffer.from(text);
  if (encoding === 'base64') {
    const body = bytes.toString('base64').replace(/.{76}/g, '$&\r\n');
    return { encoding, body: random() < 0.2 ? body.slice(0, body.length * random()) : body };
  }
  if (encoding === 'quoted-printable')
    return { encoding, body: random() < 0.3 ? '=ZZ=\r\n=3'.repeat(200) : text.replaceAll('=', '=3D') };
  return { encoding, body: text };
}

function part(random: Random, type: string, text: string): string {
  const { encoding, body } = encoded(random, text);
  const charset = pick(random, ['utf-8', 'utf-8', 'iso-8859-1', 'utf-16', 'koi8-r', 'x-nothing', '']);
  return [
    `Content-Type: ${type}${charset && `; charset=${charset}`}`,
    ...(encoding ? [`Content-Transfer-Encoding: ${encoding}`] : []),
    '',
    body,
  ].join('\r\n');
}

/** Parts in parts, some without their end. */
function multipart(random: Random, parts: string[], depth: number): string {
  const boundary = pick(random, ['b', `=_${uuid()}`, 'b'.repeat(70)]) + depth;
  const kind = pick(random, ['mixed', 'alternative', 'related', 'report', 'signed']);
  const end = random() < 0.8 ? `\r\n--${boundary}--\r\n` : '';
  return `Content-Type: multipart/${kind}; boundary="${boundary}"\r\n\r\n${parts.map((each) => `--${boundary}\r\n${each}`).join('\r\n')}${end}`;
}

function contentOf(random: Random, text: string): string {
  const html = (): string => part(random, 'text/html', pick(random, Object.values(HTMLS))(random, text));
  const plain = (): string => part(random, 'text/plain', text);
  switch (pick(random, ['plain', 'plain', 'plain', 'html', 'both', 'photo', 'deep', 'bare'])) {
    case 'html':
      return html();
    case 'both':
      return multipart(random, [plain(), html()], 0);
    case 'photo':
      return multipart(
        random,
        [plain(), part(random, 'image/jpeg; name="bud.jpg"', 'ÿØÿà'.repeat(100_000 * random()))],
        0,
      );
    case 'deep':
      return Array.from({ length: 60 * random() }).reduce<string>(
        (inner, _, i) => multipart(random, [inner], i),
        plain(),
      );
    case 'bare':
      return `\r\n${text}`;
    default:
      return plain();
  }
}

/** How many of all are what people mostly send. */
const PROPER = 0.15;

/** A reply as a mail program writes it, by whoever had the letter. */
function properLetter(random: Random, answer: Answerable): Buffer {
  const head = [
    `From: Some One <${answer.sender}>`,
    `To: answer-${answer.messageId}@pear-bench.invalid`,
    'Subject: Re: How are your grafts?',
    'Date: Tue, 04 May 2027 18:00:00 +0000',
    `Message-ID: <${uuid()}@reed.example>`,
    `In-Reply-To: <${answer.messageId}@pear-bench.invalid>`,
  ];
  const quoted = '\r\nOn Mon, 3 May 2027 at 08:00, the guild wrote:\r\n> How are your grafts?\r\n';
  return Buffer.from(
    `${head.join('\r\n')}\r\n${part(random, 'text/plain; charset=utf-8', TEXTS.answer!(random, answer) + quoted)}`,
  );
}

/**
 * A letter as it may come in: most as mail programs write them, many broken somewhere, some made to be slow to read.
 *
 * @param answer what it answers, where it answers anything
 * @returns the bytes of an .eml file
 */
export function randomLetter(random: Random, answer: Answerable): Buffer {
  if (random() < PROPER) return properLetter(random, answer);
  const text = pick(random, Object.values(TEXTS))(random, answer);
  const head = [
    `From: ${pick(random, [answer.sender, `Some One <${answer.sender}>`, '"a, b" <a@b.example>', '<>', 'nobody', `${'x'.repeat(5000)}@y.example`])}`,
    `To: ${pick(random, [`answer-${answer.messageId}@pear-bench.invalid`, 'follow-up@pear-bench.invalid', 'a@b.example', times(500, (i) => `p${i}@x.example, `)])}`,
    `Subject: ${pick(random, ['Re: How are your grafts?', '=?utf-8?B?R3LDvMOfZQ==?=', '=?utf-8?Q?=ZZ?=', 'x'.repeat(20_000), ''])}`,
    `Date: ${pick(random, ['Tue, 04 May 2027 18:00:00 +0000', 'yesterday', '31 Feb 2027 99:99:99 +9999', ''])}`,
    `Message-ID: <${uuid()}@reed.example>`,
    ...(random() < 0.4 ? [`In-Reply-To: <${answer.messageId}@pear-bench.invalid>`] : []),
    ...(random() < 0.05 ? [times(3000, (i) => `X-H${i}: ${'v'.repeat(50)}\r\n`).trimEnd()] : []),
    ...(random() < 0.05 ? [`References: ${times(2000, () => `<${uuid()}@x.example>\r\n `)}`.trimEnd()] : []),
  ];
  const whole = Buffer.from(`${head.join('\r\n')}\r\n${contentOf(random, text)}`);
  const spoiled = random();
  if (spoiled < 0.05) return whole.subarray(0, whole.length * random());
  if (spoiled < 0.1) {
    for (let i = 0; i < 50; i++) whole[Math.floor(random() * whole.length)] = Math.floor(random() * 256);
    return whole;
  }
  if (spoiled < 0.12) return Buffer.from(Uint8Array.from({ length: 20_000 * random() }, () => random() * 256));
  return whole;
}
