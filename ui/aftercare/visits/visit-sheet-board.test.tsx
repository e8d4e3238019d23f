import { describe, expect, it } from 'vitest';
import type { VisitSheet } from '@/core/aftercare/visits/visit-sheet';
import { rendered } from '@/ui/testing/rendered';
import { VisitSheetBoard } from './visit-sheet-board';

const line = (name: string, changes: object = {}) => ({
  unionId: 'u',
  task: name,
  occurrence: 0,
  name,
  place: '',
  alarm: false,
  to: '2027-05-20',
  missed: '',
  ...changes,
});
const sheet = (tasks: object[]): VisitSheet =>
  ({
    site: 'Boathouse orchard',
    on: '2027-05-02',
    minutes: 40,
    all: 12,
    tools: ['knife'],
    plants:
      tasks.length === 0
        ? []
        : [{ called: 'K7M 4XQ', href: '/plants/K7M4XQ', variety: 'Grey Heron', stockType: 'Reedmoor', tasks }],
  }) as unknown as VisitSheet;
const board = (tasks: object[], mayChange = true) =>
  rendered(<VisitSheetBoard sheet={sheet(tasks)} me={{ id: 'maren', name: 'Maren' }} mayChange={mayChange} />);

describe('the sheet of a visit on a phone', () => {
  it('has each plant with what is done, until when and what happens otherwise', () => {
    const { words, html, buttons } = board([
      line('Loosen the tie', { missed: 'it cuts in', place: 'north limb' }),
      line('Rub off shoots below'),
    ]);
    expect(words).toContain('Grey Heron on Reedmoor');
    expect(words).toContain('Loosen the tie (north limb)');
    expect(words).toContain('until 20 May 2027; otherwise: it cuts in');
    expect(html).toContain('href="/plants/K7M4XQ"');
    expect(buttons).toEqual(['Done: Loosen the tie, K7M 4XQ', 'Done: Rub off shoots below, K7M 4XQ']);
  });
  it('says loudest what is past its last day', () => {
    expect(board([line('Loosen the tie', { alarm: true })]).html).toContain('border-loud');
    expect(board([line('Loosen the tie')]).html).not.toContain('border-loud');
  });
  it('is worth going also where nothing is due', () => {
    expect(board([]).words).toContain('Nothing is due on that day but water, labels and a look.');
  });
  it('is read only by whoever may not mark anything', () => {
    expect(board([line('Loosen the tie')], false).buttons).toEqual([]);
  });
});
