import { kindOf, type Pairing, pairingOf } from '../../methods/compatibility/compatibility';
import { capital } from '../../units/capital';

/** What is known against a scion on a stock. It is said and stops nothing: somebody always grafts it, and it lives. */
export interface PairWarning {
  /** "pear on quince". */
  id: string;
  says: string;
  remedy: string;
}

/**
 * What there is to mind of the pairs of a day, each kind of pair once; a pair that usually lives is not mentioned.
 *
 * @param pairs species of scion and stock, as they were entered.
 * @param own the club's own rows, which stand before the usual ones.
 * @example pairWarnings([{ scion: 'pear', stock: 'quince' }], [])[0].says // 'Pear on quince wants care: …'
 */
export function pairWarnings(
  pairs: readonly { scion: string; stock: string }[],
  own: readonly Pairing[],
): PairWarning[] {
  const warnings = new Map<string, PairWarning>();
  for (const { scion, stock } of pairs) {
    const id = `${kindOf(scion)} on ${kindOf(stock)}`;
    const known = pairingOf(stock, scion, own);
    if (known?.verdict === 'works' || warnings.has(id)) continue;
    warnings.set(id, { id, ...said(capital(id), known) });
  }
  return [...warnings.values()];
}

function said(pair: string, known: Pairing | null): Pick<PairWarning, 'says' | 'remedy'> {
  if (!known)
    return {
      says: `${pair}: nothing is known of this pair.`,
      remedy: 'Ask who has grafted it, and enter what they say in the table of pairs.',
    };
  return known.verdict === 'fails'
    ? {
        says: `${pair} is not known to live. ${known.note}`,
        remedy: 'Choose another stock, or make few, label them as a trial and see.',
      }
    : {
        says: `${pair} wants care. ${known.note}`,
        remedy: 'Use a variety that is known to agree, or put a piece of one in between; tell people so.',
      };
}
