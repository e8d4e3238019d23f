import type { Look } from './ready-solid';

/** Degrees that one looks from beside the front, and from above. */
const BESIDE = 38;
const ABOVE = 22;

/** From before the left shoulder of whoever holds the pieces, and somewhat from above. */
export const THREE_QUARTER = ((): Look => {
  const [a, e] = [(BESIDE * Math.PI) / 180, (ABOVE * Math.PI) / 180];
  const [cosA, sinA, cosE, sinE] = [Math.cos(a), Math.sin(a), Math.cos(e), Math.sin(e)];
  return {
    right: [sinA, cosA, 0],
    up: [-sinE * cosA, sinE * sinA, cosE],
    near: [cosE * cosA, -cosE * sinA, sinE],
  };
})();
