/** Ways an answer comes in: a private link, by phone, on a visit, a slip or a bed list, a file, a reply by mail. */
export type WayIn = 'link' | 'phone' | 'visit' | 'slip' | 'list' | 'file' | 'mail';

/** Ways in which somebody of the club types it. */
export const TYPED_WAYS = ['phone', 'visit', 'slip', 'list'] as const satisfies readonly WayIn[];
export type TypedWay = (typeof TYPED_WAYS)[number];

export const WAY_IN_WORDS: Record<WayIn, string> = {
  link: 'by their link',
  phone: 'by phone',
  visit: 'on a visit',
  slip: 'on a slip',
  list: 'on a bed list',
  file: 'in a file',
  mail: 'by mail',
};
