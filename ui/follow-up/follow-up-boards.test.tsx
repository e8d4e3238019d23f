import { describe, expect, it } from 'vitest';
import { roundPlan } from '@/core/follow-up/asks/round-plan';
import type { UnionAsk } from '@/core/follow-up/asks/union-asks';
import type { Contradiction } from '@/core/follow-up/contradiction';
import type { Reply } from '@/core/follow-up/reply/reply';
import type { UnheardOf } from '@/core/follow-up/unheard/unheard-of';
import { rendered } from '@/ui/testing/rendered';
import { InboxBoard } from './entering/inbox-board';
import { RoundLanes } from './round-lanes';
import { SettleBoard } from './settle-board';
import { UnheardBoard } from './unheard-board';

const unheard: UnheardOf = {
  asked: 10,
  alive: 4,
  dead: 1,
  unknown: 5,
  bounds: { least: 0.4, most: 0.9 },
  silent: 3,
  notToCall: 1,
  calls: [
    {
      personId: 'p',
      grafts: 3,
      days: 12,
      hasPhone: true,
      narrows: 0.3,
      width: 0.2,
      name: 'Ona Ferrel',
      phone: '+99 70 114',
      seatNumber: 1,
      bench: 'Bench 2',
      rounds: 'Season',
      letters: 1,
      codes: ['K7M4XQ'],
    },
  ],
  byRound: [{ name: 'Season', unheard: 3, all: 10 }],
  byBench: [],
  byWait: [],
};

describe('of whom nothing was heard', () => {
  it('says between what the take lies, and what a call is worth', () => {
    const { words, html } = rendered(<UnheardBoard unheard={unheard} mayChange />);
    for (const part of ['40', '90', '3 of 10 silent', 'Ona Ferrel', 'K7M 4XQ', '12 days, 1 letter', 'Bench 2'])
      expect(words).toContain(part);
    expect(words).toMatch(/30\s%, to 20\s% apart/);
    expect(html).toContain('href="tel:+99 70 114"');
    expect(html).toContain('/answers?search=Ona%20Ferrel');
  });
  it('is looked at by viewers, and says nothing before anything was asked', () => {
    expect(rendered(<UnheardBoard unheard={unheard} mayChange={false} />).html).not.toContain('/answers');
    expect(rendered(<UnheardBoard unheard={{ ...unheard, asked: 0, bounds: null }} mayChange />).html).toBe('');
  });
});

describe('alive after dead', () => {
  const side = (reportId: string, says: 'alive' | 'dead') => ({
    reportId,
    says,
    seenOn: '2027-05-04',
    words: `${says} by phone.`,
    note: says === 'dead' ? 'dried up' : '',
  });
  const all: Contradiction[] = [
    {
      unionId: 'u',
      code: 'K7M4XQ',
      variety: 'Grey Heron',
      grower: 'Ona Ferrel',
      alive: [side('a', 'alive')],
      dead: [side('d', 'dead')],
    },
  ];
  it('shows both sides, with nothing chosen', () => {
    const { words, html } = rendered(<SettleBoard all={all} mayChange />);
    for (const part of ['1 graft to settle', 'K7M 4XQ', 'dead by phone.', 'alive by phone.', 'dried up', '4 May 2027'])
      expect(words).toContain(part);
    expect(/ checked/.test(html)).toBe(false);
  });
  it('is settled by those who may, and not there where nothing contradicts', () => {
    expect(rendered(<SettleBoard all={all} mayChange={false} />).buttons).toEqual([]);
    expect(rendered(<SettleBoard all={[]} mayChange />).html).toBe('');
  });
});

describe('the plan of the rounds', () => {
  const ask = (changes: Partial<UnionAsk>): UnionAsk => ({
    key: 'healed',
    kind: 'healed',
    question: null,
    due: { from: '2027-05-01', to: '2027-05-08' },
    state: 'due',
    askOn: '2027-05-01',
    roundId: 'r',
    lookedBefore: false,
    ...changes,
  });
  it('says of each lane in words what its twig draws, looks of later years aside', () => {
    const later = ask({ key: 'year-2029', kind: 'year', due: { from: '2029-05-01', to: '2029-05-20' } });
    const union = { method: 'chip', variant: 'spring', madeOn: '2027-04-10' };
    const lanes = roundPlan([
      { ...union, asks: [ask({}), later] },
      { ...union, asks: [ask({ state: 'answered', due: { from: '2027-05-03', to: '2027-05-12' } }), later] },
    ]).map((lane) => ({ ...lane, whose: 'Chip bud in spring' }));
    const { words, html } = rendered(<RoundLanes lanes={lanes} today="2027-05-04" />);
    expect(words).toContain('Chip bud in spring, 10 Apr 2027, 2 unions');
    expect(html).toContain('Chip bud in spring: Healed from 1 May 2027 to 12 May 2027, 1 told, 1 due');
    expect(words).toContain('1 of 2 told');
    expect(words).not.toContain('Yearly look');
    // Keys get along a twig that is wider than the page.
    expect(html).toContain('tabindex="0"');
  });
});

describe('the inbox', () => {
  const reply = (changes: Partial<Reply>): Reply => ({
    id: 'l',
    from: 'ona@reed.example',
    person: { id: 'p', name: 'Ona Ferrel' },
    aside: '',
    subject: 'Re: grafts',
    text: 'All is <well>.',
    arrivedAt: new Date('2027-05-04T10:00:00Z'),
    sentOn: '2027-05-03',
    problem: 'No code of a plant stands in it.',
    stopped: false,
    answers: 0,
    settled: false,
    plants: [],
    ...changes,
  });
  it('shows whole what nobody could read, and why', () => {
    const { words, buttons } = rendered(<InboxBoard replies={[reply({})]} mayChange />);
    for (const part of ['1 letter to look at', 'Not read: No code', 'All is <well>.', 'Ona Ferrel', '3 May 2027'])
      expect(words.replaceAll('&lt;', '<').replaceAll('&gt;', '>')).toContain(part);
    expect(buttons).toEqual(['Look for new letters', 'Looked at']);
    expect(words).not.toContain('Read, or looked at');
  });
  it('keeps what was read below, and offers no answers for somebody nobody knows', () => {
    const read = reply({ id: 'r', problem: '', answers: 2, settled: true });
    const { words } = rendered(<InboxBoard replies={[reply({ person: null }), read]} mayChange />);
    expect(words).toContain('2 answers');
    expect(words).not.toContain('Enter what it says');
    expect(rendered(<InboxBoard replies={[reply({})]} mayChange={false} />).buttons).toEqual([]);
  });
});
