import { describe, expect, it } from 'vitest';
import { rendered } from '@/ui/testing/rendered';
import { MembersBoard } from './members-board';

const maren = { userId: 'a', name: 'Maren Tarn', email: 'maren@reed.example', role: 'lead', asked: false };
const sedge = { userId: 'b', name: 'Sedge Marlow', email: 'sedge@reed.example', role: 'viewer', asked: false };
const rill = { userId: 'c', name: 'Rill Ashby', email: 'rill@reed.example', role: 'assistant', asked: true };
const board = (mayChange: boolean, members = [maren, sedge, rill]) =>
  rendered(<MembersBoard members={members} mayChange={mayChange} />);

describe('who belongs to the club', () => {
  it('is told to whoever may only look, without a thing to change', () => {
    const { words, buttons, fields } = board(false);
    for (const { name, email, role } of [maren, sedge, rill]) {
      expect(words).toContain(`${name} ${email}`);
      expect(words).toContain(role);
    }
    expect(buttons).toEqual([]);
    expect(fields.size).toBe(0);
    expect(words).not.toContain('Ask somebody to join');
  });
  it('says who was asked and has not answered, who gets no password and can be asked no more', () => {
    const { words, buttons, html } = board(true);
    expect(words).toContain('rill@reed.exampleasked, no answer yet');
    expect(words.match(/asked, no answer yet/g)).toHaveLength(1);
    expect(buttons).toContain('Take the question back from Rill Ashby');
    expect(buttons).toContain('New password for Sedge Marlow');
    expect(buttons).not.toContain('New password for Rill Ashby');
    expect(html).not.toContain('aria-label="Role of Rill Ashby"');
  });
  it('lets the lead change each role, or end a membership', () => {
    const { html } = board(true);
    for (const { name, role } of [maren, sedge]) {
      const choice = new RegExp(`<select[^>]*aria-label="Role of ${name}"[^>]*>(.*?)</select>`).exec(html)![1]!;
      expect([...choice.matchAll(/<option value="(\w+)"/g)].map(([, value]) => value)).toEqual([
        'lead',
        'assistant',
        'viewer',
        'none',
      ]);
      expect(/<option value="(\w+)" selected/.exec(choice)![1]).toBe(role);
    }
  });
  it('asks somebody new by name, address and role, and shows no link before there is one', () => {
    const { fields, html } = board(true, [maren]);
    expect([...fields.keys()]).toEqual(expect.arrayContaining(['name', 'email', 'role']));
    expect(fields.get('email')!.type).toBe('email');
    expect(html).not.toContain('handed-link');
  });
});
