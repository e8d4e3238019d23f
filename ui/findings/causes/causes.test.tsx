import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { CAUSE_GROUPS } from '@/core/findings/causes/cause-tables';
import type { DeathLine } from '@/core/findings/causes/death-view';
import { SHIPPED_TABLES } from '@/core/findings/causes/shipped-tables';
import { causesCounted, type FateBoard, type FateMark, type SharedView } from '@/core/findings/shared/fate-board';
import { PICTURES } from '../guide/answer-pictures';
import { GuidePicture } from '../guide/guide-picture';
import { PreviewResult } from '../tables/preview-result';
import { LikelyCauseCard } from './cause-panel';
import { FateBeds } from './fate-beds';
import { FateSeason } from './fate-season';
import { fatesSentence } from '@/core/findings/shared/fates-sentence';
import { SharedList } from './shared-list';

const text = (element: React.ReactElement): string =>
  renderToStaticMarkup(element)
    .replace(/<[^>]+>/g, ' ')
    .replace(/\s+/g, ' ');
const level = (changes: Partial<SharedView> = {}): SharedView => ({
  key: 'wood-lot a',
  kind: 'lot of wood',
  name: 'the lot of Sallow Quay',
  dead: 9,
  all: 10,
  deadBeside: 6,
  allBeside: 44,
  named: true,
  inseparable: [],
  explainedBy: null,
  mostly: '',
  ...changes,
});
const board = (shared: SharedView[]): FateBoard => ({
  marks: [],
  shared,
  looked: 34,
  deaths: [],
  room: null,
  beds: [],
  workshops: [],
  settled: 0,
  power: 1,
});
const mark = (id: number, changes: Partial<FateMark> = {}): FateMark => ({
  called: `AB${id}`,
  href: `/plants/AB${id}`,
  state: 'alive',
  workshop: 0,
  seatNumber: 1,
  hour: null,
  bed: null,
  row: null,
  position: null,
  levels: [],
  ...changes,
});
const death = (changes: Partial<DeathLine>): DeathLine => ({ verdict: null, settled: null, ...changes }) as DeathLine;

describe('what deaths share', () => {
  const said = (...shared: SharedView[]): string =>
    text(<SharedList board={board(shared)} chosen={null} onChoose={() => undefined} />);
  it('is said in counts, the one that explains most first', () => {
    expect(said(level({ mostly: 'the wood was awake or dead' }))).toContain(
      'Most is explained by the lot of Sallow Quay: 9 of 10 died, 6 of 44 beside it, mostly because the wood was awake or dead.',
    );
  });
  it('tells what cannot be told apart, what another explains, and what chance may make', () => {
    expect(said(level({ inseparable: ['Ona', 'home of Ona'] }))).toContain(
      'Holds the same unions as Ona and home of Ona',
    );
    expect(said(level(), level({ key: 'b', name: 'a bench', explainedBy: 'the lot' }))).toContain(
      'Explained by the lot',
    );
    const chance = said(level({ named: false }));
    expect(chance).toContain('chance alone shows such a one now and then');
    expect(chance).not.toContain('Most is explained');
  });
  it('says so where nothing stands out', () => {
    expect(said()).toContain('Of 34 lots, hands, benches, hours, places and materials none has clearly more deaths');
  });
});

describe('the sentence of a page', () => {
  const three = [mark(1), mark(2, { state: 'dead' }), mark(3, { state: 'unknown' })];
  it('counts those whose fate is known, and of how many one knows why', () => {
    const dried = [death({ verdict: { cause: 'dried', words: 'it dried out', share: 0.8 } })];
    expect(fatesSentence({ marks: three, deaths: dried })).toBe('1 of 2 died; why is known of 1');
    // Settled as not known is not known, whatever was reckoned.
    const settled = [death({ ...dried[0], settled: { cause: '' } as DeathLine['settled'] })];
    expect(fatesSentence({ marks: three, deaths: settled })).toBe('1 of 2 died; why is known of 0');
    expect(fatesSentence({ marks: [mark(1)], deaths: [] })).toBe('None of 1 union heard of has died');
    expect(fatesSentence({ marks: [mark(1, { state: 'unknown' })], deaths: [] })).toContain('Nothing is known yet');
  });
  it('counts settled causes before computed ones, and "not known" last', () => {
    const dried = { cause: 'dried', words: 'it dried out', share: 0.8 };
    const eaten = { cause: 'eaten', words: 'it was eaten' } as DeathLine['settled'];
    const counted = causesCounted([
      death({}),
      death({}),
      death({ verdict: dried, settled: eaten }),
      death({ verdict: dried }),
    ]);
    expect(counted.map(({ words, count, settled }) => [words, count, settled])).toEqual([
      ['it was eaten', 1, 1],
      ['it dried out', 1, 0],
      ['not known', 2, 0],
    ]);
  });
});

describe('drawings of fates', () => {
  it('put beds in rows by place, and what stands nowhere of the club’s last', () => {
    const marks = [
      mark(1, { bed: 0, row: 2, position: 3, state: 'dead' }),
      mark(2, { bed: 0, row: 1, position: 1 }),
      mark(3),
    ];
    const beds = [{ name: 'Ferry bed', rows: { count: 2, each: 5, spacing: 300, between: 900 } }];
    const drawn = text(<FateBeds beds={beds} marks={marks} ringed={() => false} />);
    expect(drawn.indexOf('Ferry bed')).toBeLessThan(drawn.indexOf('At home'));
    expect(drawn).toContain('1 of 2 died');
    expect(drawn).toContain('AB1, died');
  });
  it('put a single day by its hours, several by their dates', () => {
    const day = { id: 'day', title: 'Whips', date: '2027-03-06' };
    const hours = (
      <FateSeason marks={[mark(1, { hour: 9.2 }), mark(2, { hour: 11.1 })]} workshops={[day]} ringed={() => true} />
    );
    expect(text(hours)).toContain('9:00');
    expect(text(hours)).toContain('11:00');
    const dates = (
      <FateSeason marks={[mark(1)]} workshops={[day, { ...day, id: 'b', date: '2027-08-14' }]} ringed={() => false} />
    );
    expect(text(dates)).toContain('14 Aug 2027');
  });
});

describe('a likely cause', () => {
  it('shows its share as a bar as long as it is', () => {
    const card = renderToStaticMarkup(
      <LikelyCauseCard
        cause={{
          cause: 'dried',
          words: 'it dried out',
          share: 0.5,
          speaksFor: ['no seal'],
          against: [],
          notLooked: ['How is the soil?'],
        }}
      />,
    );
    expect(card).toContain('width:50%');
    for (const words of ['Speaks for it', 'no seal', 'Nobody looked', 'How is the soil?'])
      expect(card).toContain(words);
    expect(card).not.toContain('Against it');
  });
});

describe('pictures of the guide', () => {
  const answers = SHIPPED_TABLES.questions.flatMap((question) => question.answers.map(({ code }) => code));
  it('there is one for every answer, and answers of a question look unlike each other', () => {
    expect(Object.keys(PICTURES).sort()).toEqual([...answers].sort());
    for (const group of CAUSE_GROUPS)
      for (const { askedOf, answers: own, question } of SHIPPED_TABLES.questions) {
        if (!askedOf.includes(group)) continue;
        const drawn = own.map(({ code }) => renderToStaticMarkup(<GuidePicture code={code} group={group} />));
        expect(new Set(drawn).size, `${group}: ${question}`).toBe(drawn.length);
      }
  });
});

describe('what other tables would say', () => {
  it('is told beside what is said now', () => {
    const changed = [
      { unionId: 'u', called: 'ABC', href: '/x', before: 'not known', after: 'rot or canker', settled: '' },
    ];
    const preview = { deaths: 12, changed, settled: 4, agreeBefore: 1, agreeAfter: 3 };
    const said = text(<PreviewResult preview={preview} />);
    expect(said).toContain('Of 12 deaths 1 would be said otherwise.');
    expect(said).toContain('the tables say the same of 1 now, of 3 then');
    expect(text(<PreviewResult preview={{ ...preview, changed: [], settled: 0 }} />)).toContain(
      'the same would be said',
    );
  });
});
