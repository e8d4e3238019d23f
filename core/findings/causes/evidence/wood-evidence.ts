import { daysBetween, formatDate } from '../../../units/iso-date';
import type { FactsOfUnion, Gathered } from './facts-of-union';

/** Days above its range that a lot stands. Source: usual practice, wood kept cold. */
export const WARM_DAYS = 3;
/** Days that budwood keeps. Source: usual practice. */
export const BUDWOOD_DAYS = 5;
/** Days on the road after which wood has travelled badly. Source: usual practice, one to two weeks. */
export const LONG_ROAD = 14;

/** What the ledger of wood, the pair and the bark of the day say. */
export function woodEvidence(facts: Pick<FactsOfUnion, 'wood' | 'pair' | 'bleeds' | 'bark' | 'madeOn'>): Gathered[] {
  const { wood, pair, bleeds, bark, madeOn } = facts;
  const found: Gathered[] = [];
  const add = (holds: boolean, code: string, from: string): void => void (holds && found.push({ code, from }));
  add(wood.warmDays !== null && wood.warmDays > WARM_DAYS, 'stored-warm', 'Logger of the lot');
  if (wood.look) {
    const { on, green, buds } = wood.look;
    const from = `Look at the lot, ${formatDate(on)}`;
    const sound = green === 'yes' && buds === 'shut';
    add(sound, 'lot-sound', from);
    add(!sound, 'lot-moving', from);
  }
  const kept = wood.stage === 'dormant' || wood.cutOn === null ? 0 : daysBetween(wood.cutOn, madeOn);
  const travelled = wood.sentOn && wood.arrivedOn ? daysBetween(wood.sentOn, wood.arrivedOn) : 0;
  add(kept > BUDWOOD_DAYS, 'wood-old-travelled', `Budwood cut ${kept} days before`);
  add(kept <= BUDWOOD_DAYS && travelled > LONG_ROAD, 'wood-old-travelled', `${travelled} days on the road`);
  add(wood.source === 'certified', 'source-certified', 'Certificate of the lot');
  add(wood.source === 'unknown' && wood.carriesVirus, 'source-unknown', 'No source entered for the lot');
  add(pair !== null, pair ?? '', 'Species of stock and scion');
  add(!bleeds, 'no-bleeder', 'Species of the stock');
  if (bark) add(true, bark.slips ? 'slip-good' : 'slip-failed', `Bark tried at the site, ${formatDate(bark.on)}`);
  return found;
}
