/** What stands where the name of an erased person stood. */
export const ERASED_NAME = 'Erased person';
