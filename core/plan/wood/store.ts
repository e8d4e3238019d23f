/** Range a store of dormant wood should keep, degC. Source: trade handbook, the year. */
export const STORE = { from: 0, to: 4 };
