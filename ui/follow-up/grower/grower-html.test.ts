import { describe, expect, it } from 'vitest';
import type { GrowerGraft, GrowerPage } from '@/core/follow-up/grower/grower-page';
import { looksOfRound } from '@/core/follow-up/grower/looks-of-round';
import { askedSigns } from '@/core/follow-up/signs/asked-signs';
import { SIGNS_BY_WAY } from '@/core/follow-up/signs/signs';
import { ENGLISH } from '@/core/follow-up/wording/english';
import { wordingOf } from '@/core/follow-up/wording/wording';
import { METHODS } from '@/core/methods/registry';
import { englishLeft, madeUpLanguage } from '@/core/testing/made-up-language';
import { saidPage } from './document';
import { growerHtml } from './grower-html';

const graft = (changes: Partial<GrowerGraft> = {}): GrowerGraft => ({
  unionId: '018f6b1e-7c1a-7d2e-9c3b-0a1b2c3d4e5f',
  code: 'K7M4XQ',
  variety: 'Grey <Heron>',
  stockType: 'Reedmoor',
  ribbon: 'marsh',
  method: 'Whip-and-tongue',
  madeOn: '2027-03-06',
  position: '',
  stands: '',
  kind: 'growing',
  question: 'Is there a new shoot of 50 mm or more?',
  groups: askedSigns('spring', 'growing', 50),
  sayings: [{ said: 'dead', words: 'It is dead' }],
  grown: 50,
  measured: true,
  looks: null,
  told: null,
  photos: 0,
  ...changes,
});
const page = (changes: Partial<GrowerPage> = {}): GrowerPage => ({
  name: 'Ona Ferrel',
  clubName: 'Reed Islet Grafters',
  today: '2027-05-06',
  mayContact: true,
  hasAddress: true,
  language: 'en',
  languages: [{ language: 'en', name: 'English' }],
  grafts: [graft()],
  resting: [],
  tasks: [],
  plants: [],
  left: 1,
  ...changes,
});
const html = (changes: Partial<GrowerPage> = {}, rest: Partial<Parameters<typeof growerHtml>[0]> = {}): string =>
  growerHtml(
    {
      token: 'secret',
      page: page(changes),
      wording: ENGLISH,
      unit: 'mm',
      form: 'f',
      arrived: null,
      kept: false,
      refused: new Map(),
      sure: null,
      contentOf: () => 'told',
      ...rest,
    },
    'nonce',
  );

describe('a grower’s page', () => {
  it('is a form that works without script, its names telling which graft', () => {
    const text = html();
    expect(text).toMatch(/^<!doctype html><html lang="en">/);
    expect(text).toContain('<form method="post" action="/r/secret" enctype="multipart/form-data" id="answers">');
    expect(text.match(/type="radio" name="018f6b1e[^"]*\.sign\.growth"/g)).toHaveLength(3);
    expect(text).toContain('Send my answers');
    expect(/ checked[ \/>]/.test(text)).toBe(false);
    // One script, and no framework.
    expect(text.match(/<script[^>]*src=/g)).toEqual(['<script nonce="nonce" src=']);
  });
  it('writes what others typed as text', () => {
    expect(html()).toContain('Grey &lt;Heron>');
    expect(html({ name: '</script><b>' })).not.toContain('</script><b>');
  });
  it('shows what was told, and what was refused with what was typed there', () => {
    const back = { reading: 'It lives.', why: 'x', next: '', week: ['Tie it up.'], second: [] };
    const told = {
      choices: { growth: 'shoot' },
      said: '' as const,
      snapped: false,
      growthMm: 120,
      seenOn: '2027-05-02',
      note: 'n',
      back,
    };
    const text = html({ grafts: [graft({ told })], left: 0 });
    // What is to be done stands below, with its buttons.
    expect(text).not.toContain('Tie it up.');
    expect(text).toContain('All told, thank you.');
    expect(text).toMatch(/value="shoot"[^>]*checked/);
    const typed = { signs: {}, said: 'dead', snapped: false, growth: 'long', growthUnit: 'mm', seenOn: '', note: '' };
    const refused = html({}, { refused: new Map([[graft().unionId, { words: 'Enter a number.', typed }]]) });
    expect(refused).toContain('This did not go through: Enter a number.');
    expect(refused).toContain('value="long"');
  });
  it('shows leave, the copy, the link and erasure on every page, and asks before the last two', () => {
    for (const grafts of [[graft()], []]) {
      const text = html({ grafts });
      for (const part of ['Stop writing to me', '/r/secret/copy', 'sure=close', 'sure=erase'])
        expect(text).toContain(part);
    }
    expect(html({ mayContact: false })).toContain('Write to me again');
    expect(html({}, { sure: 'erase' })).toContain('Erase me for good');
    expect(html()).not.toContain('Erase me for good');
  });
  it('has a choice of language where there are several', () => {
    expect(html()).not.toContain('name="language"');
    const languages = [
      { language: 'en', name: 'English' },
      { language: 'qaa', name: 'Qoooq' },
    ];
    expect(html({ languages })).toContain('Qoooq');
  });
  it('draws right and wrong for every variant and round there is, in mm and inches', () => {
    for (const method of METHODS)
      for (const variant of method.variants)
        for (const { milestone } of variant.rounds) {
          const looks = looksOfRound({ method: method.id, variant: variant.id, schools: {} }, milestone, 'in');
          expect(looks, `${method.id} ${variant.id} ${milestone}`).not.toBeNull();
          expect(looks!.right.drawing).not.toEqual(looks!.wrong.drawing);
          const groups = askedSigns(SIGNS_BY_WAY[variant.wayOn], milestone, 50);
          const question = 'Is there a new shoot of 2 in or more?';
          const text = html({ grafts: [graft({ looks, groups, kind: milestone, question })] }, { unit: 'in' });
          expect(text.includes('aria-label="Right"')).toBe(true);
          // A drawing that is used elsewhere is painted by its own class.
          expect(text.match(/<symbol id="look-\d" class="drawing"/g)).toHaveLength(2);
          expect(/\d mm (or|longer)/.test(text)).toBe(false);
          expect(/<option value="in" selected>/.test(text)).toBe(true);
          // Light enough for a phone on a slow network.
          expect(text.length).toBeLessThan(160_000);
        }
  });
  it('has no English word of the catalogue left in another language', () => {
    const wording = wordingOf(madeUpLanguage({}));
    const { say } = wording;
    const method = METHODS[0]!;
    const looks = looksOfRound({ method: method.id, variant: method.variants[0]!.id, schools: {} }, 'healed', 'mm');
    const own = graft({
      variety: '',
      stockType: '',
      method: '',
      looks,
      question: say('question.shoot', { length: '' }),
      sayings: [{ said: 'dead', words: say('said.dead') }],
      photos: 2,
    });
    const languages = ['en', 'qaa'].map((language) => ({ language, name: language }));
    const resting = [
      { code: 'K7M4XQ', variety: '', when: say('page.asked-done'), mayTell: true, unionId: own.unionId },
    ];
    const shown = { name: '', clubName: '', grafts: [own], resting, languages };
    for (const sure of [null, 'erase', 'close'] as const) {
      const text = html(shown, { wording, sure, arrived: { saved: 1, photos: 2 } })
        .replace(/<style.*?<\/style>/s, '')
        .replace(/<title>.*?<\/title>/, '');
      const said = [...text.matchAll(/aria-label="([^"]*)"/g)]
        .map(([, words]) => words)
        .filter((words) => words !== 'blue, plain');
      expect(englishLeft(`${text.replace(/<script.*?<\/script>|<[^>]*>/gs, ' ')} ${said.join(' ')}`)).toEqual([]);
    }
  });
  it('says one thing where a link does not open', () => {
    const text = saidPage({ language: 'en', nonce: 'n', heading: 'This link does not open', words: 'Ask <them>.' });
    expect(text).toContain('Ask &lt;them>.');
    expect(text).not.toContain('<script');
  });
});

describe('what a grower is asked to do', () => {
  const task = (changes: Partial<GrowerPage['tasks'][number]> = {}): GrowerPage['tasks'][number] => ({
    task: 'binding-off',
    name: 'Cut the tape <off>',
    missed: 'It girdles.',
    until: 'Until 20 Aug 2027.',
    alarm: false,
    plants: [{ unionId: 'u1', code: 'K7M4XQ', position: '', occurrence: 0 }],
    said: '',
    actionId: '',
    ...changes,
  });
  it('has three buttons in a form of its own, for all plants that want it alike', () => {
    const several = [
      { unionId: 'u1', code: 'K7M4XQ', position: '', occurrence: 0 },
      { unionId: 'u2', code: 'K7M4XR', position: 'the upper one', occurrence: 1 },
    ];
    const text = html({ tasks: [task({ plants: several, alarm: true })] });
    expect(text).toContain('Cut the tape &lt;off>');
    expect(text.match(/name="said" value="(done|not-yet|cannot)"/g)).toHaveLength(3);
    expect(text).toMatch(/type="checkbox" name="plant.u2" value="1" checked/);
    expect(text).toContain('Otherwise: It girdles.');
    expect(text).toContain('One thing to do');
  });
  it('can be taken back once it was told', () => {
    const text = html({ tasks: [task({ actionId: 'a1', said: 'You said on 20 Aug 2027: done.' })] });
    expect(text).toContain('name="wish" value="untask"');
    expect(text).not.toContain('name="said" value="done"');
  });
  it('lets all live with one tap where several are asked, and tells any day what happened', () => {
    const two = [graft(), graft({ unionId: '018f6b1e-7c1a-7d2e-9c3b-0a1b2c3d4e60', code: 'K7M4XR' })];
    const plants = [{ unionId: 'u1', code: 'K7M4XQ', variety: 'Grey Heron', position: '' }];
    const text = html({ grafts: two, left: 2, plants });
    expect(text).toContain('Both live');
    expect(text).toMatch(/<option value="eaten">An animal ate or stripped it/);
    expect(html()).not.toContain('name="all"');
    expect(html()).not.toContain('value="happened"');
  });
});
