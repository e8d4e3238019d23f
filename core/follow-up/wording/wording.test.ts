import { describe, expect, it } from 'vitest';
import { METHODS } from '../../methods/registry';
import { prose, mm } from '../../units/prose';
import { POSITIONS } from '../../methods/position';
import { ROUND_KINDS } from '../../methods/milestones';
import { askedSigns } from '../signs/asked-signs';
import { readSigns } from '../signs/read-signs';
import { SIGN_VALUES, SIGN_VARIANTS, type Signs } from '../signs/signs';
import { catalogueProblems } from './check-catalogue';
import { ENGLISH, ENGLISH_CATALOGUE } from './english';
import { type Catalogue, type WordingKey, wordingOf } from './wording';

const has = (key: string): void => expect(Object.hasOwn(ENGLISH_CATALOGUE.messages, key), key).toBe(true);

describe('the catalogue', () => {
  it('has a sentence for every question, sign, option and place there is', () => {
    for (const { variants } of METHODS)
      for (const { rounds } of variants) for (const { question } of rounds) has(`question.${question}`);
    for (const kind of ROUND_KINDS) {
      has(`question.${kind}`);
      for (const variant of SIGN_VARIANTS)
        for (const { id, options } of askedSigns(variant, kind, 50)) {
          has(`sign.${id}`);
          for (const option of options) has(`sign.${id}.${option.id}`);
        }
    }
    for (const position of POSITIONS) if (position !== 'sole') has(`place.${position}`);
  });
  it('has a sentence for every reading and its reason', () => {
    const each: Signs[] = [{ growth: 20 }, { growth: 60 }, { growth: 60, leaves: 'wilted' }, { snapped: true }, {}];
    for (const [sign, values] of Object.entries(SIGN_VALUES))
      for (const value of values) each.push({ [sign]: value, stub: 'drops', holds: 'yes', patch: 'green' });
    for (const variant of SIGN_VARIANTS)
      for (const day of [2, 8, 20, 60])
        for (const sinceLeaf of [null, 2, 50])
          for (const signs of each) {
            const { reading, why } = readSigns(signs, { variant, day, sinceLeaf });
            has(`reading.${reading}`);
            has(`why.${why}`);
          }
  });
  it('says counts, names and days', () => {
    expect(ENGLISH.say('page.left', { count: 1 })).toBe('One graft to look at now.');
    expect(ENGLISH.say('page.left', { count: 4 })).toBe('4 grafts to look at now.');
    expect(ENGLISH.say('page.heading', { name: '<b>{Ona}</b>' })).toBe('<b>{Ona}</b>, how do your grafts do?');
    expect(ENGLISH.day('2027-03-06')).toBe('6 Mar 2027');
  });
  it('is without fault by its own check', () => {
    expect(catalogueProblems(ENGLISH_CATALOGUE, ENGLISH_CATALOGUE)).toEqual([]);
  });
});

describe('a file of another language', () => {
  const other = (changes: Partial<Record<WordingKey, string>> = {}): Catalogue => ({
    ...ENGLISH_CATALOGUE,
    language: 'qaa',
    name: 'Made up',
    messages: { ...ENGLISH_CATALOGUE.messages, ...changes },
  });
  it('is named what is wrong with it', () => {
    expect(catalogueProblems(other(), ENGLISH_CATALOGUE)).toEqual([]);
    expect(catalogueProblems(other({ 'page.heading': 'No name' }), ENGLISH_CATALOGUE)).toEqual([
      '"page.heading" must name name.',
    ]);
    expect(catalogueProblems(other({ 'page.left': '{count, plural, one {#}' }), ENGLISH_CATALOGUE)).toEqual([
      '"page.left" cannot be read; check its braces.',
    ]);
    const messages: Record<string, string> = { ...other().messages, 'page.other': 'x' };
    delete messages['page.send'];
    expect(catalogueProblems({ ...other(), messages }, ENGLISH_CATALOGUE)).toEqual([
      '"page.send" is missing.',
      '"page.other" is no sentence of ours.',
    ]);
    expect(catalogueProblems({ ...other(), language: 'no language!' }, ENGLISH_CATALOGUE)).toHaveLength(1);
    expect(catalogueProblems({ ...other(), reply: { alive: [] } }, ENGLISH_CATALOGUE).length).toBeGreaterThan(3);
    expect(catalogueProblems([], ENGLISH_CATALOGUE)).toEqual(['The file is no JSON object.']);
  });
  it('says words of methods in its own words, with lengths in the unit of whoever reads', () => {
    const wording = wordingOf({ ...other(), trade: { 'Slit the tape': 'Slitta tapo', 'at {0}': 'e {0} li' } });
    expect(wording.trade('Slit the tape', 'mm')).toBe('Slitta tapo');
    expect(wording.trade(prose`at ${mm(50)}`, 'in')).toBe('e 2 in li');
    expect(wording.trade('Water it', 'mm')).toBe('Water it');
  });
});
