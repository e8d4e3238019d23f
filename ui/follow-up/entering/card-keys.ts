import type { GrowthUnit } from '@/core/follow-up/answer-input';
import type { AnswerCard } from '@/core/follow-up/entering/answer-card';
import type { Said } from '@/core/follow-up/said';

/** What is typed of a graft. */
export interface TypedCard {
  signs: Record<string, string>;
  said: Said | '';
  snapped: boolean;
  growth: string;
  growthUnit: GrowthUnit;
  seenOn: string;
  note: string;
}

/** A key that chooses something. */
export interface CardKey {
  key: string;
  group: string;
  option: string;
  words: string;
}

/** Letters for what is said in so many words; digits are for signs. */
const SAID_KEYS: Record<Said, string> = { alive: 'a', unsure: 'u', dead: 'd', 'not-found': 'n' };

/** Whether a group is asked after what was chosen before it. */
export function asksOn({ after }: Pick<AnswerCard['groups'][number], 'after'>, { signs }: TypedCard): boolean {
  if (after === '') return true;
  const [group, options] = after.split(':') as [string, string];
  return options.split(',').includes(signs[group] ?? '');
}

/** The keys of a card: digits through the signs that are asked, in their order, and a letter for each saying. */
export function cardKeys(card: AnswerCard, typed: TypedCard): CardKey[] {
  let digit = 0;
  const signs = card.groups
    .filter((group) => asksOn(group, typed))
    .flatMap(({ id, options }) =>
      options.map((option) => ({ key: String(++digit), group: id, option: option.id, words: option.words })),
    );
  const sayings = card.sayings.map(({ said, words }) => ({ key: SAID_KEYS[said], group: 'said', option: said, words }));
  return [...signs.filter(({ key }) => key.length === 1), ...sayings];
}

/** A card after a key was pressed; null for a key that is none of its own. Pressed again it is taken back. */
export function withKey(card: AnswerCard, typed: TypedCard, key: string): TypedCard | null {
  const found = cardKeys(card, typed).find((each) => each.key === key.toLowerCase());
  if (!found) return null;
  const { group, option } = found;
  const against = (id: string, chosen: string | undefined): readonly Said[] =>
    card.groups.find((each) => each.id === id)?.options.find((each) => each.id === chosen)?.against ?? [];
  // The last key counts: what cannot go with it is taken off.
  if (group === 'said') {
    const said = typed.said === option ? '' : (option as Said);
    const kept = Object.entries(typed.signs).filter(
      ([id, chosen]) => said === '' || !against(id, chosen).includes(said),
    );
    const gone = said === 'dead' || said === 'not-found';
    return { ...typed, said, signs: Object.fromEntries(kept), growth: gone ? '' : typed.growth };
  }
  const signs = { ...typed.signs };
  if (signs[group] === option) delete signs[group];
  else signs[group] = option;
  // What hung on what was chosen before goes with it.
  for (const other of card.groups) if (!asksOn(other, { ...typed, signs })) delete signs[other.id];
  const said = typed.said !== '' && against(group, signs[group]).includes(typed.said) ? '' : typed.said;
  return { ...typed, signs, said };
}

/** Whether anything besides signs and sayings is typed. */
export function contentOf({ growth, seenOn, note, snapped }: TypedCard): boolean {
  return growth !== '' || seenOn !== '' || note !== '' || snapped;
}
