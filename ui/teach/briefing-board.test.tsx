import { describe, expect, it } from 'vitest';
import { briefingText } from '@/core/teach/briefing/briefing-text';
import { METHODS } from '@/core/methods/registry';
import { shownTechnique } from '@/core/methods/shown-technique';
import { rendered } from '../testing/rendered';
import { BriefingBoard } from './briefing-board';

const people = [
  { id: 'p1', seat: 1, name: 'Ona Ferrel', at: '2027-03-06T09:00:00Z', current: true },
  { id: 'p2', seat: 2, name: 'Bram Odewick', at: '2027-03-05T09:00:00Z', current: false },
  { id: 'p3', seat: 3, name: 'Cilla Varn', at: null, current: false },
];
const textOf = (method: (typeof METHODS)[number], changes = {}) =>
  briefingText(shownTechnique(method), shownTechnique(method).tools, {
    firstAid: '',
    kit: '',
    localRules: '',
    sap: false,
    ...changes,
  });
const board = (method = METHODS[0]!, changes = {}, mayChange = true) =>
  rendered(
    <BriefingBoard
      workshopId="w"
      text={textOf(method, changes)}
      contentHash="0"
      sap={false}
      people={people}
      mayChange={mayChange}
    />,
  );

describe.each(METHODS.map((method) => [method.id, method] as const))('the briefing of %s', (_id, method) => {
  it('reads every caution out, and defers to those who know better', () => {
    const { words } = board(method);
    const { cautions, deference } = textOf(method);
    expect(cautions.length).toBeGreaterThan(2);
    for (const { title, text } of cautions) expect(words).toContain(`${title}. ${text}`.replaceAll("'", '’'));
    expect(words).toContain(deference.replaceAll("'", '’'));
  });
});

describe('who has heard the briefing', () => {
  it('is counted by the words as they stand: who heard older ones is asked again', () => {
    const { words, buttons } = board();
    expect(words).toContain('Safety briefing 1 of 3 briefed');
    expect(words).toMatch(/Ona Ferrelacknowledged 6 Mar 2027/);
    expect(words).toMatch(/Bram Odewickheard older words/);
    expect(words).toMatch(/Cilla Varnnot briefed/);
    expect(buttons).toEqual(['Save', 'Take back Ona Ferrel', 'Acknowledges, Bram Odewick', 'Acknowledges, Cilla Varn']);
  });
  it('is looked at and not changed by viewers', () => {
    expect(board(METHODS[0]!, {}, false).buttons).toEqual([]);
  });
  it('says what is not named yet, and what is', () => {
    expect(board().words).toContain('First aid: nobody is named yet. Kit: place not named yet.');
    const named = board(METHODS[0]!, {
      firstAid: 'Joss, by the door',
      kit: 'on the sill',
      localRules: 'No saws for minors.',
    }).words;
    expect(named).toContain('First aid: Joss, by the door. Kit: on the sill.');
    expect(named).toContain('Here: No saws for minors.');
  });
});
