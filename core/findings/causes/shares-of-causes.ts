import { InputError } from '../../contact/input-error';
import type { CauseModel, ReadyEvidence } from './cause-model';
import { CAUSE_GROUPS, type CauseGroup } from './cause-tables';

/** Two ratios count as equally far from 1 when their logarithms differ by less. */
const EQUALLY_FAR = 1e-9;

/**
 * The evidence of some codes, each once, in the order told.
 *
 * @throws InputError for a code no table names, or something that is no list
 */
export function evidenceOf(model: CauseModel, codes: readonly string[]): ReadyEvidence[] {
  return [...new Set(codes)].map((code) => {
    const row = model.evidence.get(code);
    if (!row) throw new InputError('evidence', `No table names the evidence "${code}".`);
    return row;
  });
}

/**
 * How likely each cause is after what is known: its weight for this way of making times, of each group of evidence,
 * the one ratio farthest from 1 (of two equally far the one above 1), made to add up to 1.
 *
 * @returns shares in the order of `model.causes`
 * @throws InputError for a way of making or a code that no table names
 * @example sharesOfCauses(model, 'bench', ['contact-none', 'never-moved'])[0] // no-contact
 */
export function sharesOfCauses(model: CauseModel, group: CauseGroup, codes: readonly string[]): number[] {
  if (!CAUSE_GROUPS.includes(group))
    throw new InputError('group', `There is no group "${group}". Known are ${CAUSE_GROUPS.join(', ')}.`);
  const farthest = new Map<string, number[]>();
  for (const row of evidenceOf(model, codes)) {
    const before = farthest.get(row.group);
    farthest.set(row.group, before ? before.map((ratio, at) => farther(ratio, row.scaled[at]!)) : row.scaled);
  }
  const products = [...model.weights[group]];
  for (const ratios of farthest.values()) for (let at = 0; at < products.length; at++) products[at]! *= ratios[at]!;
  return normalised(model.power === 1 ? products : products.map((product) => product ** model.power));
}

function farther(first: number, other: number): number {
  const [here, there] = [Math.abs(Math.log(first)), Math.abs(Math.log(other))];
  if (Math.abs(here - there) < EQUALLY_FAR) return Math.max(first, other);
  return here > there ? first : other;
}

function normalised(products: number[]): number[] {
  const sum = products.reduce((all, product) => all + product, 0);
  return products.map((product) => product / sum);
}
