import { object, string } from 'yup';
import { paper, decimal } from '@/core/inputs/fields';
import { LEAST_TAG, MOST_TAG } from './tag-size';

const side = (what: string, least: number, most: number) =>
  decimal()
    .typeError(`Enter the ${what} of the tag in mm.`)
    .min(least, `A tag needs a ${what} of ${least} mm or more for its code and its QR code.`)
    .max(most, `A tag has a ${what} of ${most} mm at most.`);

export const tagsInput = object({
  paper: paper(),
  width: side('width', LEAST_TAG.width, MOST_TAG.width).default(60),
  height: side('height', LEAST_TAG.height, MOST_TAG.height).default(25),
  code: string().default(''),
});
