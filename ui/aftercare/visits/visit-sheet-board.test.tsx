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
  method: 'Cleft',
  ...changes,
});
const sheet = (tasks: object[], rows: object[] = []): VisitSheet =>
  ({
    site: 'Boathouse orchard',
    on: '2027-05-02',
    minutes: 40,
    all: 12,
    tools: ['knife'],
    rows,
    plants:
      tasks.length === 0
        ? []
        : [{ called: 'K7M 4XQ', href: '/plants/K7M4XQ', variety: 'Grey Heron', stockType: 'Reedmoor', tasks }],
  }) as unknown as VisitSheet;
const board = (tasks: object[], mayChange = true, rows: object[] = []) =>
  rendered(<VisitSheetBoard sheet={sheet(tasks, rows)} me={{ id: 'maren', name: 'Maren' }} mayChange={mayChange} />);

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
  it('has what is looked at along a row once, with one tap for all of its plants', () => {
    const plants = ['K7M 4XQ', 'P2T 9HW'].map((called, i) => ({ unionId: `u${i}`, occurrence: 0, called }));
    const row = {
      task: 'first-crop',
      name: 'Note which bear',
      missed: '',
      to: '2028-09-04',
      workshop: 'Bench day',
      plants,
    };
    const { words, buttons } = board([], true, [row]);
    expect(words).toContain('2 plants of Bench day, until 4 Sept 2028');
    expect(words).toContain('K7M 4XQ, P2T 9HW');
    expect(words).not.toContain('Nothing is due');
    expect(buttons).toEqual(['Done: Note which bear, 2 plants of Bench day']);
  });
});
