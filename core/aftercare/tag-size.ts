/** Size of a tag and the room around it on the sheet, mm. */
export interface TagSize {
  width: number;
  height: number;
}

/** Smallest tag that holds a QR code of 15 mm beside a code of 14 points. */
export const LEAST_TAG: TagSize = { width: 50, height: 22 };
export const MOST_TAG: TagSize = { width: 150, height: 80 };
export const USUAL_TAG: TagSize = { width: 60, height: 25 };
