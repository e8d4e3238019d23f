/** Whether a keeper will live, as its maker or its assessor holds it with one tap on the day. */
export const OUTLOOKS = ['surely', 'perhaps', 'hardly'] as const;
export type Outlook = (typeof OUTLOOKS)[number];

export const OUTLOOK_TELLERS = ['maker', 'assessor'] as const;
export type OutlookBy = (typeof OUTLOOK_TELLERS)[number];
