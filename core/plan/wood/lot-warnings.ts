import { kinOf } from '../../methods/compatibility/compatibility';
import { formatDate, type IsoDate } from '../../units/iso-date';

/** What bears on whether wood may be used, and how it keeps. */
export interface LotFacts {
  variety: string;
  species: string;
  source: string;
  /** Protected by a right of its breeder until then. */
  protectedUntil: IsoDate | null;
  /** The owner's leave to propagate, in words. */
  leave: string;
  /** Number of the certificate of the source. */
  certificate: string;
  /** Where it was grown, to tell whether a boundary is crossed. */
  region: string;
}

export interface LotWarning {
  id: 'protected' | 'uncertified' | 'boundary' | 'check' | 'store' | 'post' | 'failed';
  level: 'care' | 'stop';
  says: string;
  remedy: string;
}

/** Kin that may be grafted only with certified wood in many places; a club adds to it. */
export const QUARANTINE_KIN = ['citrus'];

/** Whether a species stands on the quarantine list: by its kin, or named by the club. */
export function isQuarantined(species: string, own: readonly string[]): boolean {
  const wanted = species.trim().toLowerCase();
  return (
    QUARANTINE_KIN.includes(kinOf(species) ?? '') ||
    own.some((meant) => meant.trim().toLowerCase() === wanted || meant.trim().toLowerCase() === kinOf(species))
  );
}

/** What the law or the owner may have to say about a lot on a day at a place. The local authority decides. */
export function lotWarnings(
  lot: LotFacts,
  day: IsoDate,
  place: { region: string; quarantine: readonly string[] },
): LotWarning[] {
  const warnings: LotWarning[] = [];
  if (lot.protectedUntil && lot.protectedUntil >= day && lot.leave.trim() === '') {
    warnings.push({
      id: 'protected',
      level: 'stop',
      says: `${lot.variety} is protected until ${formatDate(lot.protectedUntil)}.`,
      remedy: 'Making plants of it needs the owner’s leave: get it in writing and enter it, or take another variety.',
    });
  }
  const quarantined = isQuarantined(lot.species, place.quarantine);
  if (quarantined && lot.certificate.trim() === '') {
    warnings.push({
      id: 'uncertified',
      level: 'stop',
      says: `${lot.variety}: ${lot.species} stands on the quarantine list and its source has no certificate entered.`,
      remedy:
        'Use wood of a certified source only and enter its number. Clean looks are no evidence. Ask the local plant health authority; it decides.',
    });
  }
  if (
    lot.region.trim() !== '' &&
    place.region.trim() !== '' &&
    lot.region.trim().toLowerCase() !== place.region.trim().toLowerCase()
  ) {
    warnings.push({
      id: 'boundary',
      level: quarantined ? 'stop' : 'care',
      says: `${lot.variety} comes from ${lot.region} and the workshop is in ${place.region}: it crosses a boundary.`,
      remedy: 'Ask the local plant health authority before it is moved. Some wood may not travel at all.',
    });
  }
  return warnings;
}

/** One look at stored wood. */
export interface WoodCheck {
  on: IsoDate;
  green: 'yes' | 'partly' | 'no';
  buds: 'shut' | 'moving' | 'open';
}

export const GREEN_WORDS: Record<WoodCheck['green'], string> = {
  yes: 'green under the bark',
  partly: 'green in part',
  no: 'brown under the bark',
};
export const BUD_WORDS: Record<WoodCheck['buds'], string> = {
  shut: 'buds shut',
  moving: 'buds moving',
  open: 'buds open',
};

/** What the last look at a lot says; null when it was never looked at. */
export function checkWarning(variety: string, checks: readonly WoodCheck[]): LotWarning | null {
  const last = [...checks].sort((a, b) => a.on.localeCompare(b.on)).at(-1);
  if (!last) return null;
  if (last.green === 'no' || last.buds === 'open')
    return {
      id: 'check',
      level: 'stop',
      says: `${variety} on ${formatDate(last.on)}: ${GREEN_WORDS[last.green]}, ${BUD_WORDS[last.buds]}.`,
      remedy: 'Do not graft it. Use another lot.',
    };
  if (last.green === 'partly' || last.buds === 'moving')
    return {
      id: 'check',
      level: 'care',
      says: `${variety} on ${formatDate(last.on)}: ${GREEN_WORDS[last.green]}, ${BUD_WORDS[last.buds]}.`,
      remedy: 'Sort it: keep what is green with buds shut, and store it colder.',
    };
  return null;
}
