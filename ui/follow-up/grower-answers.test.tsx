import { describe, expect, it } from 'vitest';
import type { GrowerPage, GrowerPlant } from '@/core/follow-up/grower-page';
import { rendered } from '@/ui/testing/rendered';
import { GrowerAnswers } from './grower-answers';

const plant = (code: string, changes: Partial<GrowerPlant> = {}): GrowerPlant => ({
  unionId: code,
  question: 'Is there a new shoot of 50 mm or more?',
  place: '',
  drawing: 0,
  code,
  variety: 'Grey Heron',
  stockType: 'Reedmoor',
  ribbon: 'marsh',
  answer: null,
  note: '',
  seenOn: null,
  advice: null,
  ...changes,
});
const page: GrowerPage = {
  name: 'Ona Ferrel',
  clubName: 'Reed Islet Grafters',
  workshopTitle: 'Bench day',
  workshopDate: '2027-03-06',
  milestone: 'growing',
  questions: ['Is there a new shoot of 50 mm or more?'],
  drawings: [],
  today: '2027-05-06',
  closesOn: '2027-05-20',
  closed: false,
  mayContact: true,
  plants: [plant('K7M4XQ'), plant('W4C4TF')],
};
const answers = (changes: Partial<GrowerPage> = {}) =>
  rendered(<GrowerAnswers token="t" page={{ ...page, ...changes }} />);

describe('a grower’s page', () => {
  it('asks of each plant by its tag, with every answer a radio button of its own group', () => {
    const { words, html } = answers();
    for (const part of [
      'Ona Ferrel, how do your grafts do?',
      'Is there a new shoot of 50 mm or more?',
      'K7M 4XQ',
      'W4C 4TF',
      'Grey Heron on Reedmoor',
      '2 to go. Each answer is saved at once, and can be changed until 20 May 2027.',
    ])
      expect(words).toContain(part);
    for (const code of ['K7M4XQ', 'W4C4TF'])
      expect(html.match(new RegExp(`name="answer-${code}"`, 'g'))).toHaveLength(4);
  });
  it('counts what is left, and thanks when nothing is', () => {
    expect(answers({ plants: [plant('K7M4XQ', { answer: 'yes' }), plant('W4C4TF')] }).words).toContain('1 to go.');
    expect(answers({ plants: [plant('K7M4XQ', { answer: 'dead', note: 'hail' })] }).words).toContain(
      'All answered, thank you.',
    );
  });
  it('gives the week’s advice with an answer, and room for a note', () => {
    const { words, html } = answers({
      plants: [plant('K7M4XQ', { answer: 'yes', note: 'green tip', advice: 'Slit the tape.' })],
    });
    expect(words).toContain('This week: Slit the tape.');
    expect(html).toContain('value="green tip"');
  });
  it('lets read and not answer once the round is closed', () => {
    const { words, html } = answers({ closed: true });
    expect(words).toContain(
      'This round closed on 20 May 2027. You can read your answers; to change one, tell the club.',
    );
    expect(html.match(/<fieldset[^>]*disabled/g)).toHaveLength(2);
  });
  it('says who reads it, and lets people go', () => {
    expect(answers().words).toContain('seen by the instructors of Reed Islet Grafters, and by nobody else');
    expect(answers().buttons).toEqual(expect.arrayContaining(['Stop writing to me', 'Erase me']));
    expect(answers({ mayContact: false }).words).toContain('The club does not write to you about this any more.');
    expect(answers({ plants: [] }).words).toContain('No graft is in your name here any more.');
  });
});
