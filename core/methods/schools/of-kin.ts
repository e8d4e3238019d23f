import { mm, prose } from '../../units/prose';
import { question } from '../school';

/* What a kind of plant asks of a method. Source: method sheets of the whip, the T and the patch. */

export const BLEEDING = question(
  'bleeding',
  'wood',
  'Whether the stock bleeds',
  ['dry', 'no', 'Apple, pear, plum and most others.'],
  [
    'bleeds',
    'yes: walnut kin',
    prose`Cut off and drained 7 to 10 days before, the cut ${mm(60, 65)} long. Only on fast-growing young stocks: otherwise let the stock reach ${mm(50)} and take a bark method.`,
  ],
);
export const CITRUS = question(
  'citrus',
  'wood',
  'Whether it is citrus kin',
  ['other', 'no', 'The bud is wrapped in rubber or film and sleeps or is forced by its season.'],
  [
    'citrus',
    'yes: citrus kin',
    'Blade in chlorine solution, certified wood only, vinyl from below, three weeks of shade, unwrapped on day 21, then the stock is lopped and bent.',
  ],
);
export const FIG = question(
  'fig',
  'wood',
  'How the patch comes off its stick',
  ['slides', 'it slides off sideways', 'The bud’s core shears off with it.'],
  ['lifts', 'fig kin: slit opposite the bud and lifted gently all round', 'The bark of fig kin does not slide.'],
);
