import { type InferType, object, string } from 'yup';
import { id } from '../inputs/fields';

/** A cut that spoiled its wood: at which seat, and by which method it was meant to be joined. */
export const spoiledInput = (methods: readonly string[]) =>
  object({
    workshopId: id('a workshop'),
    seatId: id('a seat'),
    method: string()
      .oneOf([...methods], 'Choose a method from the list.')
      .required('Choose a method from the list.'),
    assessorId: string().max(36).default(undefined),
    sentAt: string().max(40).default(undefined),
  });

export type SpoiledCut = InferType<ReturnType<typeof spoiledInput>>;
