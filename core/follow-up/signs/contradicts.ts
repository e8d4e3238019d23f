import type { Said } from '../said';
import type { Signs } from './signs';

/** Signs that nothing dead shows. */
function tellsLife({ growth = 0, buds, stub, shield, patch, callus, scratch, leaves, tip }: Signs): boolean {
  return (
    growth > 0 ||
    buds === 'swelling' ||
    buds === 'leaf' ||
    stub === 'drops' ||
    shield === 'plump' ||
    patch === 'green' ||
    callus === 'ring' ||
    scratch === 'green' ||
    leaves === 'firm' ||
    tip === 'swelling'
  );
}

/** Signs that nothing alive shows. */
function tellsDeath({ shield, patch, scratch, scion, tip, bud }: Signs): boolean {
  return (
    shield === 'brown' ||
    patch === 'brown' ||
    scratch === 'brown' ||
    scion === 'black' ||
    tip === 'black' ||
    bud === 'hollow'
  );
}

/**
 * Whether what somebody says of a plant and what they saw on it cannot both be so: dead with a new shoot, alive and
 * brown from tip to base, not to be found and yet looked at.
 *
 * @example contradicts('dead', { growth: 60 }) // true
 */
export function contradicts(said: Said | '', signs: Signs): boolean {
  switch (said) {
    case 'dead':
      return tellsLife(signs) && !tellsDeath(signs);
    case 'alive':
      return tellsDeath(signs) && !tellsLife(signs);
    case 'not-found':
      return tellsLife(signs) || tellsDeath(signs);
    case 'unsure':
    case '':
      return false;
  }
}
