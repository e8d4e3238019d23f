/** How much of a piece is drawn beyond its cut, mm. */
export const LENGTHS = { stock: 34, scion: 34 };
