/** Two cambium lines no further apart than this, mm, count as touching. */
export const BRIDGING_DISTANCE = 0.5;
/** Faces further apart than this, mm, do not count. */
export const FACE_GAP_LIMIT = 0.5;
