import { object, array, string, boolean } from 'yup';
import { id } from '@/core/inputs/fields';

export const makeInput = object({ woodLotId: id('a wood lot'), stockLotId: id('a stock lot') });

export const changeInput = object({
  plantIds: array(id('a keeper'))
    .required('Choose keepers.')
    .min(1, 'Choose at least one keeper.')
    .max(1000, 'Choose 1000 keepers at most.'),
  woodLotId: string().default(undefined),
  stockLotId: string().default(undefined),
  seatId: string().default(undefined),
  voided: boolean().strict().default(undefined),
});
