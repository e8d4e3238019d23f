import { object, string } from 'yup';
import { paper, decimal } from '@/core/inputs/fields';
import { formatLength, type LengthUnit } from '@/core/units/length';
import { LEAST_TAG, MOST_TAG, USUAL_TAG } from './tag-size';

const side = (what: string, least: number, most: number, unit: LengthUnit) =>
  decimal()
    .typeError(`Enter the ${what} of the tag in ${unit === 'mm' ? 'mm' : 'inches'}.`)
    .min(least, `A tag needs a ${what} of ${formatLength(least, unit)} or more for its code and its QR code.`)
    .max(most, `A tag has a ${what} of ${formatLength(most, unit)} at most.`);

/** What tags are printed with, lengths in mm; what is refused is said in the unit of the reader. */
export function tagsInput(unit: LengthUnit) {
  return object({
    paper: paper(),
    width: side('width', LEAST_TAG.width, MOST_TAG.width, unit).default(USUAL_TAG.width),
    height: side('height', LEAST_TAG.height, MOST_TAG.height, unit).default(USUAL_TAG.height),
    code: string().default(''),
  });
}
