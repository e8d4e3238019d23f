import english from './languages/en.json';
import { type Catalogue, wordingOf } from './wording';

/** The wording that ships, and that other languages are held against. */
export const ENGLISH_CATALOGUE: Catalogue = english;
export const ENGLISH = wordingOf(english);
