import type { ComponentProps } from 'react';
import { describe, expect, it } from 'vitest';
import { rendered } from '@/ui/testing/rendered';
import type { Waiting } from './device-database';
import { waitingItem, type WaitingChanges } from '@/ui/testing/waiting-item';
import { WaitingStrip } from './waiting-strip';

const maren = { id: 'm', name: 'Maren' };
const joss = { id: 'j', name: 'Joss' };
const item = (order: number, changes: WaitingChanges = {}): Waiting =>
  waitingItem({
    order,
    judgementId: `j${order}`,
    number: order,
    called: `1-${order}`,
    assessor: maren,
    body: { note: `note ${order}` },
    ...changes,
  });
const strip = (waiting: Waiting[] | null, link: ComponentProps<typeof WaitingStrip>['link'] = 'online') =>
  rendered(
    <WaitingStrip
      here="/workshops/w/score"
      workshopId="w"
      goOn="You can go on scoring; what you save is kept on this device."
      assessorId="m"
      waiting={waiting}
      link={link}
      onSend={async () => undefined}
    />,
  );

describe('the strip of what waits', () => {
  it('says that nothing waits, and until it knows that it does not know', () => {
    expect(strip([]).words).toBe('Nothing waits on this device; everything is on the server.');
    expect(strip([item(1, { deliveredAt: 9 })]).words).toContain('Nothing waits');
    expect(strip(null).words).toContain('Looking what this device keeps');
  });
  it('counts what waits and says why: no reception, signed out, or about to go', () => {
    expect(strip([item(1)]).words).toContain('1 judgement waits on this device and will be sent in a moment.');
    const away = strip([item(1), item(2)], 'unreachable');
    expect(away.words).toContain(
      'No reception. 2 judgements wait on this device and will be sent when there is reception again.',
    );
    expect(away.buttons).toEqual(['Show them', 'Try now']);
    const out = strip([item(1)], 'signed-out');
    expect(out.words).toContain('You are signed out. 1 judgement waits');
    expect(out.html).toContain('href="/sign-in?next=%2Fworkshops%2Fw%2Fscore"');
    expect(strip([], 'unreachable').words).toContain('You can go on scoring; what you save is kept on this device.');
  });
  it('keeps another assessor’s apart, and names them', () => {
    const { words, html } = strip([item(1, { assessor: joss }), item(2, { assessor: joss }), item(3)]);
    expect(words).toContain('1 judgement waits on this device');
    expect(words).toContain('2 judgements of Joss wait here too, until Joss signs in on this device.');
    expect(html).toContain('data-waiting="1"');
    expect(strip([item(1, { assessor: joss })], 'other-assessor').words).toContain(
      'Somebody else is signed in now. Nothing of yours waits on this device.',
    );
  });
  it('shows one that the server keeps failing at by itself, and that the rest goes on', () => {
    const { words, buttons } = strip([item(1, { stumbles: 3 }), item(2)]);
    expect(words).toContain('1-1 does not get through. The server gave no usable answer to it 3 times.');
    expect(words).toContain('2 judgements wait on this device and will be sent in a moment.');
    expect(buttons).toEqual(['Show them', 'Try 1-1 now']);
    // Alone it is not promised for the next moment, and a first failure is no news yet.
    expect(strip([item(1, { stumbles: 3 })]).words).toContain('1 judgement waits on this device.');
    expect(strip([item(1, { stumbles: 1 })]).words).not.toContain('does not get through');
  });
  it('shows what was refused with the reason and all it holds, to send again or throw away', () => {
    const { words, buttons, html } = strip([item(1, { refusal: 'The seat was not found.' })]);
    expect(words).toContain('1-1 was refused: The seat was not found.');
    expect(buttons).toEqual(['Send again', 'Throw away']);
    expect(words).toContain('note 1');
    expect(html).toContain('href="/workshops/w/plan"');
    expect(html).toContain('data-waiting="0"');
  });
});
