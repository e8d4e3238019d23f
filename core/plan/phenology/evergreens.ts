import { kinOf, knownAs } from '../../methods/compatibility/compatibility';

/** Kin that keep their leaves and never sleep. */
const EVERGREEN = ['citrus', 'mango', 'avocado', 'loquat', 'lychee', 'olive', 'guava', 'sapodilla'];

/** Kinds that keep their leaves and never sleep. Trifoliate orange loses its leaves, though its kin does not. */
export function isEvergreen(species: string): boolean {
  return EVERGREEN.includes(kinOf(species) ?? '') && knownAs(species) !== 'trifoliate orange';
}
