/** Where replies of a club's growers go; the simulated mail service puts them into its inbox folder. */
export function replyAddress(clubId: string): string {
  return `answers-${clubId}@pear-bench.invalid`;
}

/** The club an address belongs to; null for any other address. */
export function clubOfReplyAddress(address: string): string | null {
  return /^answers-([0-9a-f-]{36})@pear-bench\.invalid$/i.exec(address)?.[1]?.toLowerCase() ?? null;
}
