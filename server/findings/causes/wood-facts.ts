import type { WoodFacts } from '@/core/findings/causes/evidence/facts-of-union';
import { isQuarantined } from '@/core/plan/wood/lot-warnings';
import type { SiteRow } from '@/db/models/plan-rows';
import type { Context } from '@/server/platform/context';
import { ledger, type LedgerLot } from '@/server/plan/wood-ledger';

const HOURS_A_DAY = 24;

/** Lots of the club by id, with looks and loggers. */
export async function lotsById(context: Context, ids: readonly string[]): Promise<Map<string, LedgerLot>> {
  return new Map((await ledger(context, [...new Set(ids)])).map((lot) => [lot.id, lot]));
}

/** What the ledger says of a lot on the day it was grafted: later looks and readings tell nothing of it. */
export function woodFacts(lot: LedgerLot, madeOn: string, site: Pick<SiteRow, 'quarantine'>): WoodFacts {
  const looks = lot.checks.filter(({ lookedOn }) => lookedOn <= madeOn);
  const look = looks.reduce<(typeof looks)[number] | null>(
    (last, next) => (last === null || next.lookedOn >= last.lookedOn ? next : last),
    null,
  );
  const runs = lot.runs.filter(({ summary }) => summary.from.slice(0, 10) <= madeOn);
  const source =
    lot.certificate.trim() !== '' ? 'certified' : lot.source.trim() !== '' || lot.sourceId ? 'known' : 'unknown';
  return {
    source,
    carriesVirus: isQuarantined(lot.species, site.quarantine),
    stage: lot.stage,
    cutOn: lot.cutOn,
    sentOn: lot.sentOn,
    arrivedOn: lot.arrivedOn,
    arrival: lot.arrival,
    warmDays: runs.length === 0 ? null : runs.reduce((sum, { summary }) => sum + summary.hoursAbove, 0) / HOURS_A_DAY,
    look: look && { on: look.lookedOn, green: look.green, buds: look.buds },
  };
}
