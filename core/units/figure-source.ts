/*
 * Who says a figure. A reader judges it by that: usual practice of the craft, a published statistic by its name, a
 * measurement of the club's own, or nobody but us.
 */

export const USUAL_PRACTICE = 'usual practice';
export const OUR_GUESS = 'our guess';
