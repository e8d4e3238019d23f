/** Range a store of dormant wood should keep, degC. Source: usual practice, the year. */
export const STORE = { from: 0, to: 4 };
