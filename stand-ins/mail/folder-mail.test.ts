import { mkdtempSync, readdirSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { v7 as uuid } from 'uuid';
import { describe, expect, it } from 'vitest';
import { writeEml } from '@/exchange/eml';
import { folderMail } from './folder-mail';

const folder = mkdtempSync(join(tmpdir(), 'mail-'));
const mail = folderMail(folder);

async function letter(id: string, name = 'Žofie Åker'): Promise<Buffer> {
  return writeEml({
    id,
    from: { name: 'Reed Islet Grafters', address: 'follow-up@pear-bench.invalid' },
    to: { name, address: 'zofie@reed.example' },
    subject: 'How are your grafts — of 6 Mar 2027?',
    text: `Dear ${name},\n\n${'a long line '.repeat(40)}\n\nhttps://bench.example/r/${'x'.repeat(43)}\n`,
    date: new Date('2027-05-01T08:00:00Z'),
  });
}

describe('the simulated mail service', () => {
  it('sends a prepared message when released, once, and reads it back whole', async () => {
    const id = uuid();
    await mail.prepare(id, await letter(id));
    expect(await mail.read(id)).toBeNull();
    await mail.release(id);
    await mail.release(id);
    expect(readdirSync(folder)).toEqual([`${id}.eml`]);
    expect(statSync(join(folder, `${id}.eml`)).mode & 0o777).toBe(0o600);
    const sent = (await mail.read(id))!;
    expect(sent).toMatchObject({
      to: 'Žofie Åker, zofie@reed.example',
      subject: 'How are your grafts — of 6 Mar 2027?',
      date: new Date('2027-05-01T08:00:00Z'),
    });
    expect(sent.text).toContain(`https://bench.example/r/${'x'.repeat(43)}`);
  });
  it('discards what was prepared or sent', async () => {
    const [first, two] = [uuid(), uuid()];
    for (const id of [first, two]) await mail.prepare(id, await letter(id));
    await mail.release(two);
    for (const id of [first, two, uuid()]) await mail.discard(id);
    expect(await mail.read(two)).toBeNull();
    expect(readdirSync(folder).filter((name) => name.startsWith(first) || name.startsWith(two))).toEqual([]);
  });
  it('tells what was prepared and never sent, since when, and to whom', async () => {
    const id = uuid();
    const before = Date.now();
    await mail.prepare(id, await letter(id));
    const waiting = (await mail.unsent()).find((letter) => letter.id === id)!;
    expect(Math.abs(waiting.since.getTime() - before)).toBeLessThan(2000);
    expect((await mail.readUnsent(id))!.to).toContain('zofie@reed.example');
    await mail.release(id);
    expect((await mail.unsent()).some((letter) => letter.id === id)).toBe(false);
    expect(await folderMail(join(folder, 'not there')).unsent()).toEqual([]);
  });
  it('takes no path for an id', async () => {
    await expect(mail.read('../../etc/passwd')).rejects.toThrow('no message id');
  });
});

describe('writeEml', () => {
  it('writes headers of ASCII, lines within the limit of RFC 5322, and says that it is simulated', async () => {
    const text = (await letter(uuid())).toString('latin1');
    const [head] = text.split('\r\n\r\n') as [string];
    expect(head).toMatch(/^X-Simulated: /m);
    expect(head).toMatch(/^Date: Sat, 01 May 2027 08:00:00 \+0000$/m);
    expect([...head].every((character) => character.charCodeAt(0) < 128)).toBe(true);
    for (const line of text.split('\r\n')) expect(line.length).toBeLessThanOrEqual(998);
  });
  it('lets no header in through a name', async () => {
    const text = (await letter(uuid(), 'Ona\r\nBcc: all@reed.example')).toString();
    expect(text.split('\r\n\r\n')[0]).not.toMatch(/^Bcc:/m);
  });
});
