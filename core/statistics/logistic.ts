/** The chance that log odds stand for. */
export const logistic = (logOdds: number): number => 1 / (1 + Math.exp(-logOdds));
