import { type AssumptionById, assumptionsWith } from '../../plan/phenology/assumptions';
import type { SignVariant } from './signs';

/** Days of usual warmth, and one length, that signs are read by. All of them are assumptions of the site. */
export interface SignDays {
  /** Before this day dormant wood grows on the food it had in store. */
  fedGrowth: number;
  /** From this day on, growth of `grown` mm says alive. */
  sureGrowth: number;
  grown: number;
  /** Days until the next look where nothing else is said. */
  again: number;
  /** Days after its kin came into leaf until which a sleeper is waited for. */
  sleeper: number;
  /** Before this day a shield says nothing. */
  shield: number;
  shieldBrown: number;
  shieldPlump: number;
  patchBrown: number;
  patchGreen: number;
  /** Before this day callus and buds say nothing. */
  callus: number;
  buds: number;
  wrinkled: number;
  tipBlack: number;
  tipSwells: number;
  /** The day from which dead can be known. */
  deadKnown: Record<'bench' | 'dormant' | 'bud' | 'green', number>;
  /** Days until the next look while a scratch is still green. */
  greenScratch: number;
}

/** The days a site goes by. */
export function signDays(assumption: AssumptionById): SignDays {
  const day = (id: string): number => assumption(`sign.${id}`).value;
  return {
    fedGrowth: day('fed-growth'),
    sureGrowth: day('sure-growth'),
    grown: day('grown'),
    again: day('again'),
    sleeper: day('sleeper'),
    shield: day('shield'),
    shieldBrown: day('shield-brown'),
    shieldPlump: day('shield-plump'),
    patchBrown: day('patch-brown'),
    patchGreen: day('patch-green'),
    callus: day('callus'),
    buds: day('buds'),
    wrinkled: day('wrinkled'),
    tipBlack: day('tip-black'),
    tipSwells: day('tip-swells'),
    deadKnown: {
      bench: day('dead-bench'),
      dormant: day('dead-dormant'),
      bud: day('dead-bud'),
      green: day('dead-green'),
    },
    greenScratch: day('green-scratch'),
  };
}

/** What is usual, where no site says otherwise. */
export const USUAL_SIGN_DAYS: SignDays = signDays(assumptionsWith({}));

/** The day from which dead can be known; null for what sleeps over winter, where spring decides. */
export function deadKnownFrom(variant: SignVariant, { deadKnown }: SignDays): number | null {
  switch (variant) {
    case 'bench':
      return deadKnown.bench;
    case 'spring':
    case 'bark':
    case 'chip-spring':
      return deadKnown.dormant;
    case 'bud-early':
    case 'patch-spring':
      return deadKnown.bud;
    case 'green':
      return deadKnown.green;
    case 'bud-late':
    case 'patch-autumn':
      return null;
  }
}
