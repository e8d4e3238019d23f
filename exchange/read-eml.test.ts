import { describe, expect, it } from 'vitest';
import { readEml } from './read-eml';

const letter = (lines: string[], body: string): Buffer => Buffer.from([...lines, '', body].join('\r\n'));
const HEAD = [
  'From: Ona Ferrel <Ona@Reed.example>',
  'To: Reed Islet Grafters <Bench@club.example>, second@club.example',
  'Subject: Re: How do they do?',
  'Date: Sat, 05 Jun 2027 09:30:00 +0200',
];

describe('a letter that came in', () => {
  it('is from whom it says, to whom, and when, with addresses as they are compared', async () => {
    expect(await readEml(letter(HEAD, 'All alive.'))).toEqual({
      from: 'ona@reed.example',
      to: ['bench@club.example', 'second@club.example'],
      answersTo: [],
      subject: 'Re: How do they do?',
      text: 'All alive.',
      sentAt: new Date('2027-06-05T07:30:00Z'),
    });
  });
  it('is what its writer wrote, without what they quote', async () => {
    const body =
      'K7M 4XQ: yes\r\n\r\nOn Sat, 5 Jun 2027 at 08:00, Bench <bench@club.example> wrote:\r\n> K7M 4XQ: is there a shoot?\r\n';
    expect((await readEml(letter(HEAD, body)))!.text).toBe('K7M 4XQ: yes');
  });
  it('is the words of its HTML where it has no other', async () => {
    const html = [...HEAD, 'Content-Type: text/html; charset=utf-8'];
    const read = await readEml(letter(html, '<p>The <b>pear</b> lives.</p><script>alert(1)</script>'));
    expect(read!.text).toContain('The pear lives.');
    expect(read!.text).not.toContain('alert');
  });
  it('is read in whatever letters it came', async () => {
    const encoded = [...HEAD, 'Content-Type: text/plain; charset=utf-8', 'Content-Transfer-Encoding: quoted-printable'];
    expect((await readEml(letter(encoded, 'J=C3=A9r=C3=B4me: oui')))!.text).toBe('Jérôme: oui');
    const base = [...HEAD, 'Content-Type: text/plain; charset=utf-8', 'Content-Transfer-Encoding: base64'];
    expect((await readEml(letter(base, Buffer.from('Đorđe: yes').toString('base64'))))!.text).toBe('Đorđe: yes');
  });
  it('tells which messages it answers', async () => {
    const head = [...HEAD, 'In-Reply-To: <A1@Bench.example>', 'References: <a0@bench.example>\r\n <a1@bench.example>'];
    expect(new Set((await readEml(letter(head, 'Yes.')))!.answersTo)).toEqual(
      new Set(['<a1@bench.example>', '<a0@bench.example>']),
    );
  });
  it('takes no longer for what was made to be slow', async () => {
    const html = [...HEAD, 'Content-Type: text/html; charset=utf-8'];
    const slow: [string[], string][] = [
      [HEAD, '\r\n'.repeat(10_000)],
      [HEAD, `${' \t'.repeat(40)}\r\n`.repeat(20_000)],
      [HEAD, 'https://a.example/b '.repeat(250_000)],
      [HEAD, 'word\r\n'.repeat(1_500_000)],
      [html, `${'<ul><li>'.repeat(100_000)}alive`],
      [html, '<p>a <a href="https://a.example">b</a>'.repeat(50_000)],
      [HEAD, '>'.repeat(9000)],
      [HEAD, '> \r\n\r\n'.repeat(3000)],
      [HEAD, `On ${'on wrote '.repeat(1000)}`],
      [HEAD, '-'.repeat(9000)],
      [HEAD, `${'_'.repeat(31)}\r\n`.repeat(300)],
    ];
    for (const [head, body] of slow) {
      const before = process.cpuUsage();
      expect(await readEml(letter(head, body))).not.toBeNull();
      const { user, system } = process.cpuUsage(before);
      // Processor time, not the clock: other tests run at the same time.
      expect((user + system) / 1e6, `${body.slice(0, 30)} of ${body.length}`).toBeLessThan(1.5);
    }
  });
  it('is cut where it would never end', async () => {
    expect((await readEml(letter(HEAD, 'word '.repeat(100_000))))!.text.length).toBeLessThanOrEqual(10_000);
  });
  it('is none without a sender', async () => {
    expect(await readEml(letter(HEAD.slice(1), 'All alive.'))).toBeNull();
    for (const odd of ['', 'not a letter at all', '\0\0\0', '<html></html>'])
      expect(await readEml(Buffer.from(odd))).toBeNull();
  });
});
